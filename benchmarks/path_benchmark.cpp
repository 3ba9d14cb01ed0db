// Wide lines and polygons beside the textbook's, near and far.

#include "subjects.hpp"
#include "textbook.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <benchmark/benchmark.h>

#include <cmath>
#include <numbers>

namespace {

namespace cb = coldbrick;

/// Lines of 100 pixels in all directions.
std::vector<cb::Line> lines() {
    std::vector<cb::Line> result;
    int turn = 0;
    for (const cb::Point& centre : places(cached, 66)) {
        const double angle = 2.399963 * turn++;
        const auto dx = static_cast<std::int32_t>(std::lround(50 * std::cos(angle)));
        const auto dy = static_cast<std::int32_t>(std::lround(50 * std::sin(angle)));
        result.push_back({{centre.x - dx, centre.y - dy}, {centre.x + dx, centre.y + dy}});
    }
    return result;
}

template <class Draw>
void over_lines(benchmark::State& state, Draw draw_one) {
    const auto subjects = lines();
    for (auto _ : state) {
        for (const cb::Line& line : subjects) draw_one(line);
        benchmark::ClobberMemory();
    }
    state.SetItemsProcessed(state.iterations() * static_cast<std::int64_t>(subjects.size()));
}

void wide_line(benchmark::State& state) {
    cb::Image image(cached, cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    const cb::Stroke stroke{colour, static_cast<std::int32_t>(state.range(0))};
    over_lines(state, [&](const cb::Line& line) { cb::draw(view, line, stroke); });
}
BENCHMARK(wide_line)->Arg(5)->Arg(25);

void wide_line_textbook(benchmark::State& state) {
    textbook::Canvas canvas(cached.width, cached.height);
    over_lines(state, [&](const cb::Line& line) {
        textbook::wide_line(canvas, line.from.x, line.from.y, line.to.x, line.to.y,
                            static_cast<int>(state.range(0)), textbook_colour);
    });
}
BENCHMARK(wide_line_textbook)->Arg(5)->Arg(25);

/// A star-shaped ring about a centre whose vertices' distances vary.
std::vector<cb::Point> ring(std::int64_t vertices, cb::Point centre, double radius) {
    std::vector<cb::Point> result;
    for (std::int64_t i = 0; i < vertices; ++i) {
        const double angle = 2 * std::numbers::pi * static_cast<double>(i) / static_cast<double>(vertices);
        const double distance = radius * (i % 2 == 0 ? 1.0 : 0.8);
        result.push_back({centre.x + static_cast<std::int32_t>(std::lround(distance * std::cos(angle))),
                          centre.y + static_cast<std::int32_t>(std::lround(distance * std::sin(angle)))});
    }
    return result;
}

/// Arguments: vertices and radius.
void polygon(benchmark::State& state) {
    const double radius = static_cast<double>(state.range(1));
    cb::Image image(radius > 128 ? screen : cached, cb::PixelFormat::rgba8);
    const cb::Polygon shape(ring(state.range(0), cb::Box::of(image.size()).centre(), radius));
    for (auto _ : state) {
        cb::draw(image, shape, cb::Fill{colour});
        benchmark::ClobberMemory();
    }
}
BENCHMARK(polygon)
    ->Args({5, 120})
    ->Args({50, 120})
    ->Args({1000, 120})
    ->Args({1000, 530})
    ->Args({100000, 530});

void polygon_textbook(benchmark::State& state) {
    const double radius = static_cast<double>(state.range(1));
    const cb::Size size = radius > 128 ? screen : cached;
    textbook::Canvas canvas(size.width, size.height);
    std::vector<textbook::Vertex> vertices;
    for (const cb::Point& point : ring(state.range(0), cb::Box::of(size).centre(), radius))
        vertices.push_back({point.x, point.y});
    for (auto _ : state) {
        textbook::polygon(canvas, vertices, textbook_colour);
        benchmark::ClobberMemory();
    }
}
BENCHMARK(polygon_textbook)->Args({5, 120})->Args({50, 120})->Args({1000, 120})->Args({1000, 530});

/// A triangle over the whole image; its reach is the argument.
void covering_triangle(benchmark::State& state) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    const auto reach = static_cast<std::int32_t>(state.range(0));
    const cb::Polygon shape({{960, -reach}, {reach, reach}, {-reach, reach}});
    for (auto _ : state) {
        cb::draw(image, shape, cb::Fill{colour});
        benchmark::ClobberMemory();
    }
}
BENCHMARK(covering_triangle)->Arg(1 << 13)->Arg(2147483647);

} // namespace
