/// @file
/// Drawings written as text.
#pragma once

#include <coldbrick/callback.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/face.hpp>
#include <coldbrick/frame_rate.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/render.hpp>
#include <coldbrick/shared.hpp>
#include <coldbrick/sheet_place.hpp>

#include <cstddef>     // limits of bytes
#include <cstdint>     // numbers of frames
#include <optional>    // ranges
#include <string>      // settings own their text
#include <string_view> // a sheet's text
#include <vector>      // settings and axes of faces

namespace [[gnu::visibility("default")]] coldbrick {

namespace sheet {
struct Program;
}

/// A value that replaces the one that a sheet's `let` gives to a name.
struct Setting {
    std::string name;
    std::string value; ///< an expression in the sheet's own notation: `20`, `(3, 4)`, `gold`
};

/// A face that a sheet names, other than the built-in ones.
struct WantedFace {
    std::string name; ///< a family's or a file's, as the loader takes it
    std::int32_t weight = 400;
    bool slanted = false;
    std::vector<FontAxis> axes = {}; ///< of variable fonts, besides the weight's

    friend bool operator==(const WantedFace&, const WantedFace&) = default;
};

/// What bounds the work that a sheet makes. Beyond, reading it ends with SheetError.
struct SheetLimits {
    std::size_t steps = 20'000'000; ///< statements that are carried out, and values of lists that are made
    std::size_t items = 10'000'000; ///< of its drawing
    int depth = 200;                ///< of motifs that place each other
    std::int64_t pixels = std::int64_t{1} << 32;      ///< of its picture
    int files = 1000;                                 ///< that it includes or takes data from
    std::size_t text_bytes = std::size_t{1} << 28;    ///< of each of them
    std::size_t data_bytes = std::size_t{1} << 30;    ///< of memory that the values of each table take
    std::size_t drawing_bytes = std::size_t{1} << 30; ///< of memory that its drawing takes
};

/// What reading a sheet takes beside its text. The functions are called while it is read, not later; they
/// throw Error if there is no such image or face.
struct SheetReading {
    /// Replacements of the sheet's own values.
    std::vector<Setting> settings = {};

    /// What opens the files of `image` statements, such as a call of load(); without it, they are faults.
    /// @param most_bytes what the image's pixels may take
    Callback<Image(const std::string& file, std::size_t most_bytes)> load_image = {};

    /// What the pixels of all its images may take together.
    std::size_t most_image_bytes = std::size_t{1} << 30;

    /// What gives the faces of texts, such as a call of system_face() or load_face(); without it, there are
    /// the built-in ones only.
    Callback<Face(const WantedFace& face)> load_face = {};

    /// What opens the files of `include` and `data` statements; without it, they are faults.
    /// @param file relative to the sheet's own folder
    /// @param most_bytes what the text may take
    Callback<std::string(const std::string& file, std::size_t most_bytes)> load_text = {};

    /// Whether those files may lie outside of the sheet's folder.
    bool leaves_folder = false;

    /// What bounds the work.
    SheetLimits limits = {};

    /// Whether to look for what is not wrong, but most likely not meant.
    bool warns = false;

    /// Which of its frames, from 0 on; those of a sheet differ by what it makes of `frame` and `time`.
    std::int32_t frame = 0;
};

/// A value of a sheet that may be set, as `let` gives it outside of all blocks.
struct SheetParameter {
    enum class Kind : std::uint8_t { number, truth, point, colour, text, other };
    std::string name;
    Kind kind;
    std::string value; ///< that it has, as a sheet would write it; nothing for other kinds
    SheetPlace place;  ///< of its name

    /// Of what the sheet says that the number may be, `let r = 15 from 1 to 40 by 0.5`.
    struct Range {
        double low;
        double high;
        double step; ///< 0 if it says none
    };
    std::optional<Range> range = {};
};

/// What is not wrong in a sheet, but most likely not meant.
struct SheetWarning {
    enum class Kind : std::uint8_t {
        unused,   ///< a name or motif
        outside,  ///< nothing of what a statement draws lies on the sheet; told once a statement
        cut_text, ///< an edge of the sheet cuts a text off
        corner,   ///< a box's opposite corner lies above and to the left of its corner
        radius    ///< a circle is larger than the sheet
    };
    Kind kind;
    SheetPlace place;
    std::string message;
};

/// A drawing with the size and ground that its text gives it. docs/sheets.md describes the notation.
struct Sheet {
    Size size;
    Colour ground;
    Drawing drawing;         ///< each item's tag is the number of its statement
    std::int32_t frames = 1; ///< how many the sheet has; which one this is, its reader chose
    FrameRate rate = {};
    SheetPlace place = {};                       ///< of the statement that gives the size, for messages
    std::vector<SheetParameter> parameters = {}; ///< in the order of the text
    std::vector<SheetWarning> warnings = {};     ///< if they were asked for
    std::vector<bool> carried_out = {}; ///< by tags: which statements were, if warnings were asked for

    /// An image of the sheet's size, cleared to its ground.
    /// @throws SheetError if there is not enough memory for it.
    [[nodiscard]] Image blank(PixelFormat format = PixelFormat::rgba8) const;

    /// The sheet drawn: an image of its size, cleared to its ground, with the drawing on it.
    /// @param options of the library's render(). If it is stopped, parts of the drawing are missing.
    /// @throws SheetError if there is not enough memory for the image, else as render().
    [[nodiscard]] Image render(PixelFormat format = PixelFormat::rgba8,
                               const RenderOptions& options = {}) const;

    /// The same picture band by band, for sheets larger than memory, as the library's render_bands().
    /// @returns false if it was stopped. @throws SheetError if there is not enough memory for a band.
    bool render_bands(PixelFormat format, std::int32_t band_height, BandReceiver receiver,
                      const RenderOptions& options = {}) const;

    /// The same text carried out with other settings or another frame, without being read again. Its images,
    /// data and faces are those that were loaded before, if they were.
    /// @throws SheetError as read_sheet(). One thread at a time may do so, also of copies of the sheet.
    [[nodiscard]] Sheet again(const SheetReading& reading) const;

    /// The place of the statement with a tag. @throws ArgumentError if there is none.
    [[nodiscard]] SheetPlace place_of(std::uint32_t tag) const;

    /// Its first line, without blanks at its ends.
    /// @throws ArgumentError as place_of().
    [[nodiscard]] std::string text_of(std::uint32_t tag) const;

    /// What has been read. Of a sheet that was not, nothing.
    detail::SharedState<sheet::Program> program = {};
};

/// Understands and carries out a sheet's text.
/// @param text the sheet, in UTF-8.
/// @param name what error messages call it: its file name.
/// @throws SheetError at faults, up to 20 of them, each with file:line:column, the line and a caret under the
/// fault; of one in a motif, also where it is placed.
///
/// Time and memory follow the statements that are carried out: about 1 us and 300 bytes for each shape, and
/// as many bytes once more for each that is written.
[[nodiscard]] Sheet read_sheet(std::string_view text, std::string_view name,
                               const SheetReading& reading = {});

/// The sheet's text in its standard layout: blocks indented by two blanks and lines that go on by four, one
/// blank between words, no more than one empty line. Comments and ends of lines stay where they are. Doing so
/// twice is doing it once, and what is drawn stays the same.
/// @throws SheetError at a character that no word begins with.
[[nodiscard]] std::string tidied_sheet(std::string_view text, std::string_view name);

} // namespace coldbrick
