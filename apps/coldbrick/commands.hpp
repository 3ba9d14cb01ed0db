/// @file
/// The tool's commands and what they are asked for. Each does its work or throws coldbrick::Error.
#pragma once

#include "sheet_file.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/orientation.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/resize.hpp>

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>

/// A sheet becomes an image file.
struct DrawArguments {
    SheetArguments sheet;
    std::string output;
};
void draw(const DrawArguments& arguments);

/// A sheet becomes a magnified image file with a grid between the pixels.
struct GraphArguments {
    SheetArguments sheet;
    std::string output;
    int zoom = 16;
};
void graph(const GraphArguments& arguments);

/// An image file becomes another.
struct ConvertArguments {
    std::string input;
    std::string output;
    std::optional<coldbrick::PixelFormat> format; ///< the input's own if there is none
    std::string palette;                          ///< a palette file instead of a format
    coldbrick::GrayRule gray_rule = coldbrick::GrayRule::encoded;
    std::optional<coldbrick::Size> size;
    coldbrick::Resizing resizing;
    coldbrick::Orientation orientation;
};
void convert(const ConvertArguments& arguments);

/// Lists the colours of a palette file, so many distinct ones, or the tool's own.
struct ColoursArguments {
    std::string palette;
    std::size_t distinct = 0;
    std::uint64_t seed = 0;
};
void list_colours(const ColoursArguments& arguments);

/// Writes the sample sheets into a folder and draws them.
struct DemoArguments {
    std::string folder = "coldbrick-demo";
    bool force = false; ///< replace files that are there and differ
};
void write_demo(const DemoArguments& arguments);
