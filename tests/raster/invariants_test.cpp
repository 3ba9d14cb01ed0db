// What always holds, for any shape and style: clip-exact and translation-exact. (That each pixel is painted
// once, and by see-through colours as by opaque ones, is checked wherever painted() is called.)

#include "support/coverage.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/measure.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <optional>

namespace coldbrick::test {

namespace {

constexpr Size window{41, 34};

/// A shape, filled or stroked.
struct Subject {
    Shape shape;
    std::optional<Stroke> stroke; ///< filled if there is none
    Edges edges = Edges::crisp;
    FillRule rule = FillRule::even_odd;
    FillExtent extent = FillExtent::whole;

    void paint(const ImageView& view, const Colour& colour) const {
        const auto paint_one = [&]<class S>(const S& one) {
            if (!stroke) {
                if constexpr (ClosedShape<S>) draw(view, one, Fill{colour, rule, extent, {}, edges});
                return;
            }
            Stroke coloured = *stroke;
            coloured.paint = colour;
            coloured.edges = edges;
            draw(view, one, coloured);
        };
        std::visit(paint_one, shape);
    }
};

std::ostream& operator<<(std::ostream& out, const Subject& subject) {
    std::visit([&out](const auto& shape) { out << shape; }, subject.shape);
    return subject.stroke ? out << ' ' << *subject.stroke : out << " filled";
}

rc::Gen<Subject> any_subject() {
    return rc::gen::exec([] {
        if (*rc::gen::inRange(0, 3) == 0) {
            const Shape open = *any_open_shape(window);
            return Subject{open, *any_stroke_for(open)};
        }
        const Shape shape = *any_closed_shape(window);
        if (*rc::gen::inRange(0, 3) == 0) return Subject{shape, std::nullopt};
        Stroke stroke = *any_stroke_for(shape);
        stroke.alignment = *rc::gen::element(Alignment::centred, Alignment::inside, Alignment::outside);
        return Subject{shape, stroke};
    });
}

Subject moved_or_discarded(Subject subject, std::int32_t dx, std::int32_t dy) {
    try {
        subject.shape =
            std::visit([&](const auto& shape) { return Shape(shape.moved(dx, dy)); }, subject.shape);
    } catch (const ArgumentError&) { // it would leave the coordinates
        RC_DISCARD();
    }
    return subject;
}

} // namespace

RC_GTEST_PROP(Invariants, ClipExact, ()) {
    const Subject subject = *any_subject();
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
    const Subject subject = *any_subject();
    const auto dx = *rc::gen::inRange<std::int32_t>(-window.width, window.width);
    const auto dy = *rc::gen::inRange<std::int32_t>(-window.height, window.height);
    const Subject moved = moved_or_discarded(subject, dx, dy);
    const PixelSet before =
        painted(window, [&](const ImageView& view, const Colour& colour) { subject.paint(view, colour); });
    const PixelSet after =
        painted(window, [&](const ImageView& view, const Colour& colour) { moved.paint(view, colour); });
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x)
            if (x + dx >= 0 && x + dx < window.width && y + dy >= 0 && y + dy < window.height)
                RC_ASSERT(before.contains(x, y) == after.contains(x + dx, y + dy));
}

namespace {

/// A subject with smooth edges, and strokes of any width.
Subject any_smooth_subject() {
    Subject subject = *any_subject();
    subject.edges = Edges::smooth;
    subject.rule = *rc::gen::element(FillRule::even_odd, FillRule::non_zero);
    subject.extent = *rc::gen::element(FillExtent::whole, FillExtent::tiling);
    if (subject.stroke && *rc::gen::inRange(0, 2) == 0)
        subject.stroke->width = *rc::gen::inRange(4, 80) / 4.0;
    return subject;
}

Coverages coverages_of(const Subject& subject, const std::function<ImageView(const ImageView&)>& cut) {
    return covered(window,
                   [&](const ImageView& view, const Colour& colour) { subject.paint(cut(view), colour); });
}

} // namespace

