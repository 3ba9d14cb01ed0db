/// @file
/// How shapes made of points are turned, scaled and mirrored.
#pragma once

#include <cstdint> // the enumeration's underlying type

namespace [[gnu::visibility("default")]] coldbrick {

// Turned, scaled and mirrored points are rounded to the nearest pixel, halves away from the fixed point, so
// that what is symmetric about that point stays so.

/// Which sides change places.
enum class Mirror : std::uint8_t {
    left_right,
    top_bottom,
};

} // namespace coldbrick
