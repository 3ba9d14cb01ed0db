/// @file
/// What can be made and told of colours: mixtures, contrasts, series.
#pragma once

#include <coldbrick/colour.hpp>

#include <cstddef> // numbers of colours
#include <cstdint> // seeds
#include <vector>  // series of colours

namespace [[gnu::visibility("default")]] coldbrick {

/// Between two colours: `share` 0 is the first, 1 the second; each channel in proportion, rounded.
/// @throws ArgumentError if the share is not in 0..1; likewise below.
[[nodiscard]] Colour mix(const Colour& first, const Colour& second, double share = 0.5);

/// The colour on its way to white (lighter) or black (darker), alpha kept: at 0 as it is, at 1 there.
[[nodiscard]] Colour lighter(const Colour& colour, double share);
[[nodiscard]] Colour darker(const Colour& colour, double share);

/// The relative luminance, 0 (black) to 1 (white), whatever the alpha, as the W3C recommendation Web Content
/// Accessibility Guidelines 2.2 defines it.
[[nodiscard]] double luminance(const Colour& colour);

/// The contrast ratio of the same recommendation, 1 (none) to 21 (black and white).
[[nodiscard]] double contrast(const Colour& a, const Colour& b);

/// A source of random opaque colours: the same seed gives the same colours, on every machine. The numbers are
/// those of SplitMix64 (Steele, Lea, Flood, "Fast Splittable Pseudorandom Number Generators", OOPSLA 2014).
class RandomColours {
  public:
    explicit constexpr RandomColours(std::uint64_t seed) : state_(seed) {}

    /// The next colour; all 2^24 are as likely.
    [[nodiscard]] Colour next();

  private:
    std::uint64_t state_;
};

/// Colours for `count` classes: hues evenly around the circle, in two lightnesses in turns from 7 on. The
/// seed turns the circle.
/// @param count 1..256
/// @throws ArgumentError outside that range.
[[nodiscard]] std::vector<Colour> distinct_colours(std::size_t count, std::uint64_t seed = 0);

} // namespace coldbrick
