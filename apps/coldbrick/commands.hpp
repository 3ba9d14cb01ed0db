/// @file
/// The tool's commands and what they are asked for. Each does its work or throws coldbrick::Error.
#pragma once

#include "image_files.hpp"
#include "sheet_file.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/frame_rate.hpp>
#include <coldbrick/orientation.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/resize.hpp>

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

/// A sheet becomes an image file.
struct DrawArguments {
    SheetArguments sheet;
    ImageOutput output;
    std::int32_t frame = 0;
};
void draw(const DrawArguments& arguments);

/// Prints a sheet in its standard layout, or writes it back.
struct TidyArguments {
    std::string path; ///< `-` for standard input
    bool replace = false;
};
void tidy(const TidyArguments& arguments);

/// A sheet becomes a magnified image file with a grid between the pixels.
struct GraphArguments {
    SheetArguments sheet;
    ImageOutput output;
    int zoom = 16;
    bool rulers = true;
    std::int32_t frame = 0;
};
void graph(const GraphArguments& arguments);

/// A sheet's frames become a file that plays.
struct ReelArguments {
    SheetArguments sheet;
    std::string output; ///< `-` for standard output
    std::optional<coldbrick::ReelType> type;
    std::int32_t from = 0;
    std::optional<std::int32_t> to; ///< the last frame if there is none
    std::optional<coldbrick::FrameRate> rate;
    coldbrick::ReelOptions options;

    /// The type that is written. @throws coldbrick::FileError if nothing tells it.
    [[nodiscard]] coldbrick::ReelType reel_type() const;
};
void reel(const ReelArguments& arguments);

/// Image files become others.
struct RecastArguments {
    std::vector<std::string> inputs;
    ImageOutput output;
    std::string folder; ///< instead of the output's path
    bool keep_texts = false;
    std::optional<std::int32_t> frame;            ///< of a reel; all of its frames if there is none
    std::optional<coldbrick::PixelFormat> format; ///< the input's own if there is none
    std::string palette;                          ///< a palette file instead of a format
    coldbrick::GrayRule gray_rule = coldbrick::GrayRule::encoded;
    std::optional<coldbrick::Size> size;
    coldbrick::Resizing resizing;
    coldbrick::Orientation orientation;
};
void recast(const RecastArguments& arguments);

/// Prints what image files tell of themselves.
struct InspectArguments {
    std::vector<std::string> files;
    bool json = false;
};
void inspect(const InspectArguments& arguments);

/// Lists the colours of a palette file, so many distinct ones, or the tool's own.
struct ColoursArguments {
    std::string palette;
    std::size_t distinct = 0;
    std::uint64_t seed = 0;
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

/// Makes a folder and those it is in, as far as they are missing. @throws coldbrick::FileError
void make_folder(const std::string& folder);
