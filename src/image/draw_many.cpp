// Many shapes in one call.

#include <coldbrick/draw.hpp>

#include "image/draw_pipeline.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <cstddef>
#include <type_traits>
#include <variant>
#include <vector>

namespace coldbrick {

namespace {

/// The numbers of a series' shapes, and what they make.
template <Series::Kind>
struct Maker;
template <>
struct Maker<Series::Kind::dots> {
    static constexpr std::size_t count = 2;
    Line operator()(const std::int32_t* n) { return {{n[0], n[1]}, {n[0], n[1]}}; }
};
template <>
struct Maker<Series::Kind::lines> {
    static constexpr std::size_t count = 4;
    Line operator()(const std::int32_t* n) { return {{n[0], n[1]}, {n[2], n[3]}}; }
};
template <>
struct Maker<Series::Kind::boxes> {
    static constexpr std::size_t count = 4;
    Box operator()(const std::int32_t* n) { return Box::between({n[0], n[1]}, {n[2], n[3]}); }
};
template <>
struct Maker<Series::Kind::circles> {
    static constexpr std::size_t count = 3;
    Circle operator()(const std::int32_t* n) { return {{n[0], n[1]}, n[2]}; }
};
template <>
struct Maker<Series::Kind::triangles> {
    static constexpr std::size_t count = 6;
    const Polygon& operator()(const std::int32_t* n) {
        triangle.rings[0] = {{n[0], n[1]}, {n[2], n[3]}, {n[4], n[5]}}; // in the memory that is there already
        return triangle;
    }
    Polygon triangle{std::vector<Point>(3)};
};

/// Checks all shapes before it paints the first one; likewise below.
template <Series::Kind kind, class Call>
void draw_numbers(std::span<const std::int32_t> numbers, Call& call) {
    Maker<kind> make;
    call.template check_type<std::remove_cvref_t<decltype(make(nullptr))>>();
    if (numbers.size() % make.count != 0)
        throw ArgumentError(
            fmt::format("{} numbers are not a multiple of {}, which make one shape of the series",
                        numbers.size(), make.count));
    for (std::size_t i = 0; i < numbers.size(); i += make.count) call.check(make(&numbers[i]));
    for (std::size_t i = 0; i < numbers.size(); i += make.count) call.paint(make(&numbers[i]));
}

template <class Call>
void draw_series(const Series& series, Call call) {
    using Kind = Series::Kind;
    base::check_choice("kind of series", series.kind, Kind::triangles);
    switch (series.kind) {
    case Kind::dots: return draw_numbers<Kind::dots>(series.numbers, call);
    case Kind::lines: return draw_numbers<Kind::lines>(series.numbers, call);
    case Kind::boxes: return draw_numbers<Kind::boxes>(series.numbers, call);
    case Kind::circles: return draw_numbers<Kind::circles>(series.numbers, call);
    case Kind::triangles: return draw_numbers<Kind::triangles>(series.numbers, call);
    }
}

template <class Call>
void draw_list(std::span<const Shape> shapes, Call call) {
    for (const Shape& shape : shapes) std::visit([&call](const auto& one) { call.check(one); }, shape);
    for (const Shape& shape : shapes) std::visit([&call](const auto& one) { call.paint(one); }, shape);
}

} // namespace

void draw(const ImageView& view, std::span<const Shape> shapes, const Fill& fill) {
    draw_list(shapes, image::DrawCall(view, fill));
}

void draw(const ImageView& view, std::span<const Shape> shapes, const Stroke& stroke) {
    draw_list(shapes, image::DrawCall(view, stroke));
}

void draw(const ImageView& view, std::span<const Shape> shapes, const Fill& fill, const Stroke& stroke) {
    draw_list(shapes, image::FillAndStrokeCall(view, fill, stroke));
}

void draw(const ImageView& view, const Series& series, const Fill& fill) {
    draw_series(series, image::DrawCall(view, fill));
}

void draw(const ImageView& view, const Series& series, const Stroke& stroke) {
    if (series.kind != Series::Kind::dots) return draw_series(series, image::DrawCall(view, stroke));
    Stroke discs = stroke; // which have neither ends nor dashes
    discs.cap = Cap::round;
    discs.dashes = {};
    draw_series(series, image::DrawCall(view, discs));
}

} // namespace coldbrick
