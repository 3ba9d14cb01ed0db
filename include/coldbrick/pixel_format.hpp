/// @file
/// How a pixel's channels lie in memory.
#pragma once

#include <array>       // the table of formats
#include <cstddef>     // its index
#include <cstdint>     // the enumerations' underlying type
#include <string_view> // formats have names

namespace [[gnu::visibility("default")]] coldbrick {

/// The format of a buffer's pixels, named by its channels in the order of their bytes in memory. Alpha is
/// straight: red, green and blue are not multiplied by it. Channels of 16 and 32 bits are in the machine's
/// own byte order; none need to be aligned.
enum class PixelFormat : std::uint8_t {
    gray8,  ///< one byte of brightness: 0 is black, 255 is white
    gray16, ///< two bytes of brightness, 0..65535
    graya8, ///< gray, alpha
    rgb8,
    bgr8,
    rgba8,
    bgra8,
    argb8,
    abgr8,
    rgb16,    ///< two bytes a channel, 0..65535
    rgba16,   ///< two bytes a channel, 0..65535
    rgb565,   ///< two bytes, one number: red in the upper 5 bits, green in 6, blue in the lower 5
    indexed8, ///< one byte: the number of an entry of the buffer's palette
    gray32f,  ///< one float of brightness, 0..1
    rgba32f,  ///< four floats, 0..1
};

/// One row of the table of pixel formats: everything the library knows of one.
struct PixelLayout {
    static constexpr int none = -1; ///< the offset of a channel that is not there

    /// What a pixel is made of.
    enum class Kind : std::uint8_t {
        bytes,  ///< channels of 8 bits
        words,  ///< channels of 16 bits
        floats, ///< channels that are floats
        packed, ///< 5, 6 and 5 bits of one number
        index,  ///< the number of a palette's entry
    };

    std::string_view name;
    Kind kind;
    int bytes; ///< bytes a pixel
    int red;   ///< offset of the channel's first byte in the pixel, or none (-1)
    int green;
    int blue;
    int alpha;
    int gray;

    /// True if pixels can be see-through; those of a palette can.
    [[nodiscard]] constexpr bool has_alpha() const { return alpha != none || kind == Kind::index; }
    [[nodiscard]] constexpr bool is_gray() const { return gray != none; }

    /// True if a channel has more than 8 bits.
    [[nodiscard]] constexpr bool is_deep() const { return kind == Kind::words || kind == Kind::floats; }

    /// How many bytes a channel takes; 0 where channels share bytes.
    [[nodiscard]] constexpr int channel_bytes() const {
        return kind == Kind::bytes ? 1 : kind == Kind::words ? 2 : kind == Kind::floats ? 4 : 0;
    }
};

/// The table, in the order of the enumeration: name, kind, bytes, offsets of red, green, blue, alpha and
/// gray.
inline constexpr std::array<PixelLayout, 15> pixel_layouts{{
    {"gray8", PixelLayout::Kind::bytes, 1, -1, -1, -1, -1, 0},
    {"gray16", PixelLayout::Kind::words, 2, -1, -1, -1, -1, 0},
    {"graya8", PixelLayout::Kind::bytes, 2, -1, -1, -1, 1, 0},
    {"rgb8", PixelLayout::Kind::bytes, 3, 0, 1, 2, -1, -1},
    {"bgr8", PixelLayout::Kind::bytes, 3, 2, 1, 0, -1, -1},
    {"rgba8", PixelLayout::Kind::bytes, 4, 0, 1, 2, 3, -1},
    {"bgra8", PixelLayout::Kind::bytes, 4, 2, 1, 0, 3, -1},
    {"argb8", PixelLayout::Kind::bytes, 4, 1, 2, 3, 0, -1},
    {"abgr8", PixelLayout::Kind::bytes, 4, 3, 2, 1, 0, -1},
    {"rgb16", PixelLayout::Kind::words, 6, 0, 2, 4, -1, -1},
    {"rgba16", PixelLayout::Kind::words, 8, 0, 2, 4, 6, -1},
    {"rgb565", PixelLayout::Kind::packed, 2, -1, -1, -1, -1, -1},
    {"indexed8", PixelLayout::Kind::index, 1, -1, -1, -1, -1, -1},
    {"gray32f", PixelLayout::Kind::floats, 4, -1, -1, -1, -1, 0},
    {"rgba32f", PixelLayout::Kind::floats, 16, 0, 4, 8, 12, -1},
}};

namespace detail {
[[noreturn]] void throw_unknown_format(std::size_t number);
}

/// The format's row of the table. @throws ArgumentError if the number is none of the enumeration's.
[[nodiscard]] constexpr const PixelLayout& layout(PixelFormat format) {
    const auto number = static_cast<std::size_t>(format);
    if (number >= pixel_layouts.size()) detail::throw_unknown_format(number);
    return pixel_layouts[number];
}

namespace detail {

/// True if the rows are in the order of the enumeration, and each of a pixel's bytes belongs to one channel,
/// or to none where channels share them.
constexpr bool layouts_are_complete() {
    constexpr std::string_view names[] = {"gray8",  "gray16", "graya8",   "rgb8",    "bgr8",
                                          "rgba8",  "bgra8",  "argb8",    "abgr8",   "rgb16",
                                          "rgba16", "rgb565", "indexed8", "gray32f", "rgba32f"};
    for (std::size_t i = 0; i < pixel_layouts.size(); ++i) {
        const PixelLayout& pixel = pixel_layouts[i];
        if (pixel.name != names[i]) return false;
        const int channel = pixel.channel_bytes();
        int covered = 0;
        for (const int offset : {pixel.red, pixel.green, pixel.blue, pixel.alpha, pixel.gray}) {
            if (offset == PixelLayout::none) continue;
            if (channel == 0 || offset % channel != 0 || offset + channel > pixel.bytes) return false;
            covered += channel;
        }
        if (channel != 0 && covered != pixel.bytes) return false;
    }
    return sizeof names / sizeof names[0] == pixel_layouts.size() &&
           static_cast<std::size_t>(PixelFormat::rgba32f) + 1 == pixel_layouts.size();
}

} // namespace detail

static_assert(detail::layouts_are_complete() && layout(PixelFormat::rgb565).name == "rgb565" &&
              layout(PixelFormat::gray32f).name == "gray32f");

} // namespace coldbrick
