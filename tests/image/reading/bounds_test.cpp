// Tight boxes against the extent of all pixels, and in a time that does not follow the shape's size.

#include "support/generators.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/region.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

namespace {

constexpr Size window{60, 45};

bool is_small(const Box& box) {
    return box.x > -400 && box.y > -400 && box.end_x() < 400 && box.end_y() < 400;
}

bool is_same(const Box& found, const Box& wanted) {
    return found == wanted || (found.empty() && wanted.empty());
}

/// What the slow way walks through.
template <class S>
Box extent(const S& shape) {
    if constexpr (requires { shape.ellipse; })
        return shape.ellipse.bounds();
    else
        return shape.bounds();
}

rc::Gen<Shape> any_shape() {
    return rc::gen::suchThat(
        rc::gen::oneOf(any_open_shape(window), any_closed_shape(window)), [](const Shape& shape) {
            return std::visit([](const auto& one) { return is_small(extent(one)); }, shape);
        });
}

} // namespace

RC_GTEST_PROP(Bounds, AreThoseOfAllPixels, ()) {
    if (*rc::gen::inRange(0, 4) > 0) RC_SUCCEED("the slow way takes its time");
    const Shape shape = *any_shape();
    Stroke stroke = *any_stroke_for(shape);
    stroke.width = std::min<double>(stroke.width, 60);
    stroke.alignment = *rc::gen::element(Alignment::centred, Alignment::inside, Alignment::outside);
    stroke.edges = *rc::gen::element(Edges::crisp, Edges::crisp, Edges::smooth);
    const auto check = [&stroke]<class S>(const S& one) {
        if constexpr (OpenShape<S>) stroke.alignment = Alignment::centred;
        RC_LOG() << one << ' ' << stroke << '\n';
        RC_ASSERT(is_same(bounds(one, stroke), region(one, stroke).bounds()));
        if constexpr (ClosedShape<S>) {
            const Fill tiling{{}, FillRule::non_zero, FillExtent::tiling, {}, stroke.edges};
            const Fill whole{{}, FillRule::even_odd, FillExtent::whole, {}, stroke.edges};
            RC_ASSERT(is_same(bounds(one, whole), region(one, whole).bounds()));
            RC_ASSERT(is_same(bounds(one, tiling), region(one, tiling).bounds()));
        }
    };
    std::visit(check, shape);
}

// Would not end if rows were walked.
TEST(Bounds, OfHugeShapesAreWhereTheirIdealEdgesAre) {
    const Ellipse vast{{-1000000000, -300000000, 2000000001, 600000001}, degrees(30)};
    const Ellipse upright{{-1000000000, -300000000, 2000000001, 600000001}};
    const Stroke wide{{}, 8};
    const Box turned = bounds(vast, wide);
    EXPECT_NEAR(static_cast<double>(turned.x), -878919791.6, 5); // hypot(a cos, b sin)
    EXPECT_EQ(turned.x + turned.end_x(), 1);
    EXPECT_EQ(bounds(upright, wide), (Box{-1000000003, -300000003, 2000000007, 600000007}));
    EXPECT_EQ((Arc{upright, degrees(0), degrees(180)}.bounds()),
              (Box{-1000000000, 0, 2000000001, 300000001}));
    EXPECT_EQ((Sector{upright, degrees(0), degrees(90)}.bounds()), (Box{0, 0, 1000000001, 300000001}));
    EXPECT_EQ((Segment{upright, degrees(0), degrees(180)}.bounds()),
              (Box{-1000000000, 0, 2000000001, 300000001}));
    const Line slanting{{-2000000000, -2000000000}, {2000000000, 2000000000}};
    const Box slant = bounds(Line{{0, 0}, {50, 50}}, wide).moved(-2000000000, -2000000000);
    EXPECT_EQ(bounds(slanting, wide),
              (Box{slant.x, slant.y, slant.width + 3999999950, slant.height + 3999999950}));
    Stroke dashed = wide;
    dashed.dashes = {{5, 3}, 0};
    EXPECT_EQ(bounds(upright, dashed).width, 2000000007);
    EXPECT_EQ(bounds(slanting, dashed).x, slant.x);
    // Off all but the first pixels.
    dashed.dashes = {{10, 3e9}, 0};
    EXPECT_EQ(bounds(Line{{0, 0}, {2000000000, 0}}, dashed), (Box{0, -4, 11, 8}));
}

TEST(Bounds, OfSliversAreTight) {
    const Segment turned{Ellipse{Box{21, 32, 1, 22}, degrees(-99.26074488177903)}, degrees(55),
                         degrees(-292.0071626108547)};
    const Stroke inside{
        .paint = {}, .width = 8, .cap = Cap::round, .alignment = Alignment::inside, .edges = Edges::crisp};
    EXPECT_EQ(bounds(turned, inside), (Box{12, 43, 10, 2}));
    EXPECT_EQ(bounds(turned, inside), region(turned, inside).bounds());
    // Thinner than a pixel for hundreds of pixels from their corners.
    const Fill bare{.paint = {}, .extent = FillExtent::tiling};
    for (const int lean : {0, 1, 2, 3, 7, 40, 150}) {
        const Polygon slivers[] = {Polygon({{0, 0}, {lean, 400}, {lean + 1, 400}}),
                                   Polygon({{0, 0}, {400, lean}, {400, lean + 1}}),
                                   Polygon({{0, 0}, {400, lean}, {401, lean}, {200, lean + 3}})};
        for (const Polygon& sliver : slivers) {
            EXPECT_EQ(bounds(sliver, bare), region(sliver, bare).bounds()) << lean;
            const Fill smooth{.paint = {}, .extent = FillExtent::tiling, .edges = Edges::smooth};
            EXPECT_EQ(bounds(sliver, smooth), region(sliver, smooth).bounds()) << lean;
        }
        const Segment flat{Ellipse{Box{0, 0, 801, 21}, degrees(lean)}, degrees(1), degrees(3)};
        EXPECT_EQ(bounds(flat, Fill{}), region(flat, Fill{}).bounds()) << lean;
        for (const double width : {1.0, 2.0, 5.0}) {
            Stroke stroke = inside;
            stroke.width = width;
            EXPECT_EQ(bounds(flat, stroke), region(flat, stroke).bounds()) << lean << ' ' << width;
        }
    }
}

} // namespace coldbrick::test
