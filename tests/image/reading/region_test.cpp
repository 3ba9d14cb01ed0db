// Regions as sets of pixels, from shapes and from each other, and the bounds of what styles paint.

#include "support/errors.hpp"
#include "support/formats.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/flood.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/region.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <functional>

namespace coldbrick::test {

namespace {

constexpr Size window{41, 34};
constexpr Size canvas{150, 140};

PixelSet pixels_of(const Region& region) {
    return PixelSet::where(window, [&](auto x, auto y) {
        return region.contains({static_cast<std::int32_t>(x), static_cast<std::int32_t>(y)});
    });
}

Region any_region() {
    std::vector<Span> spans;
    const int count = *rc::gen::inRange(0, 40);
    for (int i = 0; i < count; ++i) {
        const auto x = *rc::gen::inRange<std::int32_t>(0, window.width);
        spans.push_back({*rc::gen::inRange<std::int32_t>(0, 6), x,
                         std::min<std::int64_t>(window.width, x + *rc::gen::inRange(-2, 8))});
    }
    const Region region(spans);
    const PixelSet wanted = PixelSet::where(window, [&](auto x, auto y) {
        return std::ranges::any_of(spans,
                                   [&](const Span& s) { return s.y == y && x >= s.x_begin && x < s.x_end; });
    });
    RC_ASSERT(pixels_of(region) == wanted);
    return region;
}

} // namespace

RC_GTEST_PROP(Region, OperationsAreThoseOfSets, ()) {
    const Region a = any_region();
    const Region b = any_region();
    const PixelSet in_a = pixels_of(a);
    const PixelSet in_b = pixels_of(b);
    const auto expect = [&](const Region& result, auto rule) {
        RC_ASSERT(pixels_of(result) == PixelSet::where(window, [&](auto x, auto y) {
                      return rule(in_a.contains(x, y), in_b.contains(x, y));
                  }));
        RC_ASSERT(result == Region(result.spans())); // in order, none touching
        RC_ASSERT(result.area() == pixels_of(result).count());
    };
    expect(a | b, [](bool p, bool q) { return p || q; });
    expect(a & b, [](bool p, bool q) { return p && q; });
    expect(a - b, [](bool p, bool q) { return p && !q; });
    expect(a ^ b, [](bool p, bool q) { return p != q; });
    RC_ASSERT(a.touches(b) == !(a & b).empty());
    RC_ASSERT((a.moved(3, -2).moved(-3, 2)) == a);
    RC_ASSERT(a.moved(5, 9).bounds() == (a.empty() ? Box{} : a.bounds().moved(5, 9)));
}

RC_GTEST_PROP(Region, HoldsWhatIsPaintedAndBoundsAreTight, ()) {
    const bool fills = *rc::gen::arbitrary<bool>();
    const Shape shape =
        fills ? *any_closed_shape(window) : *rc::gen::oneOf(any_open_shape(window), any_closed_shape(window));
    Stroke stroke = *any_stroke();
    stroke.width = std::min<double>(stroke.width, 60);
    const auto check_one = [&]<class S>(const S& one) {
        Region whole;
        Box tight;
        // Huge shapes have too many rows to look at all of them.
        const Box near{-300, -300, 700, 700};
        const Box loose = [&one] {
            if constexpr (requires { one.ellipse; })
                return one.ellipse.bounds();
            else
                return one.bounds();
        }();
        const bool small = loose.intersection(near.inset(80)) == loose;
        const auto paint = [&](const ImageView& view, const Colour& colour) {
            if constexpr (ClosedShape<S>)
                if (fills) return draw(view, one, Fill{colour});
            Stroke coloured = stroke;
            coloured.paint = colour;
            draw(view, one, coloured);
        };
        if constexpr (ClosedShape<S>)
            if (fills) {
                whole = region(one, Fill{}, near);
                if (small) tight = bounds(one, Fill{});
            }
        if (!fills) {
            whole = region(one, stroke, near);
            if (small) tight = bounds(one, stroke);
        }
        const PixelSet drawn = painted(window, paint);
        RC_ASSERT(pixels_of(whole) == drawn);
        RC_ASSERT(painted(window, [&](const ImageView& view, const Colour& colour) {
                      draw(view, whole, colour);
                  }) == drawn);
        const bool all_seen = small && tight.intersection(near) == tight;
        RC_ASSERT(!all_seen || tight == whole.bounds() || (tight.empty() && whole.empty()));
    };
    std::visit(check_one, shape);
}

TEST(Region, ReachesTheEndsOfTheCoordinates) {
    const Box last_columns{highest - 2, highest - 1, 100, 100};
    EXPECT_EQ(region(last_columns).bounds(), (Box{highest - 2, highest - 1, 3, 2}));
    EXPECT_EQ(region(Line{{highest, lowest}, {highest, lowest + 4}}, Stroke{}).area(), 5);
    EXPECT_EQ(region(Line{{highest - 4, 0}, {highest, 0}}, Stroke{{}, 3}).area(), 15);
    EXPECT_EQ(region(Circle{{highest, highest}, 3}).area(), region(Circle{{lowest, lowest}, 3}).area());
    EXPECT_EQ(region(Polygon({{highest, highest}, {highest - 9, highest}, {highest, highest - 9}})).area(),
              55);
    EXPECT_EQ(region(Circle{{0, 0}, highest}, Stroke{}, Box{highest - 10, -5, 11, 11}).bounds(),
              (Box{highest, -5, 1, 11}));
    EXPECT_EQ(bounds(Circle{{0, 0}, highest}, Stroke{{}, 4}), (Circle{{0, 0}, highest}.bounds().inset(-1)));
    EXPECT_TRUE(region(Box{1, 1, 5, 5}, Fill{}, Box{50, 50, 3, 3}).empty());
    expect_errors<ArgumentError>({
        {[] {
             (void)region(Box{highest, 0, 1, 1}).moved(1, 0);
         },
         "moved x 2147483648 is outside -2147483648..2147483647"},
        {[] {
             (void)region(Circle{{0, 0}, -1});
         },
         "circle radius -1 is outside 0..2147483647"},
        {[] {
             (void)bounds(Circle{{0, 0}, 1}, Stroke{{}, 0});
         },
         "stroke width 0 is outside 1..2147483647"},
    });
}

// Symmetric shapes reach the pixels in another way than regions, and opaque colours in another than mixtures.
TEST(Region, LooksLikeItsShapeInEveryFormat) {
    const std::vector<Shape> shapes{Circle{{74, 70}, 5}, Circle{{74, 70}, 61}, Ellipse{{20, 30, 101, 62}},
                                    Ellipse{{21, 30, 12, 75}}, RoundedBox{{9, 8, 120, 100}, 13}};
    const Fill fills[] = {{.paint = Colour(10, 120, 230)},
                          {.paint = Colour(10, 120, 230, 99)},
                          {.paint = Colour(10, 120, 230), .blending = {BlendMode::multiply, 200}}};
    const auto expect_the_same = [&](const auto& shape, const Fill& fill, PixelFormat format) {
        for (const int width : {0, 1, 4, 23}) {
            const Stroke stroke{.paint = fill.paint, .width = std::max(width, 1), .blending = fill.blending};
            Image direct(canvas, format, Colour(200, 90, 30));
            Image by_region = direct;
            width == 0 ? draw(direct, shape, fill) : draw(direct, shape, stroke);
            draw(by_region, width == 0 ? region(shape) : region(shape, stroke), fill.paint, fill.blending);
            for (int y = 0; y < canvas.height; ++y)
                ASSERT_TRUE(std::ranges::equal(direct.view().row(y), by_region.view().row(y)))
                    << layout(format).name << ", width " << width << ", row " << y;
        }
    };
    for (const PixelFormat format : all_formats)
        for (const Shape& shape : shapes)
            for (const Fill& fill : fills) {
                const auto check_one = [&]<class S>(const S& one) {
                    if constexpr (ClosedShape<S>) expect_the_same(one, fill, format);
                };
                std::visit(check_one, shape);
            }
}

TEST(Region, TellsWhetherShapesTouch) {
    const Region light = region(Circle{{20, 20}, 8});
    EXPECT_TRUE(light.touches(region(Line{{0, 28}, {40, 28}}, Stroke{})));
    EXPECT_FALSE(light.touches(region(Line{{0, 29}, {40, 29}}, Stroke{})));
    EXPECT_TRUE(light.touches(region(Line{{0, 29}, {40, 29}}, Stroke{{}, 3})));
    EXPECT_EQ((light - region(Box{0, 0, 40, 21})).bounds(), (Box{12, 21, 17, 8}));
    EXPECT_EQ(light.placed(Anchor::top_left, {0, 0}).bounds(), (Box{0, 0, 17, 17}));
}

// Would write past its memory, or ask for gigabytes, if rows were counted in 32 bits or kept one by one.
TEST(Region, OfPixelsFarApartTakesMemoryForItsSpans) {
    for (const auto& [first, last] :
         {std::pair{lowest, highest}, {0, 1000000000}, {-2000000000, 2000000000}}) {
        const Region region = coldbrick::region(Dots{{{0, first}, {3, last}, {0, first}}}, Stroke{});
        EXPECT_EQ(region.spans(), (std::vector<Span>{{first, 0, 1}, {last, 3, 4}}));
        EXPECT_EQ(region.bounds(), (Box{0, first, 4, std::int64_t{last} - first + 1}));
    }
    const Polygon far({{{0, 0}, {4, 0}, {0, 4}}, {{0, 2000000000}, {4, 2000000000}, {0, 2000000004}}});
    EXPECT_EQ(region(far, Fill{}).area(), 30);
}

TEST(Region, UnitesManyAtOnce) {
    std::vector<Region> parts;
    Region one_by_one;
    for (int i = 0; i < 50; ++i) {
        parts.push_back(region(Circle{{i * 7 % 90, i * 11 % 70}, i % 8}));
        one_by_one = one_by_one | parts.back();
    }
    EXPECT_EQ(united(parts), one_by_one);
    EXPECT_TRUE(united({}).empty());
}

TEST(Region, RefusesSpansBeyondThePixels) {
    const std::int64_t last = std::int64_t{1} << 31;
    EXPECT_EQ(Region({{0, 5, last}}).area(), last - 5);
    expect_errors<ArgumentError>({
        {[&] {
             (void)Region({{0, 5, last + 1}});
         },
         "span's end 2147483649 is outside -2147483648..2147483648"},
    });
}

RC_GTEST_PROP(Region, PartsAreWhatNeighboursReach, ()) {
    constexpr Size size{12, 9};
    Image image(size, PixelFormat::gray8, Colour(255, 255, 255));
    std::vector<Span> spans;
    for (int n = *rc::gen::inRange(0, 30); n > 0; --n) {
        const Box box{*rc::gen::inRange(0, 12), *rc::gen::inRange(0, 9), *rc::gen::inRange(1, 4), 1};
        draw(image, box, Fill{Colour(0, 0, 0)});
        spans.push_back({static_cast<std::int32_t>(box.y), static_cast<std::int32_t>(box.x),
                         std::min<std::int64_t>(box.end_x(), size.width)});
    }
    const Region region(spans);
    std::vector<Region> wanted;
    Region left = region;
    while (!left.empty()) {
        const Point first{left.spans().front().x_begin, left.spans().front().y};
        wanted.push_back(flooded(image, first, {.diagonally = true}));
        left = left - wanted.back();
    }
    std::ranges::stable_sort(wanted, std::greater(), &Region::area);
    RC_ASSERT(parts(region) == wanted);
}

} // namespace coldbrick::test
