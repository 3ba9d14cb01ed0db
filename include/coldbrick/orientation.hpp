/// @file
/// The eight ways to lay an image.
#pragma once

#include <coldbrick/point.hpp>

namespace [[gnu::visibility("default")]] coldbrick {

/// Mirrored or not, then turned by quarters clockwise.
struct Orientation {
    bool mirrored = false; ///< left and right exchanged, before the turn
    int quarters = 0;      ///< quarter turns clockwise; any number

    /// The size of an image of this size as it is laid.
    [[nodiscard]] constexpr Size laid(Size size) const {
        return quarters % 2 == 0 ? size : Size{size.height, size.width};
    }

    /// Where a pixel of the laid image lies in the image.
    /// @param size the image's, before it is turned
    [[nodiscard]] constexpr Point source(Point laid, Size size) const {
        Point result = laid;
        switch ((quarters % 4 + 4) % 4) {
        case 1: result = {laid.y, size.height - 1 - laid.x}; break;
        case 2: result = {size.width - 1 - laid.x, size.height - 1 - laid.y}; break;
        case 3: result = {size.width - 1 - laid.y, laid.x}; break;
        default: break;
        }
        if (mirrored) result.x = size.width - 1 - result.x;
        return result;
    }

    friend constexpr bool operator==(const Orientation&, const Orientation&) = default;
};

} // namespace coldbrick
