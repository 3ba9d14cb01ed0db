/// @file
/// Carries the statements of a sheet out.
#pragma once

#include "sheet/source.hpp"
#include "sheet/syntax.hpp"
#include "sheet/value.hpp"

#include <coldbrick/sheet.hpp>

#include <cstddef>
#include <map>
#include <string>

namespace coldbrick::sheet {

class Interpreter {
  public:
    /// @param reading outlives the interpreter
    /// @throws SheetError if a setting's value is no expression.
    explicit Interpreter(const SheetReading& reading);

    /// @throws SheetError at the first fault.
    Sheet run(const Source& source);

  private:
    void carry_out(const Location& location, const SheetStatement& statement);
    void carry_out(const Location& location, const FramesStatement& statement);
    void carry_out(const Location& location, const LetStatement& statement);
    void carry_out(const Location& location, const PaletteStatement& statement);
    void carry_out(const Location& location, const ImageStatement& statement);
    void carry_out(const Location& location, const ShapeStatement& statement);
    void carry_out(const Location& location, const TextStatement& statement);

    [[nodiscard]] Image loaded(const ImageStatement& statement) const;
    [[nodiscard]] Face face_of(const FaceWords& words, const FaceWords::Name& name) const;
    [[nodiscard]] int quarters(const ExpressionPtr& turn) const;
    void check_is_new(const std::string& name, const Location& location) const;
    void check_has_size(const Location& location) const;

    [[nodiscard]] FrameRate rate_of(const Expression& expression) const;
    void check_frame(const Source& source) const;

    /// A setting that no `let` takes up is most likely misspelt.
    void check_settings(const Source& source) const;

    std::map<std::string, Value, std::less<>> settings_;
    Definitions names_;
    const SheetReading& reading_;
    std::size_t image_bytes_left_; ///< of what all images may take
    Edges edges_ = Edges::crisp;   ///< where styles do not tell
    bool has_size_ = false;
    bool has_frames_ = false;
    Sheet result_{};
};

} // namespace coldbrick::sheet
