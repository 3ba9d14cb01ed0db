// Many shapes in one call: as the loop of single calls, or not at all.

#include "support/errors.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

namespace {

constexpr Size window{41, 34};
const Fill fill{Colour(200, 90, 30, 128)}; // NOLINT(cert-err58-cpp): four numbers

Image blank() {
    return Image(window, PixelFormat::rgba8, Colour(10, 20, 30));
}

bool same(const Image& a, const Image& b) {
    for (std::int32_t i = 0; i < window.width * window.height; ++i)
        if (a.pixel({i % window.width, i / window.width}) != b.pixel({i % window.width, i / window.width}))
            return false;
    return true;
}

using Numbers = std::vector<std::int32_t>;
using Kind = Series::Kind;

/// The shapes that the numbers mean, one by one.
std::vector<Shape> shapes_of(Kind kind, const Numbers& n) {
    std::vector<Shape> result;
    for (std::size_t i = 0; i < n.size();) {
        const auto point = [&] {
            i += 2;
            return Point{n[i - 2], n[i - 1]};
        };
        const Point first = point();
        switch (kind) {
        case Kind::dots: result.emplace_back(Dots{{first}}); break;
        case Kind::lines: result.emplace_back(Line{first, point()}); break;
        case Kind::boxes: result.emplace_back(Box::between(first, point())); break;
        case Kind::circles: result.emplace_back(Circle{first, n[i++]}); break;
        case Kind::triangles: {
            const Point second = point();
            result.emplace_back(Polygon({first, second, point()}));
        }
        }
    }
    return result;
}

/// The same shapes by draw_all(image, shapes), which takes those of one type, of which all are.
template <class DrawAll>
Image of_one_type(const std::vector<Shape>& shapes, const DrawAll& draw_all) {
    Image result = blank();
    if (shapes.empty()) return result;
    const auto draw_type = [&]<class S>(const S&) {
        std::vector<S> same_type;
        for (const Shape& shape : shapes) same_type.push_back(std::get<S>(shape));
        if constexpr (std::is_invocable_v<DrawAll, Image&, const std::vector<S>&>)
            draw_all(result, same_type);
    };
    std::visit(draw_type, shapes.front());
    return result;
}

} // namespace

RC_GTEST_PROP(Many, SeriesAndListsAreTheLoop, ()) {
    const auto [kind, count] =
        *rc::gen::element(std::pair{Kind::dots, 2}, std::pair{Kind::lines, 4}, std::pair{Kind::boxes, 4},
                          std::pair{Kind::circles, 3}, std::pair{Kind::triangles, 6});
    Numbers numbers;
    for (int i = *rc::gen::inRange(0, 6) * count; i > 0; --i) numbers.push_back(*any_coordinate(40));
    if (kind == Kind::circles)
        for (std::size_t i = 2; i < numbers.size(); i += 3) numbers[i] = *any_extent();
    const std::vector<Shape> shapes = shapes_of(kind, numbers);
    Stroke stroke = *any_stroke();
    stroke.paint = fill.paint;
    stroke.edges = *rc::gen::element(Edges::crisp, Edges::smooth);
    if (stroke.edges == Edges::smooth) stroke.dashes = {}; // of which huge circles have very many
    const bool open = kind == Kind::dots || kind == Kind::lines;

    Image one_by_one = blank();
    for (const Shape& shape : shapes)
        std::visit([&](const auto& one) { draw(one_by_one, one, stroke); }, shape);
    Image listed = blank();
    draw(listed, std::span(shapes), stroke);
    Image series = blank();
    draw(series, Series{kind, numbers}, stroke);
    RC_ASSERT(same(listed, one_by_one));
    RC_ASSERT(same(series, one_by_one));
    const auto stroke_all = [&](Image& image, const auto& all) { draw(image, all, stroke); };
    RC_ASSERT(same(of_one_type(shapes, stroke_all), one_by_one));

    if (open) return;
    Image fills = blank();
    Image both = blank();
    for (const Shape& shape : shapes) {
        const auto draw_one = [&]<class S>(const S& one) {
            if constexpr (ClosedShape<S>) {
                draw(fills, one, fill);
                draw(both, one, fill, stroke);
            }
        };
        std::visit(draw_one, shape);
    }
    Image filled_series = blank();
    draw(filled_series, Series{kind, numbers}, fill);
    Image filled_list = blank();
    draw(filled_list, std::span(shapes), fill);
    Image both_list = blank();
    draw(both_list, std::span(shapes), fill, stroke);
    RC_ASSERT(same(filled_series, fills));
    RC_ASSERT(same(filled_list, fills));
    RC_ASSERT(same(both_list, both));
    const auto fill_all = []<ClosedShape S>(Image& image, const std::vector<S>& all) {
        draw(image, all, fill);
    };
    const auto do_both = [&]<ClosedShape S>(Image& image, const std::vector<S>& all) {
        draw(image, all, fill, stroke);
    };
    RC_ASSERT(same(of_one_type(shapes, fill_all), fills));
    RC_ASSERT(same(of_one_type(shapes, do_both), both));
}

TEST(Many, NothingIsDrawnIfOneIsWrong) {
    Image image = blank();
    const Numbers circles{5, 5, 3, 9, 9, -4};
    const Numbers leftover{5, 5, 3, 9, 9};
    const std::vector<Shape> shapes{Box{0, 0, 9, 9}, Circle{{3, 3}, -1}};
    const std::vector<Shape> with_line{Box{0, 0, 9, 9}, Line{}};
    const Circle of_one[]{Circle{{3, 3}, 1}, Circle{{3, 3}, -2}};
    const std::string open = "dots, lines, polylines and arcs have no inside to fill: use a stroke";
    Stroke inside;
    inside.alignment = Alignment::inside;
    expect_errors<ArgumentError>({
        {[&] {
             draw(image, Series{Kind::circles, circles}, fill);
         },
         "circle radius -4 is outside 0..2147483647"},
        {[&] {
             draw(image, Series{Kind::circles, leftover}, fill);
         },
         "5 numbers are not a multiple of 3, which make one shape of the series"},
        {[&] {
             draw(image, Series{Kind::lines, leftover}, fill);
         },
         open},
        {[&] {
             draw(image, Series{Kind::dots, {}}, inside);
         },
         "dots, lines, polylines and arcs have no inside: their strokes are centred"},
        {[&] {
             draw(image, Series{Kind::dots, {}}, Stroke{.paint = {}, .cap = static_cast<Cap>(9)});
         },
         "cap 9 is outside 0..2"},
        {[&] {
             draw(image, Series{Kind::dots, {}}, Stroke{.paint = {}, .dashes = {{-1}, 0}});
         },
         "dash length -1 is outside 0..1099511627776"},
        {[&] { draw(image, std::span(shapes), fill); }, "circle radius -1 is outside 0..2147483647"},
        {[&] { draw(image, of_one, fill); }, "circle radius -2 is outside 0..2147483647"},
        {[&] { draw(image, std::span(with_line), fill); }, open},
        {[&] {
             draw(image, std::span(with_line), Stroke{{}, 0});
         },
         "stroke width 0 is outside 1..2147483647"},
    });
    EXPECT_TRUE(same(image, blank()));
}

} // namespace coldbrick::test
