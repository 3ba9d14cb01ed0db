/// @file
/// Carries the statements of a sheet out.
#pragma once

#include "sheet/source.hpp"
#include "sheet/syntax.hpp"
#include "sheet/value.hpp"

#include <coldbrick/sheet.hpp>

#include <cstddef>
#include <map>
#include <span>
#include <string>

namespace coldbrick::sheet {

class Interpreter {
  public:
    /// @param load_image outlives the interpreter
    /// @throws SheetError if a setting's value is no expression.
    Interpreter(std::span<const Setting> settings, const ImageLoader& load_image,
                std::size_t most_image_bytes, std::int32_t frame);

    /// @throws SheetError at the first fault.
    Sheet run(const Source& source);

  private:
    void carry_out(const Location& location, const SheetStatement& statement);
    void carry_out(const Location& location, const FramesStatement& statement);
    void carry_out(const Location& location, const LetStatement& statement);
    void carry_out(const Location& location, const PaletteStatement& statement);
    void carry_out(const Location& location, const ImageStatement& statement);
    void carry_out(const Location& location, const ShapeStatement& statement);

    [[nodiscard]] Image loaded(const ImageStatement& statement) const;
    [[nodiscard]] int quarters(const ExpressionPtr& turn) const;
    void check_is_new(const std::string& name, const Location& location) const;
    void check_has_size(const Location& location) const;

    [[nodiscard]] FrameRate rate_of(const Expression& expression) const;
    void check_frame(const Source& source) const;

    /// A setting that no `let` takes up is most likely misspelt.
    void check_settings(const Source& source) const;

    std::map<std::string, Value, std::less<>> settings_;
    Definitions names_;
    const ImageLoader& load_image_;
    std::size_t image_bytes_left_; ///< of what all images may take
    std::int32_t frame_;           ///< which one is asked for
    Edges edges_ = Edges::crisp;   ///< where styles do not tell
    bool has_size_ = false;
    bool has_frames_ = false;
    Sheet result_{};
};

} // namespace coldbrick::sheet
