#include "paint/patterns/gradient_rows.hpp"

#include "paint/blending/reals.hpp"
#include "paint/writers/cpu_features.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <concepts>
#include <cstddef>
#include <cstring>

namespace coldbrick::paint {

namespace {

/// How many colours are worked out at a time at most, in whole blocks.
constexpr std::size_t most_at_a_time = 256;
constexpr std::size_t block = 32;
constexpr std::size_t in_whole_blocks(std::size_t count) {
    return (count + block - 1) / block * block;
}
using PlacesInFloats = std::array<float, most_at_a_time>;

// The places of a row's pixels along a gradient. Those of fill() are floats that are off by less than 2^-21
// where they are 0..1.

class LinearPlaces {
  public:
    LinearPlaces(const LinearGradient& gradient, std::int64_t x, std::int64_t y)
        : from_x_(x - gradient.from.x),
          along_x_(static_cast<double>(std::int64_t{gradient.to.x} - gradient.from.x)) {
        const auto along_y = static_cast<double>(std::int64_t{gradient.to.y} - gradient.from.y);
        square_ = along_x_ * along_x_ + along_y * along_y;
        down_ = static_cast<double>(y - gradient.from.y) * along_y;
    }

    [[nodiscard]] bool are_all_equal() const { return along_x_ == 0; }

    [[gnu::always_inline]] double operator()(std::int64_t i) const {
        return (static_cast<double>(from_x_ + i) * along_x_ + down_) / square_;
    }

    /// True if the places of [first, last] all lie on one piece.
    [[nodiscard]] bool lie_on(const Ramp::Piece& piece, std::int64_t first, std::int64_t last) const {
        return piece.has((*this)(first)) && piece.has((*this)(last));
    }

    [[gnu::always_inline]] void fill(PlacesInFloats& places, std::int64_t first, std::size_t count) const {
        const auto begin = static_cast<float>((*this)(first));
        const auto step = static_cast<float>(along_x_ / square_);
        for (std::size_t i = 0; i < count; ++i)
            places[i] = begin + static_cast<float>(static_cast<int>(i)) * step;
    }

  private:
    std::int64_t from_x_;
    double along_x_;
    double square_;
    double down_;
};

class RadialPlaces {
  public:
    RadialPlaces(const RadialGradient& gradient, std::int64_t x, std::int64_t y)
        : from_x_(x - gradient.centre.x), down_(static_cast<double>(y - gradient.centre.y)),
          radius_(gradient.radius) {}

    [[gnu::always_inline]] double operator()(std::int64_t i) const {
        const auto across = static_cast<double>(from_x_ + i);
        return std::sqrt(across * across + down_ * down_) / radius_;
    }

    [[nodiscard]] bool lie_on(const Ramp::Piece& piece, std::int64_t first, std::int64_t last) const {
        const std::int64_t nearest = std::clamp(-from_x_, first, last);
        return piece.has((*this)(first)) && piece.has((*this)(nearest)) && piece.has((*this)(last));
    }

    [[gnu::always_inline]] void fill(PlacesInFloats& places, std::int64_t first, std::size_t count) const {
        const auto begin = static_cast<float>(from_x_ + first);
        const auto square = static_cast<float>(down_ * down_);
        const auto scale = static_cast<float>(1 / radius_);
        for (std::size_t i = 0; i < count; ++i) {
            const float across = begin + static_cast<float>(static_cast<int>(i));
            places[i] = std::sqrt(across * across + square) * scale;
        }
    }

  private:
    std::int64_t from_x_;
    double down_;
    double radius_;
};

[[gnu::always_inline]] inline Reals colour_at(const Ramp::Piece& piece, double place) {
    return in_range(reals(piece.colour) + reals(piece.slope) * (place - piece.from));
}

/// A channel along a piece of a ramp in floats, from 0.5 to 255.5: what is below the point is to be cut off.
struct ChannelLine {
    float base;
    float slope;

