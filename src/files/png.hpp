/// @file
/// Portable Network Graphics.
#pragma once

#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>

#include <cstddef>
#include <span>
#include <vector>

namespace coldbrick::files {

std::vector<std::byte> encode_png(const ConstImageView& image);

/// @throws FileError if the bytes are not those of a whole PNG file; ArgumentError if its pixels take more
/// than `most_bytes`.
Image decode_png(std::span<const std::byte> file, std::size_t most_bytes);

} // namespace coldbrick::files
