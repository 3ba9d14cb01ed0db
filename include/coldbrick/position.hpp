/// @file
/// Positions that need not be pixels' centres.
#pragma once

namespace [[gnu::visibility("default")]] coldbrick {

/// A position in pixels: (3, 5) is the centre of pixel (3, 5), (3.5, 5) the middle of its right side.
struct Position {
    double x = 0;
    double y = 0;

    friend constexpr bool operator==(const Position&, const Position&) = default;
};

} // namespace coldbrick
