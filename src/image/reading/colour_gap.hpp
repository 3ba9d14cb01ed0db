/// @file
/// How much colours differ.
#pragma once

#include <coldbrick/colour.hpp>

#include <algorithm>
#include <cstdlib>

namespace coldbrick::image {

/// The channels' differences.
struct ColourGap {
    int red;
    int green;
    int blue;
    int alpha;

    ColourGap(const Colour& a, const Colour& b)
        : red(std::abs(a.red - b.red)), green(std::abs(a.green - b.green)), blue(std::abs(a.blue - b.blue)),
          alpha(std::abs(a.alpha - b.alpha)) {}

    [[nodiscard]] int largest() const { return std::max({red, green, blue, alpha}); }
};

} // namespace coldbrick::image
