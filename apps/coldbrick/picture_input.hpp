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

/// A picture, and the sheet that it was drawn from, if it was.
struct PictureInput {
    coldbrick::Image image;
    std::optional<coldbrick::Sheet> sheet;
    std::vector<std::filesystem::path> files; ///< that it has been read from
};

/// An image file by its content, or else a sheet, one frame of which is drawn. @throws coldbrick::Error
PictureInput read_picture(const SheetArguments& arguments, std::int32_t frame);

/// A part of a picture. @throws coldbrick::ArgumentError if it does not lie within it.
coldbrick::Image part_of(const coldbrick::Image& image, const std::optional<coldbrick::Box>& part);
