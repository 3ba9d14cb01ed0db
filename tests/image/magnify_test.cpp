// Magnified images: each pixel a square, lines between.

#include "support/errors.hpp"

#include <coldbrick/magnify.hpp>

#include <gtest/gtest.h>

namespace coldbrick::test {

TEST(Magnify, EachPixelBecomesASquareWithLinesBetween) {
    Image image({12, 2}, PixelFormat::bgr8);
    for (int i = 0; i < 24; ++i) image.set_pixel({i % 12, i / 12}, Colour(10 * i, 255 - i, 3));
    const Magnification magnification{.zoom = 5, .grid = colour("white"), .tenth_grid = colour("red")};
    const Image picture = magnified(image, magnification);
    EXPECT_EQ(picture.size(), (Size{61, 11}));
    for (int y = 0; y < 11; ++y)
        for (int x = 0; x < 61; ++x) {
            const bool tenth = y % 50 == 0 || (x % 50 == 0 && y % 5 != 0);
            const bool grid = x % 5 == 0 || y % 5 == 0;
            const Colour wanted = tenth  ? colour("red")
                                  : grid ? colour("white")
                                         : image.pixel({x / 5, y / 5});
            ASSERT_EQ(picture.pixel({x, y}), wanted) << x << ", " << y;
        }
}

TEST(Magnify, RefusesZoomsOutsideTheRange) {
    const Image image({2, 2}, PixelFormat::gray8);
    expect_errors<ArgumentError>({
        {[&] { (void)magnified(image, {.zoom = 0}); }, "zoom 0 is outside 1..1024"},
        {[&] { (void)magnified(image, {.zoom = 1025}); }, "zoom 1025 is outside 1..1024"},
    });
}

} // namespace coldbrick::test
