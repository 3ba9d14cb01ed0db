// Dots against the rule of discs.

#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace coldbrick::test {

RC_GTEST_PROP(Dots, AreDiscsOfTheWidth, ()) {
    constexpr Size window{33, 29};
    const Dots dots{*any_points(window)};
    const std::int32_t width = *any_width();
    RC_ASSERT(stroked(window, dots, {{}, width}) == PixelSet::where(window, [&](auto x, auto y) {
                  return std::ranges::any_of(dots.points, [&](const Point& point) {
                      return width == 1 ? x == point.x && y == point.y
                                        : rules::on_wide_line({point, point}, width, Cap::round, x, y);
                  });
              }));
    RC_ASSERT(std::ranges::all_of(dots.points, [&](const Point& point) { return dots.contains(point); }));
    RC_ASSERT(stroked(window, Dots{}, {{}, width}).count() == 0);
}

} // namespace coldbrick::test
