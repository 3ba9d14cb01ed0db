#include "paint/writers/simd_rows.hpp"

#include "base/contract.hpp"
#include "paint/blending/composite_colour.hpp"
#include "paint/blending/mixed_bytes.hpp"
#include "paint/writers/cpu_features.hpp"

#include <cstring>
#include <vector>

#if defined(__x86_64__) && !defined(COLDBRICK_WIDE_EVERYWHERE)
#include <immintrin.h>
#endif

namespace coldbrick::paint {

namespace {

// Four pixels of four bytes.
using Bytes [[gnu::vector_size(16)]] = std::uint8_t;
using Lanes [[gnu::vector_size(16)]] = std::uint16_t;
constexpr std::uint8_t none = 128; // no place in a vector: PSHUFB writes 0 where an index has its top bit set

Bytes vector_of(const std::array<std::uint8_t, 16>& bytes) {
    Bytes result;
    std::memcpy(&result, bytes.data(), sizeof result);
    return result;
}

/// Bytes of a vector in another order; those at places from 128 on are 0.
COLDBRICK_WIDE [[gnu::always_inline]] inline Bytes reordered(const Bytes& bytes, const Bytes& order) {
#if defined(__x86_64__) && !defined(COLDBRICK_WIDE_EVERYWHERE)
    return reinterpret_cast<Bytes>(
        _mm_shuffle_epi8(reinterpret_cast<__m128i>(bytes), reinterpret_cast<__m128i>(order)));
#else
    Bytes result;
    for (std::size_t i = 0; i < sizeof result; ++i)
        result[i] = order[i] < none ? bytes[order[i]] : std::uint8_t{0};
    return result;
#endif
}

/// Four pixels of three or four bytes; of those of three, what follows them is read along.
[[gnu::always_inline]] inline Bytes read(const std::byte* at) {
    Bytes result;
    std::memcpy(&result, at, sizeof result);
    return result;
}

/// How many pixels must be left so that a whole vector can be read.
template <std::size_t Each>
constexpr std::size_t pixels_needed = Each == 3 ? 6 : 4;

template <std::size_t Each>
[[gnu::always_inline]] inline void write(std::byte* at, const Bytes& bytes) {
    std::memcpy(at, &bytes, 4 * Each);
}

/// The orders that spread four pixels of a layout to colours in the target's order, and back.
struct Orders {
    std::array<std::uint8_t, 16> colours{}; ///< from colours: their bytes where the pixels have them
    std::array<std::uint8_t, 16> alphas{};  ///< from colours: their alpha, for each byte
    std::array<std::uint8_t, 16> spread{};  ///< from pixels of three bytes to four and back
    std::array<std::uint8_t, 16> packed{};
    std::array<std::uint8_t, 16> alpha{}; ///< 255 where the pixels' alpha lies, or the fourth byte

