/// @file
/// The tool's commands and what they are asked for. Each does its work or throws Error; those that
/// tell by their exit status what they found return it.
#pragma once

#include "image_files.hpp"
#include "sheet_file.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/frame_rate.hpp>
#include <coldbrick/mark_table.hpp>
#include <coldbrick/orientation.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/sweep.hpp>
#include <coldbrick/terminal_text.hpp>

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace coldbrick::tool {

/// A sheet becomes an image file.
struct DrawArguments {
    SheetArguments sheet;
    ImageOutput output;
    std::int32_t frame = 0;
    bool quiet = false; ///< about what lies outside of the picture
    bool watch = false; ///< draw again whenever a file changes
};
void draw(const DrawArguments& arguments);

/// Tells which statements of a sheet cannot be seen and why. @returns 1 if anything was found, else 0
struct CheckArguments {
    SheetArguments sheet;
    std::optional<std::int32_t> frame; ///< all frames if there is none
    bool json = false;
};
int check_sheet(const CheckArguments& arguments);

/// Tells how a pixel came to its colour, or whose the pixels of a box are.
struct ExplainArguments {
    SheetArguments sheet;
    Box box; ///< a pixel if it is 1 x 1
    bool is_pixel = true;
    std::int32_t frame = 0;
    ImageOutput output; ///< a picture of whose pixels they are, unless its path is empty
    bool json = false;
};
void explain(const ExplainArguments& arguments);

/// Draws a sheet many times with values run over ranges.
struct SweepArguments {
    SheetArguments sheet;
    ImageOutput output;
    Sweep sweep;
    std::int32_t columns = 0;
    std::int32_t frame = 0;
};
void sweep(const SweepArguments& arguments);

/// Prints a sheet in its standard layout, or writes it back.
struct TidyArguments {
    std::string path; ///< `-` for standard input
    bool replace = false;
};
void tidy(const TidyArguments& arguments);

/// A sheet or an image becomes a magnified image file with a grid between the pixels; or squared paper.
struct GridArguments {
    SheetArguments input; ///< nothing if its path is empty
    ImageOutput output;
    int zoom = 16;
    bool rulers = true;
    bool lines = true;                 ///< between pixels
    std::optional<std::int32_t> frame; ///< of a sheet; the first if there is none
    std::optional<Box> part;
    std::vector<Point> marks;
    bool outlines = false;               ///< of statements
    std::optional<Size> paper;           ///< instead of an input
    std::optional<std::int32_t> spacing; ///< of the paper's lines
};
void grid(const GridArguments& arguments);

/// A sheet's frames become a file that plays.
struct ReelArguments {
    SheetArguments sheet;
    std::string output; ///< `-` for standard output
    std::optional<ReelType> type;
    std::int32_t from = 0;
    std::optional<std::int32_t> to; ///< the last frame if there is none
    std::optional<FrameRate> rate;
    ReelOptions options;

    /// The type that is written. @throws FileError if nothing tells it.
    [[nodiscard]] ReelType reel_type() const;
};
void reel(const ReelArguments& arguments);

/// Image files become others.
struct RecastArguments {
    std::vector<std::string> inputs;
    ImageOutput output;
    std::string folder; ///< instead of the output's path
    bool keep_texts = false;
    std::optional<std::int32_t> frame; ///< of a reel; all of its frames if there is none
    std::optional<PixelFormat> format; ///< the input's own if there is none
    std::string palette;               ///< a palette file instead of a format
    GrayRule gray_rule = GrayRule::encoded;
    std::optional<Size> size;
    Resizing resizing;
    Orientation orientation;
};
void recast(const RecastArguments& arguments);

/// How pixels are written.
enum class Notation : std::uint8_t { hex, rgb, hsl, bytes };

/// Prints what image files tell of themselves, and what is asked of their pixels.
struct InspectArguments {
    std::vector<std::string> files;
    bool json = false;
    std::vector<Point> at;             ///< pixels that are told in every notation
    std::optional<Box> part;           ///< whose pixels are printed row by row
    Notation notation = Notation::hex; ///< of these
    std::optional<Colour> find;        ///< whose places are told
    int within = 0;                    ///< by how much a channel may differ from it
    std::optional<Colour> ground;      ///< the extent of what is not this colour
    bool extent = false;               ///< the extent of what is not the colour of the first pixel
    bool histogram = false;
    std::optional<std::size_t> colours; ///< how many of the commonest are told

    [[nodiscard]] bool asks_for_pixels() const {
        return !at.empty() || part || find || ground || extent || histogram || colours;
    }
};
void inspect(const InspectArguments& arguments);

/// Tells how two images differ. @returns 0 if they are the same, 1 if they differ, 2 if they cannot be
/// compared
struct DifferArguments {
    std::string first;
    std::string second;
    int tolerance = 0;
    std::vector<Box> ignored;
    bool json = false;
    bool blinks = false; ///< the picture is a reel of both in turns
    int amplify = 8;
    ImageOutput output; ///< a picture of the differences, unless its path is empty
};
int differ(const DifferArguments& arguments);

/// Marks what a table tells of on an image.
struct MarkArguments {
    std::string image;
    std::string table;
    MarkReading reading;
    bool skips_bad_rows = false;
    std::string palette; ///< a palette file; distinct colours if it is empty
    double width = 2;
    double text_size = 14;
    bool legend = false;
    ImageOutput output;
};
void mark(const MarkArguments& arguments);

/// Shows an image or a sheet in the terminal.
struct LookArguments {
    SheetArguments input;
    std::int32_t frame = 0;
    std::optional<Box> part;
    std::optional<int> zoom;
    std::optional<std::int32_t> columns; ///< the window's if there are none
    std::optional<TerminalColours> colours;
};
void look(const LookArguments& arguments);

/// Lists the colours of a palette file, so many distinct ones, or the tool's own.
struct ColoursArguments {
    std::string palette;
    std::size_t distinct = 0;
    std::uint64_t seed = 0;
    bool json = false;
};
void list_colours(const ColoursArguments& arguments);

/// Lists the faces that there are, or draws what they look like.
struct FacesArguments {
    std::string face; ///< the one to draw; all if it is empty
    std::int32_t weight = 400;
    bool slanted = false;
    std::string sample; ///< what the picture says
    ImageOutput output; ///< nothing is drawn if its path is empty
    bool json = false;
};
void list_faces(const FacesArguments& arguments);

/// Writes the sample sheets into a folder and draws them.
struct DemoArguments {
    std::string folder = "coldbrick-demo";
    bool force = false; ///< replace files that are there and differ
};
void write_demo(const DemoArguments& arguments);

/// Makes a folder and those it is in, as far as they are missing. @throws FileError
void make_folder(const std::string& folder);

} // namespace coldbrick::tool
