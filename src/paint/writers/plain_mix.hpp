/// @file
/// Pixels that one see-through colour is mixed with, one by one or in short runs.
#pragma once

#include "paint/blending/mixed_bytes.hpp"
#include "paint/formats/pixel_codec.hpp"
#include "paint/writers/plain_pixels.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/pixel_format.hpp>

#include <cstddef>
#include <cstdint>
#include <cstring>

namespace coldbrick::paint {

/// Where pixels of up to four bytes lie, and what is mixed with them. They are no PlainPixels: shapes whose
/// steps come to a pixel twice must not take them.
class PlainMix : private PlainPixels {
  public:
    /// No pixels.
    PlainMix() = default;

    /// @param pixels with the colour made opaque
    /// @param colour with alpha 1..254
    /// @param format one whose channels are bytes
    PlainMix(const PlainPixels& pixels, const PlainLayout& plain, const Colour& colour, PixelFormat format)
        : PlainPixels(pixels), alphas_(plain.alpha_bits()),
          share_(ByteShare<std::uint64_t>::of(word, colour.alpha)), keep_(255U - colour.alpha),
          colour_(colour), format_(format) {}

    using PlainPixels::address;
    using PlainPixels::bytes;
    using PlainPixels::contiguous;
    using PlainPixels::pixel_stride_bytes;
    using PlainPixels::row_stride_bytes;

    /// Mixes the colour with the Count bytes from `at` on, whole pixels of Bytes each.
    template <std::size_t Bytes, std::size_t Count>
    [[gnu::always_inline]] void mix(std::byte* at) const {
        std::uint64_t backdrop = 0;
        std::memcpy(&backdrop, at, Count);
        constexpr std::uint64_t read = ~std::uint64_t{0} >> (64 - 8 * Count);
        if ((~backdrop & alphas_ & read) != 0) return mix_seen_through(at, Count);
        const std::uint64_t result = share_.with(backdrop, keep_);
        std::memcpy(at, &result, Count);
    }

    /// The same with 16 bytes, of pixels of a size that divides them.
    template <std::size_t Bytes>
    [[gnu::always_inline]] void mix_many(std::byte* at) const {
        const auto lanes = [](std::uint64_t both) __attribute__((always_inline)) {
            return reinterpret_cast<Lanes>(Words{both, both});
        };
        Lanes backdrop;
        std::memcpy(&backdrop, at, sizeof backdrop);
        const auto missing = reinterpret_cast<Words>(~backdrop & lanes(alphas_));
        if ((missing[0] | missing[1]) != 0) return mix_seen_through(at, sizeof backdrop);
        const ByteShare<Lanes> share{lanes(share_.even), lanes(share_.odd)};
        const Lanes result = share.with(backdrop, Lanes{} + static_cast<std::uint16_t>(keep_));
        std::memcpy(at, &result, sizeof result);
    }

  private:
    using Lanes [[gnu::vector_size(16)]] = std::uint16_t;
    using Words [[gnu::vector_size(16)]] = std::uint64_t;

    [[gnu::noinline]] void mix_seen_through(std::byte* at, std::size_t count) const {
        mix_singly(colour_, at, count, {&pixel_layouts[static_cast<std::size_t>(format_)], nullptr});
    }

    std::uint64_t alphas_ = 0; ///< the bits of alphas in eight bytes
    ByteShare<std::uint64_t> share_{};
    std::uint64_t keep_ = 0;
    Colour colour_;
    PixelFormat format_{};
};

/// Mixes with pixels of a size that is known when compiling.
template <std::size_t Bytes>
class MixWriter {
  public:
    explicit MixWriter(const PlainMix& mix) : mix_(mix) {}

    [[gnu::always_inline]] void operator()(std::byte* at) const { mix_.mix<Bytes, Bytes>(at); }

    /// Mixes with whole pixels over [begin, begin + count), count in bytes, from each place on, but with
    /// those of a place that is like the first one only once.
    template <std::size_t Count>
    [[gnu::always_inline]] void write(const Places<Count>& places, std::size_t count) const {
        write_run(places[0], count);
        for (std::size_t i = 1; i < Count; ++i)
            if (places[i] != places[0]) write_run(places[i], count);
    }

    /// The same on each of some rows, from a place on the first one on.
    [[gnu::always_inline]] void write_rows(std::byte* at, std::ptrdiff_t row_stride, std::int64_t rows,
                                           std::size_t count) const {
        for (; rows > 0; --rows, at += row_stride) write_run(at, count);
    }

  private:
    [[gnu::always_inline]] void write_run(std::byte* at, std::size_t count) const {
        constexpr std::size_t many = Bytes == 3 ? 6 : 8;
        if constexpr (Bytes != 3)
            for (; count >= 16; count -= 16, at += 16) mix_.template mix_many<Bytes>(at);
        if (count == 0) return; // before what the rest needs is made ready
        for (; count >= many; count -= many, at += many) mix_.mix<Bytes, many>(at);
        for (; count > 0; count -= Bytes, at += Bytes) mix_.mix<Bytes, Bytes>(at);
    }

    PlainMix mix_; // a copy: what is written may alias it
};

/// Calls write_all(writer) with the writer for pixels of this size.
template <class WriteAll>
[[gnu::always_inline]] inline void with_pixel_writer(const PlainMix& pixels, const WriteAll& write_all) {
    if (pixels.bytes == 4) return write_all(MixWriter<4>(pixels));
    if (pixels.bytes == 3) return write_all(MixWriter<3>(pixels));
    if (pixels.bytes == 1) return write_all(MixWriter<1>(pixels));
    write_all(MixWriter<2>(pixels));
}

/// The same writers take runs, too.
template <class WriteAll>
[[gnu::always_inline]] inline void with_run_writer(const PlainMix& pixels, const WriteAll& write_all) {
    with_pixel_writer(pixels, write_all);
}

} // namespace coldbrick::paint
