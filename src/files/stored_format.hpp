/// @file
/// The formats that files' pixels become.
#pragma once

#include <coldbrick/pixel_format.hpp>

#include <cstddef>
#include <span>
#include <utility>

namespace coldbrick::files {

/// The format with channels of 8 or, if deep, 16 bits. Deep gray with alpha, for which there is none, is held
/// as rgba16.
constexpr PixelFormat format_with(bool colours, bool alpha, bool deep) {
    if (deep) return alpha ? PixelFormat::rgba16 : colours ? PixelFormat::rgb16 : PixelFormat::gray16;
    if (colours) return alpha ? PixelFormat::rgba8 : PixelFormat::rgb8;
    return alpha ? PixelFormat::graya8 : PixelFormat::gray8;
}

/// Exchanges the two bytes of each 16 bits of a row.
inline void swap_bytes(std::span<std::byte> row) {
    for (std::size_t i = 0; i + 1 < row.size(); i += 2) std::swap(row[i], row[i + 1]);
}

} // namespace coldbrick::files
