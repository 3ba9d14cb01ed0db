// Calls in the forms that people try first.

#include <coldbrick/coldbrick.hpp>
#include <coldbrick/format.hpp>

#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <sstream>
#include <string>
#include <unordered_map>
#include <unordered_set>
#include <vector>

namespace coldbrick::test {

namespace {

using namespace coldbrick::literals;

constexpr Size size{40, 30};
const Colour red(220, 30, 40);

template <class Draw>
std::vector<std::byte> bytes_after(const Draw& draw_all) {
    std::vector<std::byte> bytes(3 * 40 * 30);
    draw_all(ImageView(bytes, size, PixelFormat::rgb8));
    return bytes;
}

template <class Value>
std::string printed(const Value& value) {
    std::ostringstream out;
    out << value;
    return out.str();
}

} // namespace

TEST(FirstCalls, AColourAloneFillsOrStrokes) {
    const auto same = [](const auto& shape, const auto& style) {
        EXPECT_EQ(bytes_after([&](const ImageView& view) { draw(view, shape, red); }),
                  bytes_after([&](const ImageView& view) { draw(view, shape, style); }));
    };
    same(Circle{{20, 15}, 9}, Fill{red});
    same(Box{3, 4, 9, 8}, Fill{red});
    same(Polygon({{1, 1}, {30, 4}, {9, 25}}), Fill{red});
    same(Line{{1, 1}, {30, 20}}, Stroke{red});
    same(Dots{{{1, 1}, {4, 9}}}, Stroke{red});
    const Paint gradient = LinearGradient{{0, 0}, {40, 0}, {{0, red}, {1, Colour()}}};
    EXPECT_EQ(bytes_after([&](const ImageView& view) {
                  draw(view, Box{0, 0, 40, 30}, gradient);
              }),
              bytes_after([&](const ImageView& view) {
                  draw(view, Box{0, 0, 40, 30}, Fill{gradient});
              }));
}

TEST(FirstCalls, AShapeOfAnyKindIsDrawnAsItself) {
    const Fill fill{red};
    const Stroke stroke{Colour(9, 99, 199), 3};
    for (const Shape& shape :
         std::vector<Shape>{Circle{{20, 15}, 9}, Box{3, 4, 9, 8}, Ellipse{{2, 2, 30, 9}}}) {
        const auto expected = [&](const auto&... styles) {
            return bytes_after([&](const ImageView& view) {
                std::visit(
                    [&]<class S>(const S& one) {
                        if constexpr (ClosedShape<S>) draw(view, one, styles...);
                    },
                    shape);
            });
        };
        EXPECT_EQ(bytes_after([&](const ImageView& view) { draw(view, shape, fill); }), expected(fill));
        EXPECT_EQ(bytes_after([&](const ImageView& view) { draw(view, shape, stroke); }), expected(stroke));
        EXPECT_EQ(bytes_after([&](const ImageView& view) { draw(view, shape, fill, stroke); }),
                  expected(fill, stroke));
    }
    EXPECT_THROW(bytes_after([&](const ImageView& view) {
                     draw(view, Shape(Line{{1, 1}, {2, 2}}), fill);
                 }),
                 ArgumentError);
}

TEST(FirstCalls, PointsAreAPolygonOrAPolyline) {
    const std::vector<Point> points{{1, 1}, {35, 6}, {9, 25}};
    EXPECT_EQ(bytes_after([&](const ImageView& view) { draw(view, points, Fill{red}); }),
              bytes_after([&](const ImageView& view) { draw(view, Polygon(points), Fill{red}); }));
    for (const bool closed : {false, true})
        EXPECT_EQ(bytes_after([&](const ImageView& view) {
                      draw(view, points, Stroke{red, 2}, closed);
                  }),
                  bytes_after([&](const ImageView& view) {
                      draw(view, Polyline{points, closed}, Stroke{red, 2});
                  }));
}

TEST(FirstCalls, ValuesArePrintedFormattedAndKeys) {
    const std::vector<std::pair<std::string, std::string>> rows{
        {printed(Point{3, -4}), "(3, -4)"},
        {printed(Size{60, 40}), "60 x 40"},
        {printed(Box{1, 2, 30, 40}), "(1, 2) 30 x 40"},
        {printed(Colour(255, 204, 0)), "#ffcc00"},
        {printed(Colour(255, 204, 0, 128)), "#ffcc0080"},
        {printed(30.5_deg), "30.5_deg"},
        {fmt::format("{} {} {} {} {}", Point{3, 4}, Size{6, 4}, Box{1, 2, 3, 4}, Colour(), 90_deg),
         "(3, 4) 6 x 4 (1, 2) 3 x 4 #000000 90_deg"}};
    for (const auto& [found, wanted] : rows) EXPECT_EQ(found, wanted);
    std::unordered_set<Point> places;
    for (int i = 0; i < 1000; ++i) places.insert({i % 100, i / 100});
    EXPECT_EQ(places.size(), 1000U);
    EXPECT_EQ((std::unordered_map<Colour, int>{{red, 1}, {Colour(), 2}}).at(red), 1);
    EXPECT_TRUE((std::unordered_set<Box>{{1, 2, 3, 4}}).contains({1, 2, 3, 4}));
    EXPECT_TRUE((std::unordered_set<Size>{{1, 2}}).contains({1, 2}));
    EXPECT_TRUE((std::unordered_set<Angle>{30_deg}).contains(degrees(30)));
}

TEST(FirstCalls, AnglesAreConstants) {
    constexpr Angle quarter = 90_deg;
    static_assert(quarter + degrees(0.5) == 90.5_deg);
    EXPECT_EQ(quarter.sine(), 1);
}

TEST(FirstCalls, BuffersAreAsLongAsTheirImages) {
    std::array<std::byte, 3 * 40 * 30> bytes{};
    EXPECT_EQ(ImageView(bytes, size, PixelFormat::rgb8).row_stride_bytes(), 120);
    EXPECT_EQ(ConstImageView(std::span<const std::byte>(bytes), {39, 30}, PixelFormat::rgb8, 120).width(),
              39);
    try {
        (void)ImageView(bytes, {40, 31}, PixelFormat::rgb8);
        FAIL();
    } catch (const ArgumentError& error) {
        EXPECT_STREQ(error.what(),
                     "an image of 40 x 31 pixels in rows of 120 bytes has 3720 bytes, not 3600");
    }
    EXPECT_THROW((void)ImageView(bytes, size, PixelFormat::rgb8, 119), ArgumentError);
    EXPECT_THROW((void)ImageView(bytes, size, PixelFormat::rgb8, -120), ArgumentError);
}

} // namespace coldbrick::test
