/// @file
/// The pixel rules, pixel by pixel: slow, obvious decisions written from docs/pixel-rules.md, which share no
/// code with the library.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/line.hpp>

#include <algorithm>
#include <cstdint>

namespace coldbrick::test::rules {

__extension__ using Wide = __int128;

constexpr Wide absolute(Wide value) {
    return value < 0 ? -value : value;
}

/// Width-1 lines: on the longer axis from end to end, the nearest pixel on the other, halves to the larger.
inline bool on_line(const Line& line, std::int64_t x, std::int64_t y) {
    Wide along = Wide{line.to.x} - line.from.x;
    Wide across = Wide{line.to.y} - line.from.y;
    Wide along_pixel = Wide{x} - line.from.x;
    Wide across_pixel = Wide{y} - line.from.y;
    if (absolute(across) > absolute(along)) {
        std::swap(along, across);
        std::swap(along_pixel, across_pixel);
    }
    if (along < 0) { // look from the other end's side, so that inequalities can be multiplied by it
        along = -along;
        along_pixel = -along_pixel;
    }
    if (along == 0) return along_pixel == 0 && across_pixel == 0;
    if (along_pixel < 0 || along_pixel > along) return false;
    // across_pixel == floor(along_pixel * across / along + 1/2)
    const Wide doubled_ideal = 2 * along_pixel * across + along;
    return 2 * along * across_pixel <= doubled_ideal && doubled_ideal < 2 * along * (across_pixel + 1);
}

/// A box, filled: both ends included on each axis.
inline bool in_box(const Box& box, std::int64_t x, std::int64_t y) {
    return box.x <= x && x <= box.x + box.width - 1 && box.y <= y && y <= box.y + box.height - 1;
}

/// A box's stroke: grown by floor((w - 1) / 2) without shrunk by floor(w / 2) + 1.
inline bool on_box(const Box& box, std::int64_t width, std::int64_t x, std::int64_t y) {
    if (box.width == 0 || box.height == 0) return false;
    const auto grown = [&box](std::int64_t by) {
        return Box{box.x - by, box.y - by, box.width + 2 * by, box.height + 2 * by};
    };
    return in_box(grown((width - 1) / 2), x, y) && !in_box(grown(-(width / 2 + 1)), x, y);
}

/// A circle's outline: on each column and each row that the curve meets, the pixel nearest to each crossing.
inline bool on_circle(const Circle& circle, std::int64_t x, std::int64_t y) {
    const Wide across = absolute(Wide{x} - circle.centre.x);
    const Wide down = absolute(Wide{y} - circle.centre.y);
    const Wide radius = circle.radius;
    // `near` is nearest to sqrt(r^2 - far^2): (near - 1/2)^2 <= r^2 - far^2 < (near + 1/2)^2, halves
    // outwards.
    const auto nearest = [radius](Wide far, Wide near) {
        const Wide crossing = 4 * (radius * radius - far * far);
        if (crossing < 0) return false;
        return (near == 0 || (2 * near - 1) * (2 * near - 1) <= crossing) &&
               crossing < (2 * near + 1) * (2 * near + 1);
    };
    return nearest(across, down) || nearest(down, across);
}

/// A filled circle: the outline and what it encloses. A pixel that is enclosed lies within the ideal curve,
/// for the outline has a pixel on every row on either side.
inline bool in_circle(const Circle& circle, std::int64_t x, std::int64_t y) {
    const Wide across = Wide{x} - circle.centre.x;
    const Wide down = Wide{y} - circle.centre.y;
    return across * across + down * down <= Wide{circle.radius} * circle.radius || on_circle(circle, x, y);
}

/// A circle's stroke of width 2 and up: r - w/2 <= d < r + w/2.
inline bool on_circle(const Circle& circle, std::int64_t width, std::int64_t x, std::int64_t y) {
    if (width == 1) return on_circle(circle, x, y);
    const Wide across = Wide{x} - circle.centre.x;
    const Wide down = Wide{y} - circle.centre.y;
    const Wide distance = 4 * (across * across + down * down);
    const Wide inner = 2 * Wide{circle.radius} - width;
    const Wide outer = 2 * Wide{circle.radius} + width;
    return (inner <= 0 || inner * inner <= distance) && distance < outer * outer;
}

} // namespace coldbrick::test::rules
