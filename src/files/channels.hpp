/// @file
/// Pixels in the channel order of files.
#pragma once

#include <coldbrick/image_view.hpp>

#include <cstddef>
#include <span>
#include <vector>

namespace coldbrick::files {

/// What a file holds of each pixel.
struct FileChannels {
    int count; ///< 1 gray, 2 gray and alpha, 3 red, green, blue, 4 the same and alpha
    int bits;  ///< of each: 8 or 16

    [[nodiscard]] int bytes() const { return count * bits / 8; }
};

/// What a file needs to hold the image without loss.
/// @param type the message's name for the file
/// @throws FileError if its channels are floats, which no file here holds.
FileChannels channels_needed(const ConstImageView& image, const char* type);

/// All pixels, row by row without padding, 16 bits with the higher byte first.
std::vector<std::byte> in_file_order(const ConstImageView& image, const FileChannels& channels);

/// The format of an image with these channels; 16 bits of gray and alpha are held as rgba16.
PixelFormat format_of(const FileChannels& channels);

/// Exchanges the two bytes of each 16 bits of a row.
void swap_bytes(std::span<std::byte> row);

} // namespace coldbrick::files
