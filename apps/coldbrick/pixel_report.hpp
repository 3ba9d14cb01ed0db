/// @file
/// What is told of an image's pixels.
#pragma once

#include "commands.hpp"

#include <coldbrick/image.hpp>

namespace coldbrick::tool {

class Json;

/// Prints what is asked for. @throws ArgumentError if a pixel or part does not lie within the
/// image
void print_pixel_report(const Image& image, const InspectArguments& arguments);

/// Adds the same to what is told of the file.
void add_pixel_report(Json& report, const Image& image, const InspectArguments& arguments);

} // namespace coldbrick::tool
