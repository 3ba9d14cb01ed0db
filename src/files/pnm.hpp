/// @file
/// The portable anymap family.
#pragma once

#include <coldbrick/files.hpp>
#include <coldbrick/image_view.hpp>

#include <cstddef>
#include <vector>

namespace coldbrick::files {

/// @param type pgm, ppm, pam or pnm.
/// @throws FileError if the type cannot hold the format without loss.
std::vector<std::byte> encode_pnm(const ConstImageView& image, FileType type);

} // namespace coldbrick::files
