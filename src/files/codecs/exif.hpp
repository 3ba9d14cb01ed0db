/// @file
/// What cameras write beside pictures.
#pragma once

#include <coldbrick/image_info.hpp>
#include <coldbrick/orientation.hpp>

#include <cstddef>
#include <optional>
#include <span>

namespace coldbrick::files {

/// What is used of the Exif data of a file.
struct Exif {
    Orientation orientation = {};
    std::optional<Resolution> resolution = {};
};

/// Reads Exif data (CIPA DC-008: a TIFF file in small), which may be broken anywhere: what cannot be read is
/// as if it were not there.
/// @param data from the byte order mark "II" or "MM" on
Exif read_exif(std::span<const std::byte> data);

} // namespace coldbrick::files
