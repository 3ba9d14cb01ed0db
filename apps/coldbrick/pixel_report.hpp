/// @file
/// What is told of an image's pixels.
#pragma once

#include "commands.hpp"

#include <coldbrick/image.hpp>

#include <nlohmann/json.hpp>

/// Prints what is asked for. @throws coldbrick::ArgumentError if a pixel or part does not lie within the
/// image
void print_pixel_report(const coldbrick::Image& image, const InspectArguments& arguments);

/// Adds the same to what is told of the file.
void add_pixel_report(nlohmann::ordered_json& report, const coldbrick::Image& image,
                      const InspectArguments& arguments);
