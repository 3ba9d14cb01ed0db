/// @file
/// Sets of pixels.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/span.hpp>
#include <coldbrick/stroke.hpp>

#include <cstdint> // areas of 64 bits
#include <span>    // many regions
#include <vector>  // the spans

namespace [[gnu::visibility("default")]] coldbrick {

/// A set of pixels with 32-bit coordinates, as runs in order: row by row and from left to right, none of
/// which overlap or touch. A value: threads may read one at the same time.
class Region {
  public:
    /// No pixels.
    Region() = default;

    /// The pixels of spans in any order, which may overlap; those that end where they begin or before it are
    /// nothing. n spans take memory for n and time of the order n log n.
    /// @throws ArgumentError if a span ends beyond the last 32-bit column, at more than 2147483648.
    explicit Region(std::vector<Span> spans);

    [[nodiscard]] const std::vector<Span>& spans() const { return spans_; }
    [[nodiscard]] bool empty() const { return spans_.empty(); }

    /// How many pixels there are.
    [[nodiscard]] std::int64_t area() const;

    /// The tight box of the pixels; an empty one if there are none.
    [[nodiscard]] Box bounds() const;

    [[nodiscard]] bool contains(Point pixel) const;

    /// True if the two have at least one pixel in common.
    [[nodiscard]] bool touches(const Region& other) const;

    /// The region moved to the right by dx and down by dy.
    /// @throws ArgumentError if a pixel would leave the 32-bit coordinates.
    [[nodiscard]] Region moved(std::int64_t dx, std::int64_t dy) const;

    /// The region moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved().
    [[nodiscard]] Region placed(Anchor anchor, Point position) const;

    /// The pixels that are in either.
    friend Region operator|(const Region& a, const Region& b);
    /// The pixels that are in both.
    friend Region operator&(const Region& a, const Region& b);
    /// The pixels of the first that are not in the second.
    friend Region operator-(const Region& a, const Region& b);
    /// The pixels that are in one of the two only.
    friend Region operator^(const Region& a, const Region& b);

    friend bool operator==(const Region&, const Region&) = default;

  private:
    std::vector<Span> spans_;
};

/// The pixels that are in any of the regions, in time of the order n log n for n spans: one after the other
/// by `|` would take n^2.
[[nodiscard]] Region united(std::span<const Region> regions);

/// The parts of a region that do not touch each other, not even at corners: the largest first, of equals the
/// higher one, or the one further to the left. Time of the order n log n for n spans.
[[nodiscard]] std::vector<Region> parts(const Region& region);

/// The pixels that draw() would paint with the style, in `within` if it is given. A region takes 16 bytes for
/// each of its spans, of which a shape has one or more on every row, so large shapes are best cut to the
/// place that matters.
/// @throws ArgumentError as draw().
template <ClosedShape S>
[[nodiscard]] Region region(const S& shape, const Fill& fill = {});
template <ClosedShape S>
[[nodiscard]] Region region(const S& shape, const Fill& fill, const Box& within);
template <AnyShape S>
[[nodiscard]] Region region(const S& shape, const Stroke& stroke);
template <AnyShape S>
[[nodiscard]] Region region(const S& shape, const Stroke& stroke, const Box& within);

} // namespace coldbrick
