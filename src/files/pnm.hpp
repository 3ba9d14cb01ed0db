/// @file
/// The portable anymap family.
#pragma once

#include <coldbrick/files.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>

#include <cstddef>
#include <span>
#include <vector>

namespace coldbrick::files {

/// @param type pgm, ppm, pam or pnm.
/// @throws FileError if the type cannot hold the format without loss.
std::vector<std::byte> encode_pnm(const ConstImageView& image, FileType type);

/// Decodes "P5", "P6" and "P7" with a largest value of 255 or 65535.
/// @throws FileError if the bytes are not those of a whole file of these kinds; ArgumentError if its pixels
/// take more than `most_bytes`.
Image decode_pnm(std::span<const std::byte> file, std::size_t most_bytes);

} // namespace coldbrick::files