    ChannelLine(double colour, double change)
        : base(static_cast<float>(colour * 255 + (0.5 + near_half))),
          slope(static_cast<float>(change * 255)) {}
};

/// Fills colours that all lie on one piece, twice: a little below and above what they are. Where the two
/// differ, floats leave it in doubt.
class PieceInFloats {
  public:
    explicit PieceInFloats(const Ramp::Piece& piece)
        : red_(piece.colour.red, piece.slope.red), green_(piece.colour.green, piece.slope.green),
          blue_(piece.colour.blue, piece.slope.blue), alpha_(piece.colour.alpha, piece.slope.alpha),
          from_(static_cast<float>(piece.from)) {
        // Places are off by 2^-21, numbers up to 255 by four times half of their last bit.
        const float steepest = std::max(
            {std::abs(red_.slope), std::abs(green_.slope), std::abs(blue_.slope), std::abs(alpha_.slope)});
        margin_ = steepest * 0x1p-20F + 0x1p-13F;
    }

    /// False of a piece that is so steep that much would be in doubt.
    [[nodiscard]] bool is_gentle() const { return margin_ < 0x1p-7F; }

    using Colours = std::array<std::uint32_t, most_at_a_time>;

    [[gnu::always_inline]] void fill(const PlacesInFloats& places, std::size_t count, Colours& colours,
                                     Colours& other) const {
        if (alpha_.slope == 0)
            fill_all<false>(places, count, colours, other);
        else
            fill_all<true>(places, count, colours, other);
    }

  private:
    template <bool alpha_changes>
    [[gnu::always_inline]] void fill_all(const PlacesInFloats& places, std::size_t count, Colours& colours,
                                         Colours& other) const {
        const PieceInFloats piece = *this; // a copy: what is written may alias it
        const auto same_alpha = static_cast<std::int32_t>(piece.alpha_.base);
        for (std::size_t i = 0; i < count; ++i) {
            const float along = places[i] - piece.from_;
            const auto colour = [&](float margin) __attribute__((always_inline)) {
                const auto channel = [&](const ChannelLine& line) __attribute__((always_inline)) {
                    return static_cast<std::int32_t>(line.slope * along + (line.base + margin));
                };
                const std::int32_t alpha = alpha_changes ? channel(piece.alpha_) : same_alpha;
                return static_cast<std::uint32_t>(channel(piece.red_) | channel(piece.green_) << 8 |
                                                  channel(piece.blue_) << 16 | alpha << 24);
            };
            colours[i] = colour(piece.margin_);
            other[i] = colour(-piece.margin_);
        }
    }

