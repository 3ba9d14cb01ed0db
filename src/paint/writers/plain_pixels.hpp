/// @file
/// Pixels that are replaced by the same bytes, one by one or in short runs.
#pragma once

#include "paint/formats/channel_depth.hpp"
#include "paint/writers/run_writer.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/pixel_format.hpp>

#include <array>
#include <bit>
#include <cstddef>
#include <cstdint>
#include <cstring>

namespace coldbrick::paint {

/// How an opaque colour becomes a pixel of a format whose channels are bytes: worked out from the table of
/// formats once, so that a draw call puts a pixel together without asking what channels there are.
struct alignas(32) PlainLayout {
    std::uint8_t bytes = 0; ///< a pixel's; 0 for formats whose channels are not bytes
    bool is_colour = false; ///< the bytes of a Colour, or the first ones of them, are a pixel
    bool is_gray = false;
    std::array<std::uint8_t, 4> shifts{}; ///< of red or gray, green, blue and alpha, in bits
    std::uint64_t mask = 0;               ///< the bits of a pixel
    std::uint64_t repeat = 0;             ///< times a pixel, it is eight bytes of equal pixels

    static constexpr PlainLayout of(const PixelLayout& layout) {
        if (layout.kind != PixelLayout::Kind::bytes) return {};
        const auto shift = [&](int offset) { // what is not there lands beyond the pixel
            return static_cast<std::uint8_t>(8 * (offset == PixelLayout::none ? layout.bytes : offset));
        };
        const bool is_colour = layout.red == 0 && layout.green == 1 && layout.blue == 2;
        PlainLayout result{static_cast<std::uint8_t>(layout.bytes),
                           is_colour,
                           layout.is_gray(),
                           {shift(layout.is_gray() ? layout.gray : layout.red), shift(layout.green),
                            shift(layout.blue), shift(layout.alpha)}};
        result.mask = (std::uint64_t{1} << (8 * layout.bytes)) - 1;
        for (int at = 0; at < 64; at += 8 * layout.bytes) result.repeat |= std::uint64_t{1} << at;
        return result;
    }

    /// Eight bytes of pixels of the colour.
    [[nodiscard, gnu::always_inline]] std::uint64_t word(const Colour& colour) const {
        return ((is_colour ? std::bit_cast<std::uint32_t>(colour) : put_together(colour)) & mask) * repeat;
    }

    /// The bits of alphas in eight bytes of pixels; none where a format has no alpha.
    [[nodiscard]] std::uint64_t alpha_bits() const {
        return ((std::uint64_t{255} << shifts[3]) & mask) * repeat;
    }

  private:
    [[nodiscard]] std::uint64_t put_together(const Colour& colour) const {
        const std::uint64_t opaque = is_gray ? std::uint64_t{gray_of(colour)} << shifts[0]
                                             : std::uint64_t{colour.red} << shifts[0] |
                                                   std::uint64_t{colour.green} << shifts[1] |
                                                   std::uint64_t{colour.blue} << shifts[2];
        return opaque | std::uint64_t{colour.alpha} << shifts[3];
    }
};

/// In the order of the formats.
inline constexpr auto plain_layouts = [] {
    std::array<PlainLayout, pixel_layouts.size()> result;
    for (std::size_t i = 0; i < result.size(); ++i) result[i] = PlainLayout::of(pixel_layouts[i]);
    return result;
}();

/// Where pixels of up to four bytes lie, and what they are replaced by. Pixel (x, y) begins at
/// origin + y * row_stride_bytes + x * pixel_stride_bytes.
struct PlainPixels {
    std::byte* origin = nullptr;
    std::ptrdiff_t row_stride_bytes = 0;
    std::ptrdiff_t pixel_stride_bytes = 0;
    std::ptrdiff_t bytes = 0; ///< a pixel's, 1..4; 0 if there are no such pixels
    std::uint64_t word = 0;   ///< eight bytes of equal pixels

    [[nodiscard]] std::byte* address(std::int64_t x, std::int64_t y) const {
        return origin + y * row_stride_bytes + x * pixel_stride_bytes;
    }

    /// True if rows have no gaps between their pixels.
    [[nodiscard]] bool contiguous() const { return pixel_stride_bytes == bytes; }
};

/// Writes pixels of a size that is known when compiling.
template <std::size_t Bytes>
struct PixelWriter {
    std::uint64_t pixel;

    void operator()(std::byte* at) const { std::memcpy(at, &pixel, Bytes); }
};

/// Calls write_all(writer) with the writer for pixels of this size.
template <class WriteAll>
[[gnu::always_inline]] inline void with_pixel_writer(const PlainPixels& pixels, const WriteAll& write_all) {
    if (pixels.bytes == 4) return write_all(PixelWriter<4>{pixels.word});
    if (pixels.bytes == 3) return write_all(PixelWriter<3>{pixels.word});
    if (pixels.bytes == 1) return write_all(PixelWriter<1>{pixels.word});
    write_all(PixelWriter<2>{pixels.word});
}

/// Calls write_all(writer) with a writer for short runs of contiguous pixels, with what every processor has.
template <class WriteAll>
[[gnu::always_inline]] inline void with_run_writer(const PlainPixels& pixels, const WriteAll& write_all) {
    if (pixels.bytes != 3) return write_all(WordRunWriter<16>(pixels.word));
    const RepeatedPixel pattern({pixels.word & 0xFFFFFF, 0}, 3);
    write_all(RunWriter<16>(pattern));
}

} // namespace coldbrick::paint
