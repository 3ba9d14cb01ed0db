// Many colours made few.

#include "support/errors.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/quantise.hpp>

#include <gtest/gtest.h>

#include <array>
#include <cmath>

namespace coldbrick::test {

namespace {

/// A smooth picture of thousands of colours.
Image smooth() {
    Image image({128, 96}, PixelFormat::rgb8);
    for (int i = 0; i < 128 * 96; ++i)
        image.set_pixel({i % 128, i / 128},
                        Colour(2 * (i % 128), i / 128 * 255 / 95, 128 + (i % 128 - i / 128) / 2));
    return image;
}

/// The mean of the squared distances of colours, of blocks of so many pixels across.
double error(const Image& image, const Image& other, int block) {
    double sum = 0;
    for (int y = 0; y + block <= image.height(); y += block)
        for (int x = 0; x + block <= image.width(); x += block) {
            std::array<double, 3> gaps{};
            for (int i = 0; i < block * block; ++i) {
                const Colour a = image.pixel({x + i % block, y + i / block});
                const Colour b = other.pixel({x + i % block, y + i / block});
                gaps[0] += a.red - b.red;
                gaps[1] += a.green - b.green;
                gaps[2] += a.blue - b.blue;
            }
            for (const double gap : gaps) sum += gap * gap / (block * block) / (block * block);
        }
    return sum / (image.width() / block) / (image.height() / block);
}

} // namespace

TEST(Quantise, FewColoursStayExact) {
    Image image({20, 10}, PixelFormat::rgba8, Colour(9, 8, 7, 30));
    draw(image, Box{2, 2, 5, 5}, Fill{colour("teal")});
    draw(image, Box{9, 2, 5, 5}, Fill{Colour(0, 128, 129)});
    ColourCensus census;
    EXPECT_THROW((void)census.palette(), ArgumentError);
    census.add(image);
    EXPECT_TRUE(census.fits(3));
    EXPECT_FALSE(census.fits(2));
    const Palette palette = census.palette();
    ASSERT_EQ(palette.size(), 3U);
    EXPECT_EQ(palette.at(0), Colour(0, 128, 128));
    EXPECT_EQ(palette.at(2), Colour(0, 0, 0, 0));
    for (const bool dithered : {false, true}) {
        const Image few = quantised(image, palette, dithered);
        EXPECT_EQ(few.pixel({3, 3}), colour("teal"));
        EXPECT_EQ(few.pixel({10, 3}), Colour(0, 128, 129));
        EXPECT_EQ(few.pixel({0, 0}).alpha, 0);
    }
    expect_errors<ArgumentError>({
        {[&] { (void)census.palette(1); }, "number of colours 1 is outside 2..256"},
        {[&] { (void)census.palette(257); }, "number of colours 257 is outside 2..256"},
    });
}

TEST(Quantise, PalettesComeNearerWithMoreColoursAndDitheringMoreSo) {
    const Image image = smooth();
    ColourCensus census;
    census.add(image);
    double before = 1e9;
    for (const std::size_t most : {2U, 4U, 16U, 64U, 256U}) {
        const Palette palette = census.palette(most);
        EXPECT_EQ(palette.size(), most);
        const double plain = error(image, quantised(image, palette, false), 1);
        EXPECT_LT(plain, before);
        before = plain;
        EXPECT_LT(error(image, quantised(image, palette, true), 8),
                  error(image, quantised(image, palette, false), 8));
    }
    EXPECT_LT(before, 60); // 256 boxes of 12288 colours on a plane: about 7 steps wide each
}

TEST(Quantise, EachPixelIsOneOfTwoEntriesAndThePatternHasItsPlace) {
    const Image image({64, 64}, PixelFormat::rgb8, Colour(64, 64, 64));
    const Palette two({{colour("black")}, {colour("white")}});
    const Image few = quantised(image, two, true);
    int white = 0;
    for (int i = 0; i < 4096; ++i) white += few.pixel({i % 64, i / 64}).red == 255 ? 1 : 0;
    EXPECT_NEAR(white, 4096 * 64 / 255, 4096 / 128);
    // A part is as it is in the whole.
    const Image part = quantised(image.view().cropped({0, 0, 11, 9}), two, true, {13, 5});
    for (int i = 0; i < 99; ++i)
        ASSERT_EQ(part.pixel({i % 11, i / 11}), few.pixel({13 + i % 11, 5 + i / 11}));
}

TEST(Quantise, EveryGreyKeepsItsMean) {
    const Palette two({{colour("black")}, {colour("white")}});
    const Palette four({{Colour(0, 0, 0)}, {Colour(20, 20, 20)}, {Colour(200, 200, 200)}, {colour("white")}});
    constexpr int side = 16; // the pattern's
    for (const Palette& palette : {two, four})
        for (int level = 0; level < 256; ++level) {
            const Image gray =
                quantised(Image({side, side}, PixelFormat::rgb8, Colour(level, level, level)), palette, true);
            int sum = 0;
            for (int i = 0; i < side * side; ++i) sum += gray.pixel({i % side, i / side}).red;
            EXPECT_NEAR(sum, level * side * side, side * side / 2) << level;
        }
}

} // namespace coldbrick::test
