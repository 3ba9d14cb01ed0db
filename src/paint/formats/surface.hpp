/// @file
/// Where pixels lie in memory.
#pragma once

#include "paint/formats/pixel_codec.hpp"

#include <coldbrick/channel.hpp>

#include <cstddef>

namespace coldbrick::paint {

/// Pixel (x, y) begins at origin + y * row_stride_bytes + x * pixel_stride_bytes.
struct Surface {
    std::byte* origin;
    std::ptrdiff_t row_stride_bytes;
    std::ptrdiff_t pixel_stride_bytes;
    Codec codec;
    ChannelMask mask; ///< the channels that may be written

    [[nodiscard]] std::byte* address(std::int64_t x, std::int64_t y) const {
        return origin + y * row_stride_bytes + x * pixel_stride_bytes;
    }

    /// The bytes of a run of contiguous pixels.
    [[nodiscard]] std::size_t byte_count(std::int64_t pixels) const {
        return static_cast<std::size_t>(pixels * pixel_stride_bytes);
    }

    /// True if rows have no gaps between their pixels.
    [[nodiscard]] bool contiguous() const { return pixel_stride_bytes == codec.layout->bytes; }
};

} // namespace coldbrick::paint
