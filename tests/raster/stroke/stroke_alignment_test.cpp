// Strokes on one side of an edge.

#include "support/coverage.hpp"
#include "support/errors.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

RC_GTEST_PROP(Alignment, IsACentredStrokeOnOneSideOfTheFill, ()) {
    constexpr Size window{41, 34};
    const Shape shape = *any_closed_shape(window);
    Stroke stroke = *any_stroke_for(shape);
    stroke.width = std::min<double>(stroke.width, highest / 2);
    const PixelSet fill = filled(window, shape);
    for (const Alignment alignment : {Alignment::inside, Alignment::outside}) {
        const bool inside = alignment == Alignment::inside;
        stroke.alignment = alignment;
        Stroke centred = stroke;
        centred.alignment = Alignment::centred;
        centred.width = 2 * stroke.width + (inside ? -1 : 1);
        const PixelSet wide = stroked(window, shape, centred);
        RC_ASSERT(stroked(window, shape, stroke) == PixelSet::where(window, [&](auto x, auto y) {
                      return wide.contains(x, y) && fill.contains(x, y) == inside;
                  }));
    }
}

TEST(Alignment, GivesExactlyTheWidth) {
    constexpr Size window{40, 40};
    const Box box{12, 12, 15, 13};
    const Polygon polygon({{12, 12}, {26, 12}, {26, 24}, {12, 24}});
    for (int width = 1; width <= 6; ++width) {
        const Stroke inside{{}, width, Cap::butt, Join::mitre, 4, Alignment::inside};
        const Stroke outside{{}, width, Cap::butt, Join::mitre, 4, Alignment::outside};
        const auto rings = [&](std::int64_t grow, std::int64_t shrink) {
            return PixelSet::where(window, [&](auto x, auto y) {
                return rules::in_box(box.inset(-grow), x, y) && !rules::in_box(box.inset(shrink), x, y);
            });
        };
        for (const Shape& shape : {Shape(box), Shape(polygon)}) {
            EXPECT_EQ(stroked(window, shape, inside), rings(0, width));
            EXPECT_EQ(stroked(window, shape, outside), rings(width, 0));
        }
    }
}

TEST(Alignment, IsOnlyForClosedShapes) {
    Image image({4, 4}, PixelFormat::gray8);
    const Stroke inside{{}, 1, Cap::butt, Join::mitre, 4, Alignment::inside};
    const std::string message = "dots, lines, polylines and arcs have no inside: their strokes are centred";
    expect_errors<ArgumentError>({{[&] { draw(image, Line{}, inside); }, message},
                                  {[&] { draw(image, Dots{}, inside); }, message},
                                  {[&] {
                                       draw(image, Polyline{{{0, 0}}, true}, inside);
                                   },
                                   message}});
}

// A stroke inside of width 2 w - 1 is none up to half a pixel.
TEST(Alignment, TheThinnerAPathsStrokeTheFewerItsPixels) {
    constexpr Size window{60, 50};
    const Path triangle = Path().move_to({5, 5}).line_to({50.5, 12}).line_to({20, 44}).close();
    std::int64_t last = 0;
    std::int64_t last_sum = 0;
    for (const double width : {0.05, 0.3, 0.5, 0.55, 0.8, 1.0, 1.5, 2.0, 4.0}) {
        const Stroke stroke{.paint = {}, .width = width, .alignment = Alignment::inside};
        const std::int64_t count = stroked(window, triangle, stroke).count();
        const std::int64_t sum = covered_by(window, triangle, stroke).sum();
        EXPECT_GE(count, last) << width;
        EXPECT_GE(sum, last_sum) << width;
        EXPECT_EQ(count == 0, width <= 0.5) << width;
        EXPECT_EQ(sum == 0, width <= 0.5) << width;
        last = count;
        last_sum = sum;
    }
}

} // namespace coldbrick::test
