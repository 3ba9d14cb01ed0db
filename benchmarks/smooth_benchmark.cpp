// Smooth fills and strokes beside crisp ones and beside the textbook's samples and signed areas.

#include "smooth_textbook.hpp"
#include "subjects.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/path.hpp>

#include <benchmark/benchmark.h>

#include <cmath>
#include <cstdint>
#include <numbers>
#include <vector>

namespace {

namespace cb = coldbrick;

cb::Fill fill_with(cb::Edges edges) {
    cb::Fill fill{colour};
    fill.edges = edges;
    fill.extent = cb::FillExtent::tiling; // the bare inside, as the textbook has it
    return fill;
}

std::uint8_t* bytes_of(cb::Image& image) {
    return reinterpret_cast<std::uint8_t*>(image.view().bytes());
}

template <class Draw>
void repeat(benchmark::State& state, Draw draw_one) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    for (auto _ : state) {
        draw_one(image);
        benchmark::ClobberMemory();
    }
}

/// Mostly even, with vertices at two distances in turns, or waves if there are more than can be seen.
std::vector<cb::Point> star_ring(std::int64_t vertices) {
    std::vector<cb::Point> result;
    for (std::int64_t i = 0; i < vertices; ++i) {
        const double angle = 2 * std::numbers::pi * static_cast<double>(i) / static_cast<double>(vertices);
        const double radius = vertices > 1000 ? 460 + 60 * std::sin(20 * angle) : i % 2 != 0 ? 520 : 400;
        result.push_back({static_cast<std::int32_t>(std::lround(960 + radius * std::cos(angle))),
                          static_cast<std::int32_t>(std::lround(540 + radius * std::sin(angle)))});
    }
    return result;
}

std::vector<textbook::Corner> corners_of(const std::vector<cb::Point>& ring) {
    std::vector<textbook::Corner> result;
    for (const cb::Point& point : ring) result.push_back({point.x + 0.5, point.y + 0.5});
    return result;
}

void polygon_with(benchmark::State& state, cb::Edges edges) {
    const cb::Polygon polygon(star_ring(state.range(0)));
    const cb::Fill fill = fill_with(edges);
    repeat(state, [&](cb::Image& image) { cb::draw(image, polygon, fill); });
}
void smooth_polygon(benchmark::State& state) {
    polygon_with(state, cb::Edges::smooth);
}
void smooth_polygon_crisp(benchmark::State& state) {
    polygon_with(state, cb::Edges::crisp);
}
BENCHMARK(smooth_polygon)->Arg(5)->Arg(50)->Arg(1000)->Arg(100000);
BENCHMARK(smooth_polygon_crisp)->Arg(5)->Arg(50)->Arg(1000)->Arg(100000);

void smooth_polygon_areas(benchmark::State& state) {
    const auto corners = corners_of(star_ring(state.range(0)));
    textbook::AreaBuffer areas(screen.width, screen.height);
    repeat(state, [&](cb::Image& image) {
        for (std::size_t i = 0; i < corners.size(); ++i)
            areas.add_edge(corners[i], corners[(i + 1) % corners.size()]);
        areas.paint(bytes_of(image), textbook_colour);
    });
}
BENCHMARK(smooth_polygon_areas)->Arg(5)->Arg(50)->Arg(1000)->Arg(100000);

void smooth_polygon_samples(benchmark::State& state) {
    const auto corners = corners_of(star_ring(state.range(0)));
    repeat(state, [&](cb::Image& image) {
        textbook::paint_sampled_polygon(bytes_of(image), screen.width, screen.height, corners,
                                        textbook_colour);
    });
}
BENCHMARK(smooth_polygon_samples)->Arg(5)->Arg(50)->Arg(1000);

const cb::Point middle{960, 540};

