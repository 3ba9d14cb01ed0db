// Buffers and views: foreign memory, strides, clips, single pixels, clear, and drawing in every format.

#include "support/errors.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>

#include <array>
#include <cmath>
#include <concepts>
#include <limits>
#include <vector>

namespace coldbrick::test {

static_assert(std::convertible_to<Image&, ImageView> && std::convertible_to<const Image&, ConstImageView>);
static_assert(!std::convertible_to<const Image&, ImageView>, "a constant image cannot be drawn into");
static_assert(!std::constructible_from<ImageView, const void*, Size, PixelFormat>, "nor can constant memory");

namespace {

constexpr PixelFormat all_formats[] = {PixelFormat::gray8, PixelFormat::rgb8, PixelFormat::bgr8,
                                       PixelFormat::rgba8, PixelFormat::bgra8};

} // namespace

TEST(ImageView, WritesTheChannelsInTheOrderOfTheFormat) {
    const Colour colour(1, 2, 3, 4);
    const std::pair<PixelFormat, std::vector<int>> expected[] = {
        {PixelFormat::gray8, {2}},          {PixelFormat::rgb8, {1, 2, 3}},
        {PixelFormat::bgr8, {3, 2, 1}},     {PixelFormat::rgba8, {1, 2, 3, 4}},
        {PixelFormat::bgra8, {3, 2, 1, 4}},
    };
    for (const auto& [format, bytes] : expected) {
        std::array<std::byte, 4> memory{};
        const ImageView view(memory.data(), {1, 1}, format);
        view.set_pixel({0, 0}, colour);
        for (std::size_t i = 0; i < bytes.size(); ++i)
            EXPECT_EQ(std::to_integer<int>(memory.at(i)), bytes[i]) << layout(format).name;
        const Colour read = view.pixel({0, 0});
        const Colour wanted = format == PixelFormat::gray8 ? Colour(2, 2, 2)
                              : layout(format).has_alpha() ? colour
                                                           : Colour(1, 2, 3);
        EXPECT_EQ(read, wanted) << layout(format).name;
    }
}

TEST(ImageView, GrayTakesTheRec709Weights) {
    Image image({1, 1}, PixelFormat::gray8);
    const std::pair<Colour, int> expected[] = {
        {{255, 255, 255}, 255}, {{255, 0, 0}, 54}, {{0, 255, 0}, 182}, {{0, 0, 255}, 18}, {{77, 77, 77}, 77}};
    for (const auto& [colour, gray] : expected) {
        image.set_pixel({0, 0}, colour);
        EXPECT_EQ(image.pixel({0, 0}).red, gray) << hex(colour);
    }
}

TEST(ImageView, DrawsIntoForeignMemoryWithAnyStride) {
    for (const PixelFormat format : all_formats) {
        constexpr Size size{40, 30};
        const std::ptrdiff_t row = std::ptrdiff_t{size.width} * layout(format).bytes;
        for (const std::ptrdiff_t stride : {row, row + 7, -row, -(row + 3)}) {
            std::vector<std::byte> memory(static_cast<std::size_t>(std::abs(stride)) * size.height,
                                          std::byte{9});
            std::byte* const first = stride > 0 ? memory.data() : memory.data() - stride * (size.height - 1);
            const ImageView view(first, size, format, stride);
            Image same(size, format);
            clear(view, colour("navy"));
            clear(same, colour("navy"));
            for (const ImageView& target : {view, same.view()}) {
                draw(target, Circle{{20, 15}, 12}, Fill{colour("teal")}, Stroke{colour("#ffd70080"), 3});
                draw(target, Circle{{20, 15}, 7}, Stroke{colour("white")});
                draw(target, Line{{-5, 3}, {44, 28}}, Stroke{colour("red")});
            }
            for (int i = 0; i < size.width * size.height; ++i) {
                const Point at{i % size.width, i / size.width};
                ASSERT_EQ(view.pixel(at), same.pixel(at)) << layout(format).name << " stride " << stride;
            }
            EXPECT_EQ(view.row(3).data() - view.row(2).data(), stride);
        }
    }
}

TEST(ImageView, ClipsCutDrawingAndClearing) {
    Image image({10, 8}, PixelFormat::rgb8, colour("black"));
    const ImageView clipped = image.view().clipped({2, 3, 50, 2}).clipped({-5, -5, 10, 50});
    EXPECT_EQ(clipped.clip(), (Box{2, 3, 3, 2}));
    clear(clipped, colour("red"));
    draw(clipped.clipped({3, 0, 1, 8}), Box{0, 0, 10, 8}, Fill{colour("lime")});
    draw(clipped.clipped({100, 100, 5, 5}), Box{0, 0, 10, 8}, Fill{colour("blue")});
    for (int y = 0; y < 8; ++y)
        for (int x = 0; x < 10; ++x) {
            const bool inside = x >= 2 && x < 5 && y >= 3 && y < 5;
            EXPECT_EQ(image.pixel({x, y}), !inside  ? colour("black")
                                           : x == 3 ? colour("lime")
                                                    : colour("red"));
        }
}

TEST(ImageView, ClearReplacesAlphaAndDrawingOfAlphaZeroChangesNothing) {
    Image image({5, 5}, PixelFormat::rgba8, colour("white"));
    clear(image, {1, 2, 3, 4});
    EXPECT_EQ(image.pixel({4, 4}), Colour(1, 2, 3, 4));
    draw(image, Box{0, 0, 5, 5}, Fill{colour("#ff000000")});
    EXPECT_EQ(image.pixel({4, 4}), Colour(1, 2, 3, 4));
}

TEST(Image, CopiesAreIndependent) {
    Image original({3, 3}, PixelFormat::bgr8, colour("gold"));
    Image copy = original;
    copy.set_pixel({1, 1}, colour("black"));
    EXPECT_EQ(original.pixel({1, 1}), colour("gold"));
    original = copy;
    EXPECT_EQ(original.pixel({1, 1}), colour("black"));
    EXPECT_EQ(Image({2, 2}, PixelFormat::rgba8).pixel({1, 1}), Colour(0, 0, 0, 0));
}

TEST(Draw, FillComesBeforeStroke) {
    Image image({21, 21}, PixelFormat::rgb8);
    draw(image, Circle{{10, 10}, 8}, Fill{colour("teal")}, Stroke{colour("gold"), 4});
    EXPECT_EQ(image.pixel({10, 10}), colour("teal"));
    EXPECT_EQ(image.pixel({2, 10}), colour("gold"));
    EXPECT_EQ(image.pixel({3, 10}), colour("gold"));
}

TEST(Image, ValuesOutsideTheirRangesAreNamedAndNothingIsDrawn) {
    constexpr int most = std::numeric_limits<int>::max();
    Image image({4, 3}, PixelFormat::rgb8, colour("gray"));
    std::byte memory[64]{};
    expect_errors<ArgumentError>({
        {[] {
             Image({0, 5}, PixelFormat::rgb8);
         },
         "image width 0 is outside 1..2147483647"},
        {[] {
             Image({5, -1}, PixelFormat::rgb8);
         },
         "image height -1 is outside 1..2147483647"},
        {[] {
             Image({most, most}, PixelFormat::rgba8);
         },
         "an image of 2147483647 x 2147483647 rgba8 pixels exceeds the address space"},
        {[] {
             ImageView(nullptr, {1, 1}, PixelFormat::rgb8);
         },
         "the pixels of an image view are null"},
        {[&] {
             ImageView(memory, {0, 1}, PixelFormat::rgb8);
         },
         "image width 0 is outside 1..2147483647"},
        {[&] {
             ImageView(memory, {5, 2}, PixelFormat::rgb8, 14);
         },
         "row stride 14 is shorter than a row of 5 rgb8 pixels, 15 bytes"},
        {[&] {
             ImageView(memory, {5, 2}, PixelFormat::rgb8, -14);
         },
         "row stride -14 is shorter than a row of 5 rgb8 pixels, 15 bytes"},
        {[&] {
             ImageView(memory, {1, most}, PixelFormat::rgb8, PTRDIFF_MAX / 2);
         },
         "2147483647 rows with a stride of 4611686018427387903 bytes exceed the address space"},
        {[&] {
             (void)image.pixel({4, 0});
         },
         "pixel x 4 is outside 0..3"},
        {[&] {
             image.set_pixel({0, -1}, colour("red"));
         },
         "pixel y -1 is outside 0..2"},
        {[&] { (void)image.view().row(3); }, "pixel y 3 is outside 0..2"},
        {[&] {
             (void)image.view().clipped({0, 0, -1, 1});
         },
         "box width -1 is outside 0..2305843009213693952"},
        {[&] { draw(image, Polyline{}, Stroke{}); }, "a polyline needs at least 1 point"},
        {[&] { draw(image, Polygon(std::vector<std::vector<Point>>{}), Fill{}); },
         "a polygon needs at least 1 ring"},
        {[&] {
             draw(image, Polygon(std::vector<std::vector<Point>>{{{1, 1}}, {}}), Stroke{});
         },
         "ring 1 of a polygon needs at least 1 vertex"},
        {[&] {
             draw(image, Line{{0, 0}, {3, 2}}, Stroke{{}, 3, Cap::butt, Join::mitre, 0.99});
         },
         "mitre limit 0.99 is below 1"},
        {[&] {
             draw(image, Line{{0, 0}, {3, 2}}, Stroke{{}, 3, Cap::butt, Join::mitre, std::nan("")});
         },
         "mitre limit nan is below 1"},
        {[&] {
             draw(image, Circle{{1, 1}, -2}, Fill{});
         },
         "circle radius -2 is outside 0..2147483647"},
        {[&] {
             draw(image, Circle{{1, 1}, 2}, Fill{}, Stroke{{}, 0});
         },
         "stroke width 0 is outside 1..2147483647"},
        {[&] {
             draw(image, Box{0, 0, 4, -4}, Fill{});
         },
         "box height -4 is outside 0..2305843009213693952"},
        {[&] {
             draw(image, Line{{0, 0}, {3, 2}}, Stroke{{}, -1});
         },
         "stroke width -1 is outside 1..2147483647"},
    });
    for (int i = 0; i < 12; ++i) EXPECT_EQ(image.pixel({i % 4, i / 4}), colour("gray"));
}

TEST(Image, WhatIsNoneOfAnEnumerationIsRefused) {
    const auto beyond = []<class E>(E last) { return static_cast<E>(static_cast<int>(last) + 1); };
    Image image({4, 4}, PixelFormat::rgb8);
    const Box box{1, 1, 2, 2};
    const auto stroking = [&](auto change) {
        return [&image, box, change] {
            Stroke stroke;
            change(stroke);
            draw(image, box, stroke);
        };
    };
    expect_errors<ArgumentError>({
        {[&] {
             (void)Image({2, 2}, beyond(PixelFormat::rgba32f));
         },
         "pixel format 15 is outside 0..14"},
        {[&] {
             (void)ImageView(image.view().bytes(), {1, 1}, beyond(PixelFormat::rgba32f));
         },
         "pixel format 15 is outside 0..14"},
        {[&] { (void)converted(image, beyond(PixelFormat::rgba32f)); }, "pixel format 15 is outside 0..14"},
        {[&] {
             draw(image, box, Fill{{}, beyond(FillRule::non_zero)});
         },
         "fill rule 2 is outside 0..1"},
        {[&] {
             draw(image, box, Fill{{}, {}, beyond(FillExtent::tiling)});
         },
         "fill extent 2 is outside 0..1"},
        {[&] {
             draw(image, box, Fill{{}, {}, {}, {beyond(BlendMode::bits_xor)}});
         },
         "blend mode 31 is outside 0..30"},
        {stroking([&](Stroke& stroke) { stroke.cap = beyond(Cap::round); }), "cap 3 is outside 0..2"},
        {stroking([&](Stroke& stroke) { stroke.join = beyond(Join::round); }), "join 3 is outside 0..2"},
        {stroking([&](Stroke& stroke) { stroke.alignment = beyond(Alignment::outside); }),
         "alignment 3 is outside 0..2"},
        {[&] {
             draw(image, Series{beyond(Series::Kind::triangles), {}}, Stroke{});
         },
         "kind of series 5 is outside 0..4"},
        {[&] {
             (void)box.placed(beyond(Anchor::bottom_right), {0, 0});
         },
         "anchor 9 is outside 0..8"},
        {[&] {
             (void)Paint(Hatch{beyond(Hatch::Direction::lattice), 8, 1, {}});
         },
         "hatch direction 6 is outside 0..5"},
    });
    EXPECT_EQ(image.pixel({1, 1}), Colour(0, 0, 0));
}

TEST(Image, MovedFromHasNoPixels) {
    Image image({4, 4}, PixelFormat::rgb8);
    const Image taken = std::move(image);
    const std::string message = "a moved-from image has no pixels: it may only be assigned to";
    // NOLINTBEGIN(bugprone-use-after-move): that is what is tested
    expect_errors<ArgumentError>({
        {[&] { (void)image.view(); }, message},
        {[&] {
             draw(image, Box{0, 0, 1, 1}, Fill{});
         },
         message},
        {[&] { (void)Image(image); }, message}, // NOLINT(performance-unnecessary-copy-initialization)
    });
    image = taken;
    EXPECT_EQ(image.pixel({3, 3}), Colour(0, 0, 0));
    // A larger image moved over a smaller one leaves it no memory that it could take for its own.
    Image larger({40, 40}, Palette({{Colour(1, 2, 3), ""}}), Colour(1, 2, 3));
    image = std::move(larger);
    EXPECT_EQ(image.pixel({39, 39}), Colour(1, 2, 3));
    expect_errors<ArgumentError>({{[&] { (void)larger.view(); }, message}});
    Image& same = image;
    image = std::move(same);
    EXPECT_EQ(image.pixel({39, 39}), Colour(1, 2, 3));
    // NOLINTEND(bugprone-use-after-move)
}

} // namespace coldbrick::test
