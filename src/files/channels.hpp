/// @file
/// Pixels in the channel order of files.
#pragma once

#include <coldbrick/image_view.hpp>

#include <cstddef>
#include <vector>

namespace coldbrick::files {

/// How many channels a file needs to hold the format without loss: 1 gray, 3 red, green, blue, 4 the same and
/// alpha.
int channel_count(PixelFormat format);

/// All pixels, row by row without padding, as gray, as red, green, blue or as red, green, blue, alpha.
std::vector<std::byte> in_file_order(const ConstImageView& image, int channels);

} // namespace coldbrick::files
