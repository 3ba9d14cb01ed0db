// Many shapes in one call.

#include <coldbrick/draw.hpp>

#include "image/painting.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <cstddef>
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

/// Calls visit(shape) for every shape of a series of one kind, after checking all of them.
template <Series::Kind kind, class Visit>
void for_each_of(std::span<const std::int32_t> numbers, Visit visit) {
    Maker<kind> make;
    if (numbers.size() % make.count != 0)
        throw ArgumentError(
            fmt::format("{} numbers are not a multiple of {}, which make one shape of the series",
                        numbers.size(), make.count));
    for (std::size_t i = 0; i < numbers.size(); i += make.count) check(make(&numbers[i]));
    for (std::size_t i = 0; i < numbers.size(); i += make.count) visit(make(&numbers[i]));
}

template <class Visit>
void for_each_of(const Series& series, Visit visit) {
    using Kind = Series::Kind;
    check_choice("kind of series", series.kind, Kind::triangles);
    switch (series.kind) {
    case Kind::dots: return for_each_of<Kind::dots>(series.numbers, visit);
    case Kind::lines: return for_each_of<Kind::lines>(series.numbers, visit);
    case Kind::boxes: return for_each_of<Kind::boxes>(series.numbers, visit);
    case Kind::circles: return for_each_of<Kind::circles>(series.numbers, visit);
    case Kind::triangles: return for_each_of<Kind::triangles>(series.numbers, visit);
    }
}

template <class S>
void paint_visible(const raster::Clip& clip, paint::Painter& painter, const S& shape, const Fill& fill) {
    if (may_show_filled(clip, shape)) paint_shape(clip, painter, shape, fill);
}

template <class S>
void paint_visible(const raster::Clip& clip, paint::Painter& painter, const S& shape, const Stroke& stroke,
                   const Fill& filled) {
    if (may_show_stroked(clip, shape, stroke)) paint_shape(clip, painter, shape, stroke, filled);
}

void check_fill(const Shape& shape) {
    const auto check_one = []<class S>(const S& one) {
        check(one);
        if constexpr (OpenShape<S>) throw_not_filled();
    };
    std::visit(check_one, shape);
}

void check_stroke(const Shape& shape, const Stroke& stroke) {
    const auto check_one = [&stroke](const auto& one) {
        check(one);
        check_stroke(one, stroke);
    };
    std::visit(check_one, shape);
}

} // namespace

void draw(const ImageView& view, std::span<const Shape> shapes, const Fill& fill) {
    check(fill);
    check_mode(view, fill.blending);
    for (const Shape& shape : shapes) check_fill(shape);
    if (view.clip().empty()) return;
    const raster::Clip clip = clip_of(view);
    paint::Painter painter = painter_of(view, fill.paint, fill.blending);
    for (const Shape& shape : shapes) {
        const auto paint_one = [&]<class S>(const S& one) {
            if constexpr (ClosedShape<S>) paint_visible(clip, painter, one, fill);
        };
        std::visit(paint_one, shape);
    }
}

void draw(const ImageView& view, std::span<const Shape> shapes, const Stroke& stroke) {
    check_mode(view, stroke.blending);
    for (const Shape& shape : shapes) check_stroke(shape, stroke);
    if (view.clip().empty()) return;
    const raster::Clip clip = clip_of(view);
    paint::Painter painter = painter_of(view, stroke.paint, stroke.blending);
    for (const Shape& shape : shapes)
        std::visit([&](const auto& one) { paint_visible(clip, painter, one, stroke, {}); }, shape);
}

void draw(const ImageView& view, std::span<const Shape> shapes, const Fill& fill, const Stroke& stroke) {
    check(fill);
    check_mode(view, fill.blending);
    check_mode(view, stroke.blending);
    for (const Shape& shape : shapes) {
        check_fill(shape);
        check_stroke(shape, stroke);
    }
    if (view.clip().empty()) return;
    const raster::Clip clip = clip_of(view);
    paint::Painter inside = painter_of(view, fill.paint, fill.blending);
    paint::Painter edge = painter_of(view, stroke.paint, stroke.blending);
    for (const Shape& shape : shapes) {
        const auto paint_one = [&]<class S>(const S& one) {
            if constexpr (ClosedShape<S>) paint_visible(clip, inside, one, fill);
            paint_visible(clip, edge, one, stroke, fill);
        };
        std::visit(paint_one, shape);
    }
}

void draw(const ImageView& view, const Series& series, const Fill& fill) {
    check(fill);
    check_mode(view, fill.blending);
    if (series.kind == Series::Kind::dots || series.kind == Series::Kind::lines) throw_not_filled();
    const raster::Clip clip = clip_of(view);
    const bool shows = !view.clip().empty();
    paint::Painter painter = painter_of(view, fill.paint, fill.blending);
    for_each_of(series, [&]<class S>(const S& shape) {
        if constexpr (ClosedShape<S>)
            if (shows) paint_visible(clip, painter, shape, fill);
    });
}

void draw(const ImageView& view, const Series& series, const Stroke& stroke) {
    check(stroke);
    check_mode(view, stroke.blending);
    const raster::Clip clip = clip_of(view);
    const bool shows = !view.clip().empty();
    const bool open = series.kind == Series::Kind::dots || series.kind == Series::Kind::lines;
    if (open && stroke.alignment != Alignment::centred) throw_no_inside();
    Stroke used = stroke;
    if (series.kind == Series::Kind::dots) { // discs have neither ends nor dashes
        used.cap = Cap::round;
        used.dashes = {};
    }
    paint::Painter painter = painter_of(view, stroke.paint, stroke.blending);
    for_each_of(series, [&](const auto& shape) {
        if (shows) paint_visible(clip, painter, shape, used, {});
    });
}

} // namespace coldbrick