    ChannelLine red_;
    ChannelLine green_;
    ChannelLine blue_;
    ChannelLine alpha_;
    float from_;
    float margin_; ///< more than what floats are off by
};

/// The rule itself, one colour after the other: most lie on the same piece as the one before.
template <class C, class Places>
[[gnu::always_inline]] inline void fill_exactly(const Ramp& ramp, const Places& places, std::int64_t first,
                                                std::span<C> colours) {
    Ramp::Piece piece = ramp.piece_at(places(first));
    for (C& colour : colours) {
        const double place = places(first++);
        if (!piece.has(place)) piece = ramp.piece_at(place);
        colour = to_depth_of<C>(colour_at(piece, place));
    }
}

/// The same for colours of bytes that lie on one piece, in floats, which leave few in doubt.
template <class Places>
[[gnu::always_inline]] inline void fill_piece(const Ramp::Piece& piece, const PieceInFloats& in_floats,
                                              const Places& places, std::int64_t first,
                                              std::span<Colour> colours) {
    PlacesInFloats some_places;
    PieceInFloats::Colours some;
    PieceInFloats::Colours other;
    const std::size_t count = in_whole_blocks(colours.size());
    places.fill(some_places, first, count);
    in_floats.fill(some_places, count, some, other);
    std::memcpy(std::as_writable_bytes(colours).data(), some.data(), colours.size_bytes());
    for (std::size_t begin = 0; begin < colours.size(); begin += block) {
        std::uint32_t doubts = 0; // few blocks have any
        for (std::size_t i = begin; i < begin + block; ++i) doubts |= some[i] ^ other[i];
        const std::size_t end = doubts == 0 ? begin : std::min(begin + block, colours.size());
        for (std::size_t i = begin; i < end; ++i)
            if (some[i] != other[i])
                colours[i] =
                    to_depth_of<Colour>(colour_at(piece, places(first + static_cast<std::int64_t>(i))));
    }
}

/// The same for any colours of bytes.
template <class Places>
[[gnu::always_inline]] inline void fill_bytes(const Ramp& ramp, const Places& places,
                                              std::span<Colour> colours) {
    constexpr std::size_t worth_it = 10;
    Ramp::Piece piece = ramp.piece_at(places(0));
    PieceInFloats in_floats(piece);
    for (std::int64_t first = 0; !colours.empty();) {
        if (!piece.has(places(first))) {
            piece = ramp.piece_at(places(first));
            in_floats = PieceInFloats(piece);
        }
        std::size_t count = std::min(most_at_a_time, colours.size());
        const auto last = [&] { return first + static_cast<std::int64_t>(count) - 1; };
        while (count >= worth_it && !places.lie_on(piece, first, last())) count /= 2;
        const bool in_floats_too = count >= worth_it && in_floats.is_gentle();
        if (count < worth_it) count = std::min(worth_it, colours.size());
        const std::span<Colour> part = colours.first(count);
        if (in_floats_too)
            fill_piece(piece, in_floats, places, first, part);
        else
            fill_exactly(ramp, places, first, part);
        colours = colours.subspan(count);
        first += static_cast<std::int64_t>(count);
    }
}

template <class C, class Places>
[[gnu::always_inline]] inline void fill_gradient_narrow(const Ramp& ramp, const Places& places,
                                                        std::span<C> colours) {
    if constexpr (std::same_as<C, Colour>)
        fill_bytes(ramp, places, colours);
    else
        fill_exactly(ramp, places, 0, colours);
}

/// The same in the registers that the processor has.
template <class C, class Places>
COLDBRICK_WIDE void fill_gradient_wide(const Ramp& ramp, const Places& places, std::span<C> colours) {
    fill_gradient_narrow(ramp, places, colours);
}
template <class C, class Places>
void fill_gradient(const Ramp& ramp, const Places& places, std::span<C> colours) {
    if (colours.empty()) return;
    wide_vectors() ? fill_gradient_wide(ramp, places, colours) : fill_gradient_narrow(ramp, places, colours);
}

} // namespace

template <class C>
void fill_gradient_row(const LinearGradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
                       std::span<C> colours) {
    const LinearPlaces places(gradient, x, y);
    if (!places.are_all_equal()) return fill_gradient(ramp, places, colours);
    fill_gradient(ramp, places, colours.first(std::min<std::size_t>(1, colours.size())));
    if (!colours.empty()) std::ranges::fill(colours, C(colours[0]));
}

template <class C>
void fill_gradient_row(const RadialGradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
                       std::span<C> colours) {
    fill_gradient(ramp, RadialPlaces(gradient, x, y), colours);
}

#define COLDBRICK_INSTANTIATE(G, C)                                                                          \
    template void fill_gradient_row(const G&, const Ramp&, std::int64_t, std::int64_t, std::span<C>);
COLDBRICK_INSTANTIATE(LinearGradient, Colour)
COLDBRICK_INSTANTIATE(LinearGradient, Colour16)
COLDBRICK_INSTANTIATE(LinearGradient, RealColour)
COLDBRICK_INSTANTIATE(RadialGradient, Colour)
COLDBRICK_INSTANTIATE(RadialGradient, Colour16)
COLDBRICK_INSTANTIATE(RadialGradient, RealColour)
#undef COLDBRICK_INSTANTIATE

} // namespace coldbrick::paint