void circle_with(benchmark::State& state, cb::Edges edges) {
    const cb::Circle circle{middle, static_cast<std::int32_t>(state.range(0))};
    const cb::Fill fill = fill_with(edges);
    repeat(state, [&](cb::Image& image) { cb::draw(image, circle, fill); });
}
void smooth_circle(benchmark::State& state) {
    circle_with(state, cb::Edges::smooth);
}
void smooth_circle_crisp(benchmark::State& state) {
    circle_with(state, cb::Edges::crisp);
}
BENCHMARK(smooth_circle)->Arg(20)->Arg(100)->Arg(539);
BENCHMARK(smooth_circle_crisp)->Arg(20)->Arg(100)->Arg(539);

void smooth_circle_samples(benchmark::State& state) {
    const auto radius = static_cast<int>(state.range(0));
    const double square = (radius + 0.5) * (radius + 0.5);
    const auto inside = [square](double x, double y) {
        return (x - 960.5) * (x - 960.5) + (y - 540.5) * (y - 540.5) <= square;
    };
    repeat(state, [&](cb::Image& image) {
        textbook::paint_sampled(bytes_of(image), screen.width, middle.x - radius, middle.y - radius,
                                middle.x + radius + 1, middle.y + radius + 1, textbook_colour, inside);
    });
}
BENCHMARK(smooth_circle_samples)->Arg(20)->Arg(100)->Arg(539);

void line_with(benchmark::State& state, cb::Edges edges) {
    cb::Stroke stroke{colour, static_cast<std::int32_t>(state.range(0))};
    stroke.edges = edges;
    repeat(state, [&](cb::Image& image) { cb::draw(image, cb::Line{{100, 100}, {500, 300}}, stroke); });
}
void smooth_line(benchmark::State& state) {
    line_with(state, cb::Edges::smooth);
}
void smooth_line_crisp(benchmark::State& state) {
    line_with(state, cb::Edges::crisp);
}
BENCHMARK(smooth_line)->Arg(1)->Arg(5)->Arg(25);
BENCHMARK(smooth_line_crisp)->Arg(1)->Arg(5)->Arg(25);

void smooth_line_samples(benchmark::State& state) {
    const double half = static_cast<double>(state.range(0)) / 2;
    const double length = std::hypot(400, 200);
    const auto inside = [=](double x, double y) {
        const double along = ((x - 100.5) * 400 + (y - 100.5) * 200) / length;
        const double aside = ((x - 100.5) * 200 - (y - 100.5) * 400) / length;
        return along >= -0.5 && along <= length + 0.5 && std::abs(aside) <= half;
    };
    repeat(state, [&](cb::Image& image) {
        textbook::paint_sampled(bytes_of(image), screen.width, 80, 80, 520, 320, textbook_colour, inside);
    });
}
BENCHMARK(smooth_line_samples)->Arg(1)->Arg(5)->Arg(25);

void smooth_line_areas(benchmark::State& state) {
    const double half = static_cast<double>(state.range(0)) / 2;
    const double length = std::hypot(400, 200);
    const textbook::Corner along{400 / length / 2, 200 / length / 2};
    const textbook::Corner aside{-200 / length * half, 400 / length * half};
    const textbook::Corner a{100.5 - along.x, 100.5 - along.y};
    const textbook::Corner b{500.5 + along.x, 300.5 + along.y};
    const std::vector<textbook::Corner> corners{{a.x + aside.x, a.y + aside.y},
                                                {b.x + aside.x, b.y + aside.y},
                                                {b.x - aside.x, b.y - aside.y},
                                                {a.x - aside.x, a.y - aside.y}};
    textbook::AreaBuffer areas(screen.width, screen.height);
    repeat(state, [&](cb::Image& image) {
        for (std::size_t i = 0; i < 4; ++i) areas.add_edge(corners[i], corners[(i + 1) % 4]);
        areas.paint(bytes_of(image), textbook_colour);
    });
}
BENCHMARK(smooth_line_areas)->Arg(1)->Arg(5)->Arg(25);

void smooth_path(benchmark::State& state) {
    cb::Stroke stroke{colour, 4.5};
    stroke.edges = cb::Edges::smooth;
    const cb::Path path = cb::Path().move_to({100, 300}).cubic_to({500, -200}, {900, 900}, {1500, 300});
    repeat(state, [&](cb::Image& image) { cb::draw(image, path, stroke); });
}
BENCHMARK(smooth_path);

} // namespace