RC_GTEST_PROP(Invariants, SmoothIsClipExact, ()) {
    if (*rc::gen::inRange(0, 4) > 0) RC_SUCCEED("areas of thousands of edges take their time");
    const Subject subject = any_smooth_subject();
    const Box clip = *any_box(window);
    const Coverages whole = coverages_of(subject, [](const ImageView& view) { return view; });
    Coverages wanted = whole;
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x)
            if (!clip.contains({x, y})) wanted.values[static_cast<std::size_t>(y * window.width + x)] = 0;
    RC_ASSERT(coverages_of(subject, [&clip](const ImageView& view) { return view.clipped(clip); }) == wanted);
}

RC_GTEST_PROP(Invariants, RowsDrawnApartMakeUpTheWhole, ()) {
    if (*rc::gen::inRange(0, 8) > 0) RC_SUCCEED("areas of thousands of edges take their time");
    Subject subject = any_smooth_subject();
    subject.edges = *rc::gen::element(Edges::smooth, Edges::crisp);
    if (subject.stroke) subject.stroke->width = std::ceil(subject.stroke->width);
    const auto rows = [&](const ImageView& view, const Colour& colour) {
        for (int y = 0; y < window.height; ++y) subject.paint(view.clipped({0, y, window.width, 1}), colour);
    };
    RC_ASSERT(covered(window, rows) == coverages_of(subject, [](const ImageView& view) { return view; }));
}

TEST(Invariants, TipsOfFillsShowBeyondTheirBounds) {
    const Polygon arrow{{{-3, -3}, {9, 5}, {7, 13}, {14, 6}}};
    Fill fill{Colour(255, 255, 255)};
    fill.edges = Edges::smooth;
    Image tip({22, 20}, PixelFormat::gray8);
    draw(tip.view().clipped({0, 15, 22, 5}), arrow, fill);
    EXPECT_EQ(extent_of_content(tip, Colour(0, 0, 0)), (Box{6, 15, 1, 1}));
}

RC_GTEST_PROP(Invariants, SmoothIsTranslationExact, ()) {
    if (*rc::gen::inRange(0, 4) > 0) RC_SUCCEED("areas of thousands of edges take their time");
    const Subject subject = any_smooth_subject();
    const auto dx = *rc::gen::inRange<std::int32_t>(-window.width, window.width);
    const auto dy = *rc::gen::inRange<std::int32_t>(-window.height, window.height);
    const Subject moved = moved_or_discarded(subject, dx, dy);
    const auto all = [](const ImageView& view) { return view; };
    const Coverages before = coverages_of(subject, all);
    const Coverages after = coverages_of(moved, all);
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x)
            if (x + dx >= 0 && x + dx < window.width && y + dy >= 0 && y + dy < window.height)
                RC_ASSERT(before.at(x, y) == after.at(x + dx, y + dy));
}

/// Of shapes without small holes: pixels that are far from a crisp edge are covered wholly or not at all.
RC_GTEST_PROP(Invariants, SmoothAndCrispLieNoMoreThanAPixelApart, ()) {
    Subject subject{*any_closed_shape(window), std::nullopt};
    if (std::holds_alternative<Polygon>(subject.shape) || std::holds_alternative<Path>(subject.shape)) {
        subject = {*any_line(window), *any_stroke()};
        subject.stroke->dashes = {};
    }
    const PixelSet crisp =
        painted(window, [&](const ImageView& view, const Colour& colour) { subject.paint(view, colour); });
    subject.edges = Edges::smooth;
    const Coverages smooth = coverages_of(subject, [](const ImageView& view) { return view; });
    for (int y = 2; y < window.height - 2; ++y)
        for (int x = 2; x < window.width - 2; ++x) {
            int inside = 0;
            for (int dy = -2; dy <= 2; ++dy)
                for (int dx = -2; dx <= 2; ++dx) inside += crisp.contains(x + dx, y + dy) ? 1 : 0;
            if (inside == 0) RC_ASSERT(smooth.at(x, y) == 0);
            if (inside == 25) RC_ASSERT(smooth.at(x, y) == 255);
        }
}

RC_GTEST_PROP(Invariants, FillAndOutlineShareOneSilhouette, ()) {
    const Shape shape = *any_closed_shape(window);
    const PixelSet fill = filled(window, shape);
    const PixelSet outline = stroked(window, shape);
    for (int y = 0; y < window.height; ++y) {
        bool beside = false; // the pixel before lies in the window and is not filled
        for (int x = 0; x < window.width; ++x) {
            RC_ASSERT(!outline.contains(x, y) || fill.contains(x, y));
            // What is filled at the end of a row's run is outline, unless the window cuts it.
            if (fill.contains(x, y) && beside) RC_ASSERT(outline.contains(x, y));
            beside = !fill.contains(x, y);
        }
    }
}

