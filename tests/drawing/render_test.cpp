// Drawings drawn by threads and in bands have the bytes that draw() makes; they can be watched and stopped.

#include "support/drawings.hpp"
#include "support/errors.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/render.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <atomic>
#include <stop_token>
#include <thread>
#include <vector>

namespace coldbrick::test {

namespace {

bool same(const ConstImageView& a, const ConstImageView& b) {
    for (std::int32_t y = 0; y < a.height(); ++y)
        if (!std::ranges::equal(a.row(y), b.row(y))) return false;
    return true;
}

/// Enough for threads to take part: layers, patterns, smooth and wide shapes all over a picture.
constexpr Size large{900, 700};
Drawing large_drawing() {
    Drawing drawing;
    drawing.add(
        Box::of(large),
        Fill{LinearGradient{{0, 0}, {900, 700}, {{0, Colour(20, 50, 90)}, {1, Colour(200, 180, 90)}}}});
    Drawing inner;
    for (int i = 0; i < 60; ++i) {
        const Point at{i * 97 % large.width, i * 61 % large.height};
        const Edges edges = i % 2 == 0 ? Edges::smooth : Edges::crisp;
        inner.add(Circle{at, 20 + 3 * i}, Fill{Colour(4 * i, 90, 200 - 3 * i, 128), {}, {}, {}, edges});
        drawing.add(Line{at, {large.width - at.x, large.height - i}},
                    Stroke{Colour(250, 4 * i, 0), 1 + i % 9});
    }
    drawing.add(inner, {.clip = Shared<Region>(region(Circle{{450, 350}, 330})),
                        .layer = Blending{BlendMode::multiply, 200}});
    drawing.add(Ellipse{{100, 100, 700, 500}}, Stroke{Colour(255, 255, 255, 90), 31});
    return drawing;
}

} // namespace

TEST(Render, ThreadsMakeTheBytesOfASingleOne) {
    const Drawing drawing = large_drawing();
    for (const PixelFormat format : {PixelFormat::rgba8, PixelFormat::gray8, PixelFormat::rgb16}) {
        Image wanted(large, format);
        draw(wanted, drawing);
        for (const int threads : {0, 1, 2, 5}) {
            Image drawn(large, format);
            EXPECT_TRUE(render(drawing, drawn, {.threads = threads}));
            EXPECT_TRUE(same(drawn, wanted)) << layout(format).name << ' ' << threads << " threads";
        }
    }
}

RC_GTEST_PROP(Render, BandsMakeTheBytesOfTheWhole, ()) {
    const Size size{*rc::gen::inRange(1, 40), *rc::gen::inRange(1, 40)};
    const Drawing drawing = random_drawing(size);
    const auto format = *rc::gen::element(PixelFormat::rgba8, PixelFormat::rgb8, PixelFormat::rgba16);
    const Colour ground(40, 50, 60, 200);
    Image wanted(size, format, ground);
    draw(wanted, drawing);
    Image banded(size, format);
    const auto height = *rc::gen::inRange(1, 45);
    std::int32_t next = 0;
    const auto take = [&](const ConstImageView& rows, std::int32_t first) {
        RC_ASSERT(first == next);
        RC_ASSERT(rows.width() == size.width);
        RC_ASSERT(rows.height() == std::min(height, size.height - first));
        for (std::int32_t y = 0; y < rows.height(); ++y)
            std::ranges::copy(rows.row(y), banded.view().row(first + y).begin());
        next = first + rows.height();
    };
    RC_ASSERT(render_bands(drawing, size, height, take, {.format = format, .ground = ground}));
    RC_ASSERT(next == size.height);
    RC_ASSERT(same(banded, wanted));
}

RC_GTEST_PROP(Render, NoItemPaintsOutsideItsBounds, ()) {
    constexpr Size window{60, 50};
    constexpr Box middle{20, 15, 15, 15}; // what lies near its edges reaches beyond them
    const Drawing drawing = random_drawing({15, 15});
    const Image ground(window, PixelFormat::rgba8, Colour(200, 100, 50, 180));
    Image all = ground;
    const ImageView shifted =
        all.view().cropped({middle.x, middle.y, window.width - middle.x, window.height - middle.y});
    draw(shifted, drawing);
    for (std::int32_t y = 0; y < window.height; ++y)
        for (std::int32_t x = 0; x < window.width; ++x) {
            const Point seen{x - static_cast<std::int32_t>(middle.x),
                             y - static_cast<std::int32_t>(middle.y)};
            bool within = false;
            for (std::size_t i = 0; i < drawing.items().size(); ++i)
                within = within || drawing.bounds_of_item(i).contains(seen);
            RC_ASSERT(within == (within && drawing.bounds().contains(seen)));
            RC_ASSERT(within || all.pixel({x, y}) == ground.pixel({x, y}));
        }
}

TEST(Render, PicturesLargerThanMemory) {
    Drawing drawing;
    drawing.add(Circle{{50'000, 99'990}, 5}, Fill{Colour(255, 0, 0)});
    drawing.add(Line{{0, 0}, {99'999, 99'999}}, Stroke{Colour(0, 0, 255)});
    std::int64_t red = 0;
    std::int64_t rows = 0;
    bool diagonal = true;
    const auto take = [&](const ConstImageView& band, std::int32_t first) {
        rows += band.height();
        for (std::int32_t y = 0; y < band.height(); y += 16) // enough to look at
            diagonal = diagonal && band.pixel({first + y, y}) == Colour(0, 0, 255);
        for (std::int32_t y = std::max(0, 99'980 - first); y < band.height(); ++y)
            for (std::int32_t x = 49'990; x < 50'010; ++x)
                red += band.pixel({x, y}) == Colour(255, 0, 0) ? 1 : 0;
    };
    EXPECT_TRUE(render_bands(drawing, {100'000, 100'000}, 80, take, {.format = PixelFormat::rgb8}));
    EXPECT_EQ(rows, 100'000);
    EXPECT_TRUE(diagonal);
    EXPECT_EQ(red, region(Circle{{0, 0}, 5}).area());
}

TEST(Render, TellsHowFarItIs) {
    const Drawing drawing = large_drawing();
    for (const int threads : {1, 3}) {
        std::vector<double> shares;
        Image image(large, PixelFormat::rgb8);
        EXPECT_TRUE(render(drawing, image,
                           {.threads = threads, .progress = [&](double share) { shares.push_back(share); }}));
        ASSERT_GT(shares.size(), 4U);
        EXPECT_TRUE(std::ranges::is_sorted(shares));
        EXPECT_GT(shares.front(), 0);
        EXPECT_EQ(shares.back(), 1);
        shares.clear();
        const auto ignore = [](const ConstImageView&, std::int32_t) {};
        EXPECT_TRUE(render_bands(
            drawing, large, 100, ignore,
            {.rendering = {.threads = threads, .progress = [&](double share) { shares.push_back(share); }}}));
        EXPECT_TRUE(std::ranges::is_sorted(shares));
        EXPECT_NEAR(shares.back(), 1, 1e-9);
    }
}

TEST(Render, StopsWhenItIsAsked) {
    const Drawing drawing = large_drawing();
    for (const int threads : {1, 2}) {
        std::stop_source source;
        Image image(large, PixelFormat::rgb8);
        int bands = 0;
        const auto stop_soon = [&](double) {
            if (++bands == 2) source.request_stop();
        };
        EXPECT_FALSE(
            render(drawing, image, {.threads = threads, .progress = stop_soon, .stop = source.get_token()}));
        EXPECT_LE(bands, 2 + threads);
        Image untouched(large, PixelFormat::rgb8);
        const Image before = untouched;
        EXPECT_FALSE(render(drawing, untouched, {.threads = threads, .stop = source.get_token()}));
        EXPECT_TRUE(same(untouched, before));
        const auto at_once = [] { return true; };
        EXPECT_FALSE(render(drawing, untouched, {.threads = threads, .stop = at_once}));
        EXPECT_TRUE(same(untouched, before));
        const auto never = [](const ConstImageView&, std::int32_t) { FAIL() << "a band that was stopped"; };
        EXPECT_FALSE(render_bands(drawing, large, 50, never, {.rendering = {.stop = source.get_token()}}));
    }
}

TEST(Render, RefusesWhatCannotBe) {
    const Drawing drawing = large_drawing();
    Image image(large, PixelFormat::rgb8);
    const auto ignore = [](const ConstImageView&, std::int32_t) {};
    const auto bands = [&](Size size, std::int32_t height) {
        return [=, &drawing] { (void)render_bands(drawing, size, height, ignore); };
    };
    Drawing bits;
    bits.add(Box{0, 0, 5, 5}, Fill{Colour(1, 2, 3), {}, {}, {BlendMode::bits_xor}});
    Image real({9, 9}, PixelFormat::gray32f);
    expect_errors<ArgumentError>(
        {{[&] { (void)render(drawing, image, {.threads = -1}); },
          "number of threads -1 is outside 0..2147483647"},
         {bands({0, 5}, 5), "picture width 0 is outside 1..2147483647"},
         {bands({5, -1}, 5), "picture height -1 is outside 1..2147483647"},
         {bands({5, 5}, 0), "band height 0 is outside 1..2147483647"},
         {bands({2147483647, 2147483647}, 1),
          "2147483647 rows of 2147483647 rgba8 pixels exceed the address space"},
         {[&] { (void)render(bits, real); }, "a blend mode for bits cannot paint the floats of gray32f"}});
}

void ignore_band(const ConstImageView&, std::int32_t) {}

TEST(Render, TakesPlainFunctionsAndKeepsItsOptions) {
    const Drawing drawing = large_drawing();
    EXPECT_TRUE(render_bands(drawing, {30, 20}, 7, ignore_band));
    RenderOptions options{.threads = 1};
    double last = 0;
    options.progress = [&last](double share) { last = share; }; // which ends here
    Image image({30, 20}, PixelFormat::rgb8);
    EXPECT_TRUE(render(drawing, image, options));
    EXPECT_EQ(last, 1);
}

} // namespace coldbrick::test
