// What always holds, for any shape and style: clip-exact and translation-exact. (That each pixel is painted
// once, and by see-through colours as by opaque ones, is checked wherever painted() is called.)

#include "support/generators.hpp"
#include "support/pixel_set.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace coldbrick::test {

namespace {

constexpr Size window{41, 34};

/// Draws a shape filled, or stroked where width is above 0.
struct Subject {
    Shape shape;
    std::int32_t width;

    void paint(const ImageView& view, const Colour& colour) const {
        const auto paint_one = [&]<class S>(const S& one) {
            if (width > 0) return draw(view, one, Stroke{colour, width});
            if constexpr (ClosedShape<S>) draw(view, one, Fill{colour});
        };
        std::visit(paint_one, shape);
    }
};

std::ostream& operator<<(std::ostream& out, const Subject& subject) {
    std::visit([&out](const auto& shape) { out << shape; }, subject.shape);
    return out << " width " << subject.width;
}

rc::Gen<Subject> any_subject(std::int32_t width) {
    const auto with_width = [](std::int32_t used_width) {
        return [used_width](const auto& shape) { return Subject{shape, used_width}; };
    };
    return rc::gen::oneOf(rc::gen::map(any_line(window), with_width(std::max(width, 1))),
                          rc::gen::map(any_polyline(window), with_width(std::max(width, 1))),
                          rc::gen::map(any_polygon(window), with_width(width)),
                          rc::gen::map(any_ellipse(window), with_width(width)),
                          rc::gen::map(any_box(window), with_width(width)),
                          rc::gen::map(any_circle(window, width), with_width(width)));
}

/// Any width, or 0 for a fill.
std::int32_t width_or_fill() {
    return *rc::gen::oneOf(rc::gen::just(0), any_width());
}

} // namespace

RC_GTEST_PROP(Invariants, ClipExact, ()) {
    const Subject subject = *any_subject(width_or_fill());
    const Box clip = *any_box(window);
    const PixelSet whole =
        painted(window, [&](const ImageView& view, const Colour& colour) { subject.paint(view, colour); });
    const PixelSet cut = painted(window, [&](const ImageView& view, const Colour& colour) {
        subject.paint(view.clipped(clip), colour);
    });
    const PixelSet wanted = PixelSet::where(window, [&](auto x, auto y) {
        return whole.contains(x, y) &&
               clip.contains({static_cast<std::int32_t>(x), static_cast<std::int32_t>(y)});
    });
    RC_ASSERT(cut == wanted);
}

RC_GTEST_PROP(Invariants, TranslationExact, ()) {
    const Subject subject = *any_subject(width_or_fill());
    const auto dx = *rc::gen::inRange<std::int32_t>(-window.width, window.width);
    const auto dy = *rc::gen::inRange<std::int32_t>(-window.height, window.height);
    Subject moved = subject;
    try {
        moved.shape =
            std::visit([&](const auto& shape) { return Shape(shape.moved(dx, dy)); }, subject.shape);
    } catch (const ArgumentError&) { // it would leave the coordinates
        RC_DISCARD();
    }
    const PixelSet before =
        painted(window, [&](const ImageView& view, const Colour& colour) { subject.paint(view, colour); });
    const PixelSet after =
        painted(window, [&](const ImageView& view, const Colour& colour) { moved.paint(view, colour); });
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x)
            if (x + dx >= 0 && x + dx < window.width && y + dy >= 0 && y + dy < window.height)
                RC_ASSERT(before.contains(x, y) == after.contains(x + dx, y + dy));
}

RC_GTEST_PROP(Invariants, PathsHaveNoDirection, ()) {
    const Polyline path = *any_polyline(window);
    const Polyline backwards{{path.points.rbegin(), path.points.rend()}, path.closed};
    const Stroke style{{},
                       *any_width(),
                       *rc::gen::element(Cap::butt, Cap::square, Cap::round),
                       *rc::gen::element(Join::mitre, Join::bevel, Join::round)};
    const auto drawn = [&style](const Polyline& one) {
        return painted(window, [&](const ImageView& view, const Colour& colour) {
            Stroke coloured = style;
            coloured.colour = colour;
            draw(view, one, coloured);
        });
    };
    RC_ASSERT(drawn(path) == drawn(backwards));
}

RC_GTEST_PROP(Invariants, PolygonsMayStartAtAnyVertex, ()) {
    const std::vector<Point> ring = *any_points(window);
    std::vector<Point> rotated = ring;
    std::ranges::rotate(rotated, rotated.begin() + *rc::gen::inRange<std::ptrdiff_t>(0, std::ssize(ring)));
    const std::int32_t width = width_or_fill();
    const auto drawn = [width](const std::vector<Point>& one) {
        const Subject subject{Polygon(one), width};
        return painted(window,
                       [&](const ImageView& view, const Colour& colour) { subject.paint(view, colour); });
    };
    RC_ASSERT(drawn(ring) == drawn(rotated));
}

} // namespace coldbrick::test
