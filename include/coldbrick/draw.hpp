/// @file
/// The verbs that paint.
#pragma once

#include <coldbrick/blend.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/series.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <concepts> // Shape is not made of what is one of its kinds
#include <span>     // many shapes at once

namespace [[gnu::visibility("default")]] coldbrick {

/// Makes every pixel in the view's clip this colour, alpha included, as painting it by BlendMode::copy does:
/// nothing is mixed, and alpha 0 makes pixels 0 in all channels.
void clear(const ImageView& view, const Colour& colour);

// All that follows may throw std::bad_alloc. Patterns take their memory before anything is painted; polygons,
// paths and curves take some while they are, so that part of the shape's pixels may be painted then, each at
// most once. Calls from many threads may run at the same time if their views' clips share no pixel.

/// Paints a shape's inside, cut to the view's clip. Each pixel is painted at most once, source-over where the
/// colour's alpha is below 255. The pixels are those of docs/pixel-rules.md, wherever the shape lies; the
/// cost is that of the rows and pixels that the clip shows.
/// @throws ArgumentError if a value of the shape is outside its range; nothing is painted then.
template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill);

/// Paints a shape's edge, cut to the view's clip, likewise.
/// @throws ArgumentError if a value of the shape or the stroke is outside its range; nothing is painted then.
template <AnyShape S>
void draw(const ImageView& view, const S& shape, const Stroke& stroke);

/// Paints a shape's inside, then its edge over it.
/// @throws ArgumentError as above.
template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill, const Stroke& stroke);

/// Paints by a colour, a pattern or a texture alone: the inside of a shape that has one, else its stroke of
/// width 1. @throws ArgumentError as above.
template <AnyShape S>
void draw(const ImageView& view, const S& shape, const Paint& paint) {
    if constexpr (ClosedShape<S>)
        draw(view, shape, Fill{paint});
    else
        draw(view, shape, Stroke{paint});
}

/// What cannot be is refused when compiling.
template <OpenShape S>
void draw(const ImageView&, const S&, const Fill&) {
    static_assert(!OpenShape<S>, "dots, lines, polylines and arcs have no inside: draw them with a Stroke");
}

/// Paints the polygon of one ring of points, as draw() with a Polygon does, without making and copying one
/// where its edges are crisp. @throws ArgumentError as that.
void draw(const ImageView& view, std::span<const Point> ring, const Fill& fill);

/// Paints the polyline through points, as draw() with a Polyline does, without making and copying one where
/// its width is 1 and its colour opaque. @throws ArgumentError as that.
void draw(const ImageView& view, std::span<const Point> points, const Stroke& stroke, bool closed = false);

/// Paints all pixels of a region that the view's clip shows.
/// @throws ArgumentError if the blend mode is not one of its enumeration or does not fit the view's format.
void draw(const ImageView& view, const Region& region, const Paint& paint, const Blending& blending = {});

/// Paints shapes one after another, as single calls would, but looks at the style only once.
/// @throws ArgumentError if a value is outside its range, or if a shape without an inside is to be filled;
/// nothing is painted then.
void draw(const ImageView& view, std::span<const Shape> shapes, const Fill& fill);
void draw(const ImageView& view, std::span<const Shape> shapes, const Stroke& stroke);
void draw(const ImageView& view, std::span<const Shape> shapes, const Fill& fill, const Stroke& stroke);

/// Paints a shape of any kind. @throws ArgumentError also if one without an inside is to be filled.
template <std::same_as<Shape> S>
void draw(const ImageView& view, const S& shape, const Fill& fill) {
    draw(view, std::span<const Shape>(&shape, 1), fill);
}
template <std::same_as<Shape> S>
void draw(const ImageView& view, const S& shape, const Stroke& stroke) {
    draw(view, std::span<const Shape>(&shape, 1), stroke);
}
template <std::same_as<Shape> S>
void draw(const ImageView& view, const S& shape, const Fill& fill, const Stroke& stroke) {
    draw(view, std::span<const Shape>(&shape, 1), fill, stroke);
}

namespace detail {

/// The shapes that lie one after another in a vector, an array or a span, if all are of one type.
template <class Range>
concept ShapesOfOneType = requires(const Range& shapes) {
    requires AnyShape<typename decltype(std::span(shapes))::value_type>;
};
template <class Range>
concept ClosedShapesOfOneType = ShapesOfOneType<Range> && requires(const Range& shapes) {
    requires ClosedShape<typename decltype(std::span(shapes))::value_type>;
};

} // namespace detail

/// The same of shapes of one type, such as a std::vector<Circle>: the fastest way to many of them.
template <ClosedShape S>
void draw_each(const ImageView& view, std::span<const S> shapes, const Fill& fill);
template <AnyShape S>
void draw_each(const ImageView& view, std::span<const S> shapes, const Stroke& stroke);
template <ClosedShape S>
void draw_each(const ImageView& view, std::span<const S> shapes, const Fill& fill, const Stroke& stroke);

template <detail::ClosedShapesOfOneType Range>
void draw(const ImageView& view, const Range& shapes, const Fill& fill) {
    draw_each(view, std::span<const typename decltype(std::span(shapes))::value_type>(shapes), fill);
}
template <detail::ShapesOfOneType Range>
void draw(const ImageView& view, const Range& shapes, const Stroke& stroke) {
    draw_each(view, std::span<const typename decltype(std::span(shapes))::value_type>(shapes), stroke);
}
template <detail::ClosedShapesOfOneType Range>
void draw(const ImageView& view, const Range& shapes, const Fill& fill, const Stroke& stroke) {
    draw_each(view, std::span<const typename decltype(std::span(shapes))::value_type>(shapes), fill, stroke);
}

/// Paints the shapes that an array of numbers tells, one after another, without making them first.
/// @throws ArgumentError if a value is outside its range, if numbers are left over, or if dots or lines are
/// to be filled; nothing is painted then.
void draw(const ImageView& view, const Series& series, const Fill& fill);
void draw(const ImageView& view, const Series& series, const Stroke& stroke);

} // namespace coldbrick
