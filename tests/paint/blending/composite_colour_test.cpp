// See-through colours against the blending rule, for every format and run length.

#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>

#include <cmath>

namespace coldbrick::test {

namespace {

constexpr PixelFormat all_formats[] = {PixelFormat::gray8, PixelFormat::rgb8, PixelFormat::bgr8,
                                       PixelFormat::rgba8, PixelFormat::bgra8};

/// Source-over of one straight channel in real numbers, rounded once with halves up.
int blended(int source, int source_alpha, int backdrop, int backdrop_alpha) {
    const long double alpha = source_alpha / 255.0L;
    const long double below = backdrop_alpha / 255.0L * (1 - alpha);
    if (alpha + below == 0) return backdrop;
    return static_cast<int>(
        std::floor((source * alpha + backdrop * below) / (alpha + below) + 0.5L + 1e-12L));
}

int blended_alpha(int source_alpha, int backdrop_alpha) {
    const long double alpha = source_alpha / 255.0L;
    return static_cast<int>(std::floor(255 * (alpha + backdrop_alpha / 255.0L * (1 - alpha)) + 0.5L));
}

Colour expected(const Colour& source, const Colour& backdrop) {
    const auto mix = [&](int over, int under) { return blended(over, source.alpha, under, backdrop.alpha); };
    return {mix(source.red, backdrop.red), mix(source.green, backdrop.green), mix(source.blue, backdrop.blue),
            blended_alpha(source.alpha, backdrop.alpha)};
}

int gray(const Colour& colour) {
    return static_cast<int>(
        std::floor(0.2126 * colour.red + 0.7152 * colour.green + 0.0722 * colour.blue + 0.5 + 1e-9));
}

} // namespace

TEST(Blend, EveryValueAlphaAndBackdropOfAnOpaqueChannel) {
    Image row({256, 1}, PixelFormat::gray8);
    for (int source = 0; source < 256; ++source)
        for (int alpha = 0; alpha < 256; ++alpha) {
            for (int backdrop = 0; backdrop < 256; ++backdrop)
                row.set_pixel({backdrop, 0}, Colour(backdrop, backdrop, backdrop));
            draw(row, Box{0, 0, 256, 1}, Fill{Colour(source, source, source, alpha)});
            for (int backdrop = 0; backdrop < 256; ++backdrop) {
                const int wanted = (2 * (source * alpha + backdrop * (255 - alpha)) + 255) / 510;
                ASSERT_EQ(row.pixel({backdrop, 0}).red, wanted) << source << ' ' << alpha << ' ' << backdrop;
            }
        }
}

TEST(Blend, ADenseGridOfAlphasOverAlphasInBothOrders) {
    for (const PixelFormat format : {PixelFormat::rgba8, PixelFormat::bgra8}) {
        Image row({256, 1}, format);
        for (int alpha = 0; alpha < 256; alpha += 3)
            for (int value = 0; value < 256; value += 17) {
                const Colour source(255 - value, value, 7, alpha);
                const auto backdrop = [value](int x) { return Colour(value, 200, x, x); };
                for (int x = 0; x < 256; ++x) row.set_pixel({x, 0}, backdrop(x));
                draw(row, Box{0, 0, 256, 1}, Fill{source});
                for (int x = 0; x < 256; ++x)
                    ASSERT_EQ(row.pixel({x, 0}), alpha == 0 ? backdrop(x) : expected(source, backdrop(x)))
                        << hex(source) << " over " << hex(backdrop(x));
            }
    }
}

TEST(Blend, RunsOfEveryLengthAtEveryOffsetPaintJustThemselves) {
    const Colour ground(200, 100, 50);
    for (const PixelFormat format : all_formats)
        for (const int alpha : {255, 128})
            for (int x = 0; x < 17; ++x)
                for (int length = 1; length < 120; ++length) {
                    Image row({140, 1}, format, ground);
                    const Colour source(10, 20, 250, alpha);
                    draw(row, Box{x, 0, length, 1}, Fill{source});
                    const Colour below = row.pixel({139, 0});
                    const Colour grays(gray(source), gray(source), gray(source), alpha);
                    const Colour wanted = expected(layout(format).is_gray() ? grays : source, below);
                    for (int at = 0; at < 140; ++at)
                        ASSERT_EQ(row.pixel({at, 0}), at >= x && at < x + length ? wanted : below)
                            << layout(format).name << " run of " << length << " from " << x << " at " << at;
                }
}

} // namespace coldbrick::test
