/// @file
/// Carries the statements of a sheet out.
#pragma once

#include "sheet/insight/item_facts.hpp"
#include "sheet/language/faults.hpp"
#include "sheet/language/program.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/running/context.hpp"
#include "sheet/running/loaded_files.hpp"
#include "sheet/running/random_bits.hpp"

#include <coldbrick/drawing.hpp>
#include <coldbrick/sheet.hpp>

#include <fmt/core.h>

#include <cstdint>
#include <map>
#include <memory>
#include <set>
#include <string>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

class Interpreter {
  public:
    /// @param program,reading outlive the interpreter
    Interpreter(const Program& program, const SheetReading& reading, LoadedFiles& kept);

    /// The sheet but for its program. @throws SheetError with all faults, up to a number.
    Sheet run();

  private:
    void run_apart(const Statement& statement);
    void carry_out(const Statement& statement);
    void carry_out_block(const Block& block);
    template <class Work>
    void in_chance_of(std::uint64_t number, const Work& work);

    // A statement of each kind.
    template <class Form>
    void carry_out(const Location& location, const std::unique_ptr<Form>& statement) {
        carry_out(location, *statement);
    }
    void carry_out(const Location& location, const SheetStatement& statement);
    void carry_out(const Location& location, const FramesStatement& statement);
    void carry_out(const Location& location, const LetStatement& statement);
    void carry_out(const Location& location, const PaletteStatement& statement);
    void carry_out(const Location& location, const StyleStatement& statement);
    void carry_out(const Location& location, const ImageStatement& statement);
    void carry_out(const Location& location, const ShapeStatement& statement);
    void carry_out(const Location& location, const TextStatement& statement);
    void carry_out(const Location& location, const IfStatement& statement);
    void carry_out(const Location& location, const RepeatStatement& statement);
    void carry_out(const Location& location, const PlaceStatement& statement);
    void carry_out(const Location& location, const LayerStatement& statement);
    void carry_out(const Location& location, const ClipStatement& statement);
    void carry_out(const Location& location, const DataStatement& statement);

    [[nodiscard]] Position way_to(const PlacingWords& words, const RealBox& bounds) const;
    [[nodiscard]] RealBox own_bounds(const Box& bounds) const;
    [[nodiscard]] Position place_of(const PlaceWords& words, const Box& bounds_at_origin) const;
    [[nodiscard]] Shape placed_shape(const ShapeForm& form, const PlacingWords* placing, bool exact);
    [[nodiscard]] Region clip_of(const ClipStatement& statement);
    void repeat_in_list(const Location& location, const RepeatStatement& statement);
    void repeat_in_range(const RepeatStatement& statement);
    void repeat_once(const RepeatStatement& statement, std::uint64_t number, Value value);
    void place_at(const Location& location, const PlaceStatement& statement, const Placing& placing,
                  const std::vector<Value>& arguments);
    void give_name(const NameGiven& name, const Box& bounds, std::optional<Shape> shape);
    void draw_group(const Block& block, const Drawing::GroupStyle& style);
    template <class... Item>
    void add(const Location& location, Item&&... item);

    [[nodiscard]] int quarters(const ExpressionPtr& turn) const;
    void check_has_size(const Location& location) const;
    void note_parameter(const LetStatement& statement, const Value& value);
    void warn(SheetWarning::Kind kind, const Location& location, std::string message);
    void warn_once(SheetWarning::Kind kind, const Location& location, std::string message);
    void warn_of_shape(const Location& location, const ShapeForm& form, const Drawing::StyledShape& item);
    void warn_of_corner(const Frame& frame);
    void warn_if_outside(const Location& location, const Box& bounds);
    void warn_if_cut(const Location& location, const Box& bounds);
    [[nodiscard]] FrameRate rate_of(const Expression& expression) const;
    void check_frame();
    void check_settings();

    const Program& program_;
    const SheetReading& reading_;
    FileLoader files_;
    Context context_;
    Faults faults_;
    std::map<std::string, Value, std::less<>> settings_;
    Sheet result_{};
    std::set<std::pair<SheetWarning::Kind, std::uint32_t>> warned_; ///< with the statement's tag
    Drawing* drawing_ = &result_.drawing; ///< what is drawn into: the sheet's, or a group's
    std::uint64_t chance_ = 0;            ///< of the block
    std::uint32_t tag_ = 0;               ///< of the statement
    std::size_t items_ = 0;
    std::size_t bytes_ = 0;      ///< of memory that they take
    int nested_ = 0;             ///< statements that are being carried out
    int depth_ = 0;              ///< of motifs
    Edges edges_ = Edges::crisp; ///< where styles do not tell
};

/// A copy of a block has random values of its own, by its number.
template <class Work>
void Interpreter::in_chance_of(std::uint64_t number, const Work& work) {
    const std::uint64_t its_own = mixed_bits(context_.chance, number);
    const std::uint64_t statement = std::exchange(context_.chance, its_own);
    const std::uint64_t block = std::exchange(chance_, its_own);
    work();
    chance_ = block;
    context_.chance = statement;
}

template <class... Item>
void Interpreter::add(const Location& location, Item&&... item) {
    if (++items_ > reading_.limits.items)
        fail(location, fmt::format("the sheet draws more than {} items", reading_.limits.items));
    drawing_->set_tag(tag_);
    drawing_->add(std::forward<Item>(item)...);
    bytes_ += bytes_of(drawing_->items().back());
    if (bytes_ > reading_.limits.drawing_bytes)
        fail(location, fmt::format("the drawing takes more than {} bytes of memory: the limit can be raised "
                                   "(SheetLimits::drawing_bytes, --memory)",
                                   reading_.limits.drawing_bytes));
}

} // namespace coldbrick::sheet
