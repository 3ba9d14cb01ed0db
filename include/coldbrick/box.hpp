/// @file
/// Rectangles of whole pixels.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // Box holds 64-bit integers

namespace [[gnu::visibility("default")]] coldbrick {

/// A rectangle of whole pixels: a top-left pixel and an extent. It covers the columns [x, x + width) and the
/// rows [y, y + height). A width or height of 0 is an empty box, which draws nothing.
///
/// The members have 64 bits, so that the bounds of any shape with 32-bit coordinates are still a box.
/// Functions that take a box throw ArgumentError where x or y lies outside -2^61..2^61, or where
/// width or height lies outside 0..2^61.
struct Box {
    std::int64_t x = 0;
    std::int64_t y = 0;
    std::int64_t width = 0;
    std::int64_t height = 0;

    /// The box whose two opposite corner pixels, in any order, are these; both belong to it.
    [[nodiscard]] static constexpr Box between(Point corner, Point opposite);

    /// The box of an image of this size: (0, 0) is its top-left pixel.
    [[nodiscard]] static constexpr Box of(Size size) { return {0, 0, size.width, size.height}; }

    /// The column just right of the box: x + width.
    [[nodiscard]] constexpr std::int64_t end_x() const { return x + width; }

    /// The row just below the box: y + height.
    [[nodiscard]] constexpr std::int64_t end_y() const { return y + height; }

    /// True if the box covers no pixel.
    [[nodiscard]] constexpr bool empty() const { return width <= 0 || height <= 0; }

    /// The box itself: what it paints when filled.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel lies in the box.
    [[nodiscard]] constexpr bool contains(Point pixel) const;

    /// The box shrunk by `pixels` on every side; a negative number grows it. Where nothing is left, the
    /// result is an empty box at the centre.
    [[nodiscard]] Box inset(std::int64_t pixels) const;

    /// The pixels that both boxes cover; an empty box if there are none.
    [[nodiscard]] Box intersection(const Box& other) const;

    /// The smallest box around both; an empty one adds nothing.
    [[nodiscard]] Box united(const Box& other) const;

    /// The pixel at an anchor. An empty box answers as if it were one pixel wide or high.
    /// @throws ArgumentError if that pixel lies outside the 32-bit coordinates.
    [[nodiscard]] Point at(Anchor anchor) const;

    /// The centre pixel: at(Anchor::centre).
    [[nodiscard]] Point centre() const { return at(Anchor::centre); }

    /// The box moved to the right by dx and down by dy.
    [[nodiscard]] Box moved(std::int64_t dx, std::int64_t dy) const;

    /// The box moved so that its anchor lies on `position`.
    [[nodiscard]] Box placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const Box&, const Box&) = default;
};

constexpr Box Box::between(Point corner, Point opposite) {
    const std::int64_t left = corner.x < opposite.x ? corner.x : opposite.x;
    const std::int64_t top = corner.y < opposite.y ? corner.y : opposite.y;
    const std::int64_t right = corner.x < opposite.x ? opposite.x : corner.x;
    const std::int64_t bottom = corner.y < opposite.y ? opposite.y : corner.y;
    return {left, top, right - left + 1, bottom - top + 1};
}

constexpr bool Box::contains(Point pixel) const {
    return pixel.x >= x && pixel.x < end_x() && pixel.y >= y && pixel.y < end_y();
}

/// Prints (X, Y) WIDTH x HEIGHT.
std::ostream& operator<<(std::ostream& out, const Box& box);

} // namespace coldbrick
