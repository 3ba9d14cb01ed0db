/// @file
/// The nine named places of a box by which a shape can be placed.
#pragma once

#include <cstdint> // the enumeration's underlying type

namespace [[gnu::visibility("default")]] coldbrick {

/// A named place of a box: one of its corner pixels, the middle pixel of a side, or its centre pixel.
/// Where a side has an even number of pixels, the middle is the one with the smaller coordinate.
enum class Anchor : std::uint8_t {
    top_left,
    top,
    top_right,
    left,
    centre,
    right,
    bottom_left,
    bottom,
    bottom_right,
};

} // namespace coldbrick
