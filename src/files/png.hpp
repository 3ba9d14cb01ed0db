/// @file
/// Portable Network Graphics.
#pragma once

#include <coldbrick/image_view.hpp>

#include <cstddef>
#include <vector>

namespace coldbrick::files {

std::vector<std::byte> encode_png(const ConstImageView& image);

} // namespace coldbrick::files