    explicit Orders(const PixelLayout& layout) {
        const auto bytes = static_cast<std::size_t>(layout.bytes);
        const auto alpha_at = static_cast<std::size_t>(layout.alpha == PixelLayout::none ? 3 : layout.alpha);
        for (std::size_t i = 0; i < 16; ++i) {
            const std::size_t pixel = i / 4;
            const std::size_t byte = i % 4;
            const std::size_t channel = byte == static_cast<std::size_t>(layout.red)     ? 0
                                        : byte == static_cast<std::size_t>(layout.green) ? 1
                                        : byte == static_cast<std::size_t>(layout.blue)  ? 2
                                                                                         : 3;
            colours[i] = static_cast<std::uint8_t>(channel == 3 ? none : 4 * pixel + channel);
            alphas[i] = static_cast<std::uint8_t>(4 * pixel + 3);
            spread[i] = static_cast<std::uint8_t>(byte < bytes ? bytes * pixel + byte : none);
            packed[i] = static_cast<std::uint8_t>(i < 4 * bytes ? 4 * (i / bytes) + i % bytes : none);
            alpha[i] = byte == alpha_at ? 255 : 0;
        }
    }
};

bool has_the_same_bytes(const PixelLayout& a, const PixelLayout& b) {
    return a.kind == b.kind && a.bytes == b.bytes && a.red == b.red && a.green == b.green &&
           a.blue == b.blue && a.alpha == b.alpha;
}

/// The orders of a layout, made once for all.
const Orders& orders_of(const PixelLayout& wanted) {
    constexpr std::size_t formats = pixel_layouts.size();
    static const std::vector<Orders> table = [] {
        std::vector<Orders> result;
        for (std::size_t i = 0; i < formats; ++i) result.emplace_back(layout(static_cast<PixelFormat>(i)));
        return result;
    }();
    std::size_t format = 0;
    while (format < formats && !has_the_same_bytes(pixel_layouts[format], wanted)) ++format;
    COLDBRICK_ENSURE(format < formats);
    return table[format];
}

/// Shuffles the whole fours of pixels; returns how many that were.
template <std::size_t From, std::size_t To>
COLDBRICK_WIDE std::size_t shuffle_fours(const std::byte* from, std::byte* to, std::size_t pixels,
                                         const Bytes& order, const Bytes& opaque) {
    std::size_t done = 0;
    for (; done + pixels_needed<From> <= pixels; done += 4)
        write<To>(to + done * To, reordered(read(from + done * From), order) | opaque);
    return done;
}

/// Composites colours one by one, whatever is there.
void composite_singly(std::span<const Colour> colours, std::byte* pixel, const Codec& codec) {
    for (const Colour& colour : colours) {
        codec.encode(source_over(colour, codec.decode<Colour>(pixel)), pixel);
        pixel += codec.layout->bytes;
    }
}

bool are_opaque(std::span<const Colour> colours) {
    if (!colours.empty() && colours[0].alpha != 255) return false; // most others are told by the first
    std::uint8_t all = 255;
    for (const Colour& colour : colours) all &= colour.alpha;
    return all == 255;
}

/// Writes the whole fours of opaque colours; returns how many that were.
template <std::size_t Each>
COLDBRICK_WIDE std::size_t write_fours(std::span<const Colour> colours, std::byte* pixels,
                                       const Codec& codec) {
    const Orders& orders = orders_of(*codec.layout);
    const Bytes colour_order = vector_of(orders.colours);
    const Bytes packed = vector_of(orders.packed);
    const Bytes alpha = vector_of(orders.alpha);
    std::size_t done = 0;
    for (; done + 4 <= colours.size(); done += 4, pixels += 4 * Each) {
        const Bytes source =
            reordered(read(reinterpret_cast<const std::byte*>(&colours[done])), colour_order) | alpha;
        write<Each>(pixels, Each == 3 ? reordered(source, packed) : source);
    }
    return done;
}

/// Composites the whole fours of colours; returns how many that were.
template <std::size_t Each>
COLDBRICK_WIDE std::size_t composite_fours(std::span<const Colour> colours, std::byte* pixels,
                                           const Codec& codec) {
    const Orders& orders = orders_of(*codec.layout);
    const Bytes colour_order = vector_of(orders.colours);
    const Bytes alpha_order = vector_of(orders.alphas);
    const Bytes spread = vector_of(orders.spread);
    const Bytes packed = vector_of(orders.packed);
    const Bytes alpha = vector_of(orders.alpha);
    std::size_t done = 0;
    for (; done + pixels_needed<Each> <= colours.size(); done += 4, pixels += 4 * Each) {
        Bytes source;
        std::memcpy(&source, &colours[done], sizeof source);
        Bytes backdrop = read(pixels);
        if (Each == 3) backdrop = reordered(backdrop, spread) | alpha;
        std::array<std::uint64_t, 2> missing;
        const Bytes not_opaque = ~backdrop & alpha;
        std::memcpy(missing.data(), &not_opaque, sizeof missing);
        if ((missing[0] | missing[1]) != 0) {
            composite_singly(colours.subspan(done, 4), pixels, codec);
            continue;
        }
        const auto over = reinterpret_cast<Lanes>(reordered(source, colour_order) | alpha);
        const auto share = reinterpret_cast<Lanes>(reordered(source, alpha_order));
        const auto under = reinterpret_cast<Lanes>(backdrop);
        const Lanes alphas = share & 255;
        auto result = reinterpret_cast<Bytes>(ByteShare<Lanes>::of(over, alphas).with(under, 255 - alphas));
        if (Each == 3) result = reordered(result, packed);
        write<Each>(pixels, result);
    }
    return done;
}

} // namespace

bool has_byte_colours(const PixelLayout& layout) {
    return layout.kind == PixelLayout::Kind::bytes && !layout.is_gray();
}

Shuffle::Shuffle(const PixelLayout& from, const PixelLayout& to)
    : from_bytes_(static_cast<std::size_t>(from.bytes)), to_bytes_(static_cast<std::size_t>(to.bytes)) {
    const auto source = [&](std::size_t byte) {
        const auto at = static_cast<int>(byte);
        return at == to.red ? from.red : at == to.green ? from.green : at == to.blue ? from.blue : from.alpha;
    };
    for (std::size_t i = 0; i < 4 * to_bytes_; ++i) {
        const int offset = source(i % to_bytes_);
        const bool missing = offset == PixelLayout::none;
        order_[i] =
            missing
                ? none
                : static_cast<std::uint8_t>(i / to_bytes_ * from_bytes_ + static_cast<std::size_t>(offset));
        opaque_[i] = missing ? 255 : 0;
    }
}

void Shuffle::row(const std::byte* from, std::byte* to, std::size_t pixels) const {
    const auto fours = from_bytes_ == 4 ? (to_bytes_ == 4 ? shuffle_fours<4, 4> : shuffle_fours<4, 3>)
                                        : (to_bytes_ == 4 ? shuffle_fours<3, 4> : shuffle_fours<3, 3>);
    std::size_t done = wide_vectors() ? fours(from, to, pixels, vector_of(order_), vector_of(opaque_)) : 0;
    for (; done < pixels; ++done)
        for (std::size_t i = 0; i < to_bytes_; ++i)
            to[done * to_bytes_ + i] =
                order_[i] == none ? std::byte{255} : from[done * from_bytes_ + order_[i]];
}

void composite_over_row(std::span<const Colour> colours, std::byte* pixels, const Codec& codec) {
    const auto bytes = static_cast<std::size_t>(codec.layout->bytes);
    std::size_t done = 0;
    if (wide_vectors() && are_opaque(colours))
        done = bytes == 4 ? write_fours<4>(colours, pixels, codec) : write_fours<3>(colours, pixels, codec);
    else if (wide_vectors())
        done = bytes == 4 ? composite_fours<4>(colours, pixels, codec)
                          : composite_fours<3>(colours, pixels, codec);
    composite_singly(colours.subspan(done), pixels + done * bytes, codec);
}

} // namespace coldbrick::paint
