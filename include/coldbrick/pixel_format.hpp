/// @file
/// How a pixel's channels lie in memory.
#pragma once

#include <cstdint>     // the enumeration's underlying type
#include <string_view> // formats have names

namespace coldbrick {

/// The format of a buffer's pixels, named by its channels in the order of their bytes in memory.
enum class PixelFormat : std::uint8_t {
    gray8, ///< one byte of brightness: 0 is black, 255 is white
    rgb8,
    bgr8,
    rgba8, ///< alpha is straight: red, green and blue are not multiplied by it
    bgra8,
};

/// One row of the table of pixel formats: everything the library knows of one.
struct PixelLayout {
    static constexpr std::int8_t none = -1;

    std::string_view name;
    std::int8_t bytes; ///< bytes a pixel
    std::int8_t red;   ///< offset of the channel's byte in the pixel, or none
    std::int8_t green;
    std::int8_t blue;
    std::int8_t alpha;
    std::int8_t gray;

    [[nodiscard]] constexpr bool has_alpha() const { return alpha != none; }
    [[nodiscard]] constexpr bool is_gray() const { return gray != none; }
};

/// The format's row of the table.
[[nodiscard]] const PixelLayout& layout(PixelFormat format);

} // namespace coldbrick
