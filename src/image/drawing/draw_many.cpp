// Many shapes in one call.

#include <coldbrick/draw.hpp>

#include "geometry/shape_instances.hpp"
#include "image/drawing/draw_pipeline.hpp"
#include "image/drawing/styled_shape.hpp"

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
    const Line& operator()(const std::int32_t* n) { return shape = {{n[0], n[1]}, {n[0], n[1]}}; }
    Line shape;
};
template <>
struct Maker<Series::Kind::lines> {
    static constexpr std::size_t count = 4;
    const Line& operator()(const std::int32_t* n) { return shape = {{n[0], n[1]}, {n[2], n[3]}}; }
    Line shape;
};
template <>
struct Maker<Series::Kind::boxes> {
    static constexpr std::size_t count = 4;
    const Box& operator()(const std::int32_t* n) { return shape = Box::between({n[0], n[1]}, {n[2], n[3]}); }
    Box shape;
};
template <>
struct Maker<Series::Kind::circles> {
    static constexpr std::size_t count = 3;
    const Circle& operator()(const std::int32_t* n) { return shape = {{n[0], n[1]}, n[2]}; }
    Circle shape;
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

void check_multiple(std::span<const std::int32_t> numbers, std::size_t of_one) {
    if (numbers.size() % of_one != 0)
        throw ArgumentError(
            fmt::format("{} numbers are not a multiple of {}, which make one shape of the series",
                        numbers.size(), of_one));
}

/// Checks all shapes before it paints the first one; likewise below.
template <Series::Kind kind, class Call>
void draw_numbers(std::span<const std::int32_t> numbers, Call& call) {
    Maker<kind> make;
    call.template check_type<std::remove_cvref_t<decltype(make(nullptr))>>();
    check_multiple(numbers, make.count);
    const auto from_the_first_on = [&] {
        return [&make, rest = numbers]() mutable -> decltype(&make(nullptr)) {
            if (rest.empty()) return nullptr;
            const std::int32_t* const of_one = rest.data();
            rest = rest.subspan(make.count);
            return &make(of_one);
        };
    };
    if constexpr (kind == Series::Kind::circles) { // others cannot have values outside their ranges
        auto next = from_the_first_on();
        while (const auto* shape = next()) call.check(*shape);
    }
    call.paint_all(from_the_first_on());
}

/// Smooth dots, of which one of width 1 is its pixel, not a disc.
void draw_smooth_dots(const ImageView& view, std::span<const std::int32_t> numbers, const Stroke& stroke) {
    image::DrawCall call(view, stroke);
    call.check_type<Dots>();
    check_multiple(numbers, 2);
    Dots dot{{{}}};
    call.paint_all([&]() -> const Dots* {
        if (numbers.empty()) return nullptr;
        dot.points.front() = {numbers[0], numbers[1]};
        numbers = numbers.subspan(2);
        return &dot;
    });
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

/// Calls visit(next) for each run of shapes of one type, of which a list mostly has few: next() points to one
/// after the other, and is null at the run's end.
template <class Visit>
void for_each_run(std::span<const Shape> shapes, const Visit& visit) {
    const Shape* at = shapes.data();
    const Shape* const end = at + shapes.size();
    const auto visit_run = [&]<class S>(const S&) {
        visit([&at, end]() -> const S* {
            const S* const shape = at == end ? nullptr : std::get_if<S>(at);
            if (shape != nullptr) ++at;
            return shape;
        });
    };
    while (at != end) std::visit(visit_run, *at);
}

template <class Call>
void draw_list(std::span<const Shape> shapes, Call call) {
    for_each_run(shapes, [&call](const auto& next) {
        while (const auto* shape = next()) call.check(*shape);
    });
    for_each_run(shapes, [&call](const auto& next) { call.paint_all(next); });
}

template <class S, class Call>
void draw_span(std::span<const S> shapes, Call call) {
    for (const S& shape : shapes) call.check(shape);
    call.paint_all([at = shapes.data(), end = shapes.data() + shapes.size()]() mutable -> const S* {
        return at == end ? nullptr : at++;
    });
}

} // namespace

template <ClosedShape S>
void draw_each(const ImageView& view, std::span<const S> shapes, const Fill& fill) {
    draw_span(shapes, image::DrawCall(view, fill));
}

template <AnyShape S>
void draw_each(const ImageView& view, std::span<const S> shapes, const Stroke& stroke) {
    draw_span(shapes, image::DrawCall(view, stroke));
}

template <ClosedShape S>
void draw_each(const ImageView& view, std::span<const S> shapes, const Fill& fill, const Stroke& stroke) {
    draw_span(shapes, image::FillAndStrokeCall(view, fill, stroke));
}

#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template COLDBRICK_EXPORTED void draw_each(const ImageView&, std::span<const S>, const Fill&);           \
    template COLDBRICK_EXPORTED void draw_each(const ImageView&, std::span<const S>, const Fill&,            \
                                               const Stroke&);
COLDBRICK_FOR_EACH_CLOSED_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE
#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template COLDBRICK_EXPORTED void draw_each(const ImageView&, std::span<const S>, const Stroke&);
COLDBRICK_FOR_EACH_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE

void image::paint(const ImageView& view, const Shape& shape, const Fill& fill) {
    draw_list({&shape, 1}, DrawCall(view, fill));
}

void image::paint(const ImageView& view, const Shape& shape, const Stroke& stroke, const InsideRule& filled) {
    draw_list({&shape, 1}, DrawCall(view, stroke, filled));
}

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
    if (stroke.edges == Edges::smooth) return draw_smooth_dots(view, series.numbers, stroke);
    image::check(stroke);
    Stroke discs = stroke; // which have neither ends nor dashes
    discs.cap = Cap::round;
    discs.dashes = {};
    draw_series(series, image::DrawCall(view, discs));
}

} // namespace coldbrick
