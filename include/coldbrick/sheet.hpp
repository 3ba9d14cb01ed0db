/// @file
/// Drawings written as text.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/face.hpp>
#include <coldbrick/frame_rate.hpp>
#include <coldbrick/function_ref.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>     // limits of bytes
#include <cstdint>     // numbers of frames
#include <span>        // settings
#include <string>      // settings own their text
#include <string_view> // a sheet's text
#include <vector>      // axes of faces

namespace [[gnu::visibility("default")]] coldbrick {

/// A value that replaces the one that a sheet's `let` gives to a name.
struct Setting {
    std::string name;
    std::string value; ///< an expression in the sheet's own notation: `20`, `(3, 4)`, `gold`
};

/// A drawing with the size and ground that its text gives it. docs/sheets.md describes the notation.
struct Sheet {
    Size size;
    Colour ground;
    Drawing drawing;
    std::int32_t frames = 1; ///< how many the sheet has; which one this is, its reader chose
    FrameRate rate = {};
    std::string place = {}; ///< file:line:column of the statement that gives the size, for messages

    /// The sheet drawn: an image of its size, cleared to its ground, with the drawing on it.
    /// @throws SheetError if there is not enough memory for the image, else as draw().
    [[nodiscard]] Image render(PixelFormat format = PixelFormat::rgba8) const;
};

/// A face that a sheet names, other than the built-in ones.
struct WantedFace {
    std::string name; ///< a family's or a file's, as the loader takes it
    std::int32_t weight = 400;
    bool slanted = false;
    std::vector<FontAxis> axes = {}; ///< of variable fonts, besides the weight's

    friend bool operator==(const WantedFace&, const WantedFace&) = default;
};

/// What reading a sheet takes beside its text. The functions are called while it is read, not later; they
/// throw Error if there is no such image or face.
struct SheetReading {
    /// Replacements of the sheet's own values.
    std::span<const Setting> settings = {};

    /// What opens the files of `image` statements, such as a call of load(); without it, they are faults.
    /// @param most_bytes what the image's pixels may take
    FunctionRef<Image(const std::string& file, std::size_t most_bytes)> load_image = {};

    /// What the pixels of all its images may take together.
    std::size_t most_image_bytes = std::size_t{1} << 30;

    /// What gives the faces of texts, such as a call of system_face() or load_face(); without it, there are
    /// the built-in ones only.
    FunctionRef<Face(const WantedFace& face)> load_face = {};

    /// Which of its frames, from 0 on; those of a sheet differ by what it makes of `frame` and `time`.
    std::int32_t frame = 0;
};

/// Understands and carries out a sheet's text.
/// @param text the sheet, in UTF-8.
/// @param name what error messages call it: its file name.
/// @throws SheetError at the first fault, with file:line:column, the line and a caret under the fault.
///
/// Time and memory follow the statements: about 300 bytes each.
[[nodiscard]] Sheet read_sheet(std::string_view text, std::string_view name,
                               const SheetReading& reading = {});

} // namespace coldbrick
