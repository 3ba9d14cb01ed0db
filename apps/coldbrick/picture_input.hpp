/// @file
/// What is an image file or a sheet, as some commands take it.
#pragma once

#include "sheet_file.hpp"

#include <coldbrick/image.hpp>
#include <coldbrick/sheet.hpp>

#include <cstdint>
#include <filesystem>
#include <optional>
#include <vector>

namespace coldbrick::tool {

/// A picture, and the sheet that it was drawn from, if it was.
struct PictureInput {
    Image image;
    std::optional<Sheet> sheet;
    std::vector<std::filesystem::path> files; ///< that it has been read from
};

/// An image file by its content, or else a sheet, one frame of which is drawn. @throws Error
PictureInput read_picture(const SheetArguments& arguments, std::int32_t frame);

/// A part of a picture. @throws ArgumentError if it does not lie within it.
Image part_of(const Image& image, const std::optional<Box>& part);

} // namespace coldbrick::tool
