// Magnified images: each pixel a square, lines between.

#include "support/errors.hpp"

#include <coldbrick/colour_text.hpp>
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

TEST(Magnify, KeepsPalettesAndDepth) {
    const Palette own({{colour("teal")}, {colour("teal")}, {colour("gold")}});
    Image indexed({3, 1}, own, colour("gold"));
    indexed.view().row(0)[1] = std::byte{1}; // the second of two equal entries
    const Image squares = magnified(indexed, {.zoom = 4});
    EXPECT_EQ(*squares.view().palette(), own);
    EXPECT_EQ(squares.view().row(2)[6], std::byte{1});
    EXPECT_EQ(squares.pixel({2, 2}), colour("gold"));
    Image deep({2, 1}, PixelFormat::rgba16);
    deep.view().set_pixel({1, 0}, Colour16{1, 258, 40000, 65535});
    EXPECT_EQ(magnified(deep, {.zoom = 4}).view().pixel16({6, 2}), (Colour16{1, 258, 40000, 65535}));
    Image real({1, 1}, PixelFormat::gray32f);
    real.view().set_pixel({0, 0}, RealColour{0.3, 0.3, 0.3, 1});
    EXPECT_FLOAT_EQ(static_cast<float>(magnified(real, {.zoom = 4}).view().real_pixel({2, 2}).red), 0.3F);
}

} // namespace coldbrick::test