TEST(Invariants, TheSmallestShapesArePixels) {
    const Ellipse point = Ellipse::about({20, 17}, 0, 0, degrees(30));
    const Shape shapes[] = {Box{20, 17, 1, 1},
                            RoundedBox{{20, 17, 1, 1}, 5},
                            Circle{{20, 17}, 0},
                            point,
                            Arc{point, degrees(3), degrees(4)},
                            Sector{point, degrees(3), degrees(4)},
                            Segment{point, degrees(180), degrees(200)},
                            Polygon({{20, 17}}),
                            Dots{{{20, 17}, {20, 17}}},
                            Line{{20, 17}, {20, 17}},
                            Polyline{{{20, 17}, {20, 17}}, true}};
    const PixelSet pixel = PixelSet::where(window, [](auto x, auto y) { return x == 20 && y == 17; });
    for (const Shape& shape : shapes) {
        const bool open = std::visit([]<class S>(const S&) { return OpenShape<S>; }, shape);
        EXPECT_EQ(stroked(window, shape), pixel) << shape.index();
        EXPECT_TRUE(open || filled(window, shape) == pixel) << shape.index();
        for (const int width : {2, 3, 8}) {
            const PixelSet wide = stroked(window, shape, {{}, width});
            EXPECT_TRUE(wide.contains(20, 17) && wide.count() <= width * width) << shape.index() << wide;
        }
    }
    const Box none{20, 17, 0, 5};
    for (const Shape& shape :
         {Shape(none), Shape(RoundedBox{none, 3}), Shape(Ellipse{none}), Shape(Arc{{none}, {}, {}}),
          Shape(Sector{{none}, {}, {}}), Shape(Segment{{none}, {}, {}}), Shape(Dots{})})
        for (const int width : {1, 4}) {
            EXPECT_EQ(stroked(window, shape, {{}, width}).count(), 0) << shape.index();
            EXPECT_EQ(filled(window, shape).count(), 0) << shape.index();
        }
}

RC_GTEST_PROP(Invariants, ArcsHaveNoDirection, ()) {
    const Ellipse ellipse = *any_ellipse(window);
    const Angle start = degrees(*rc::gen::inRange(-400, 400));
    const Angle sweep = degrees(*rc::gen::inRange(-400, 400));
    Stroke stroke = *any_stroke();
    stroke.dashes = {};
    RC_ASSERT(stroked(window, Arc{ellipse, start, sweep}, stroke) ==
              stroked(window, Arc{ellipse, start + sweep, -sweep}, stroke));
    RC_ASSERT(filled(window, Sector{ellipse, start, sweep}) ==
              filled(window, Sector{ellipse, start + sweep, -sweep}));
    RC_ASSERT(filled(window, Segment{ellipse, start, sweep}) ==
              filled(window, Segment{ellipse, start + sweep, -sweep}));
}

RC_GTEST_PROP(Invariants, PathsHaveNoDirection, ()) {
    const Polyline path = *any_polyline(window);
    const Polyline backwards{{path.points.rbegin(), path.points.rend()}, path.closed};
    const Stroke style{{},
                       *any_width(),
                       *rc::gen::element(Cap::butt, Cap::square, Cap::round),
                       *rc::gen::element(Join::mitre, Join::bevel, Join::round)};
    RC_ASSERT(stroked(window, path, style) == stroked(window, backwards, style));
}

RC_GTEST_PROP(Invariants, PolygonsMayStartAtAnyVertex, ()) {
    const std::vector<Point> ring = *any_points(window);
    std::vector<Point> rotated = ring;
    std::rotate(rotated.begin(), rotated.begin() + *rc::gen::inRange<std::ptrdiff_t>(0, std::ssize(ring)),
                rotated.end());
    const bool is_filled = *rc::gen::arbitrary<bool>();
    Stroke stroke;
    stroke.width = *any_width();
    const auto drawn = [&](const std::vector<Point>& one) {
        return is_filled ? filled(window, Polygon(one)) : stroked(window, Polygon(one), stroke);
    };
    RC_ASSERT(drawn(ring) == drawn(rotated));
}

} // namespace coldbrick::test
