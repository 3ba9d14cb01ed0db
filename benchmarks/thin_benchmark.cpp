// Lines and circle outlines of width 1 beside the textbook's, in cache and out of it, half visible and
// far-reaching.

#include "subjects.hpp"
#include "textbook.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <benchmark/benchmark.h>

#include <cmath>

namespace {

namespace cb = coldbrick;

constexpr cb::Size sizes[] = {cached, screen};

/// Lines of `length` pixels in all directions about places on the image; they may leave it where it is too
/// small.
std::vector<cb::Line> lines(cb::Size size, int length) {
    std::vector<cb::Line> result;
    int turn = 0;
    for (const cb::Point& centre : places(size, std::min(length / 2 + 1, size.height / 2 - 1))) {
        const double angle = 2.399963 * turn++; // the golden angle: no direction is favoured
        const double longer = std::max(std::abs(std::cos(angle)), std::abs(std::sin(angle)));
        const auto dx = static_cast<std::int32_t>(std::lround((length - 1) / 2.0 * std::cos(angle) / longer));
        const auto dy = static_cast<std::int32_t>(std::lround((length - 1) / 2.0 * std::sin(angle) / longer));
        result.push_back({{centre.x - dx, centre.y - dy}, {centre.x + dx, centre.y + dy}});
    }
    return result;
}

/// Arguments: the size's index and a length or radius.
cb::Size size_of(const benchmark::State& state) {
    return sizes[state.range(0)];
}

template <class Subjects, class Draw>
void over(benchmark::State& state, const Subjects& subjects, Draw draw_one) {
    for (auto _ : state) {
        for (const auto& subject : subjects) draw_one(subject);
        benchmark::ClobberMemory();
    }
    state.SetItemsProcessed(state.iterations() * static_cast<std::int64_t>(subjects.size()));
    state.SetLabel(std::to_string(size_of(state).width) + "x" + std::to_string(size_of(state).height));
}

void thin_line(benchmark::State& state) {
    cb::Image image(size_of(state), cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    over(state, lines(image.size(), static_cast<int>(state.range(1))),
         [&](const cb::Line& line) { cb::draw(view, line, cb::Stroke{colour}); });
}
BENCHMARK(thin_line)->ArgsProduct({{0}, {16, 100}})->ArgsProduct({{1}, {16, 100, 1000}});

void thin_line_textbook(benchmark::State& state) {
    const cb::Size size = size_of(state);
    textbook::Canvas canvas(size.width, size.height);
    over(state, lines(size, static_cast<int>(state.range(1))), [&](const cb::Line& line) {
        textbook::line(canvas, line.from.x, line.from.y, line.to.x, line.to.y, textbook_colour);
    });
}
BENCHMARK(thin_line_textbook)->ArgsProduct({{0}, {16, 100}})->ArgsProduct({{1}, {16, 100, 1000}});

/// Lines of 200 pixels about the image's left edge, so that half of each is cut off.
std::vector<cb::Line> half_visible_lines() {
    std::vector<cb::Line> result = lines({1920, 1080}, 200);
    for (cb::Line& line : result) line = line.moved(-(line.from.x + line.to.x) / 2, 0);
    return result;
}

void half_visible_line(benchmark::State& state) {
    cb::Image image(size_of(state), cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    over(state, half_visible_lines(),
         [&](const cb::Line& line) { cb::draw(view, line, cb::Stroke{colour}); });
}
BENCHMARK(half_visible_line)->Arg(1);

void whole_line_of_the_same_pixels(benchmark::State& state) {
    cb::Image image(size_of(state), cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    over(state, lines(image.size(), 100),
         [&](const cb::Line& line) { cb::draw(view, line, cb::Stroke{colour}); });
}
BENCHMARK(whole_line_of_the_same_pixels)->Arg(1);

void circle_outline(benchmark::State& state) {
    cb::Image image(size_of(state), cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    const auto radius = static_cast<std::int32_t>(state.range(1));
    over(state, places(image.size(), radius + 1), [&](cb::Point at) {
        cb::draw(view, cb::Circle{at, radius}, cb::Stroke{colour});
    });
}
BENCHMARK(circle_outline)->ArgsProduct({{0}, {4, 20, 100}})->ArgsProduct({{1}, {20, 100, 400}});

void circle_outline_textbook(benchmark::State& state) {
    const cb::Size size = size_of(state);
    textbook::Canvas canvas(size.width, size.height);
    const auto radius = static_cast<int>(state.range(1));
    over(state, places(size, radius + 1),
         [&](cb::Point at) { textbook::circle_outline(canvas, at.x, at.y, radius, textbook_colour); });
}
BENCHMARK(circle_outline_textbook)->ArgsProduct({{0}, {4, 20, 100}})->ArgsProduct({{1}, {20, 100, 400}});

constexpr std::int32_t far_radius = 100000;
constexpr std::int32_t far_centre_x = 960 - far_radius; // the edge crosses the image

void far_circle_outline(benchmark::State& state) {
    cb::Image image(size_of(state), cb::PixelFormat::rgba8);
    const cb::Circle circle{{far_centre_x, 540}, far_radius};
    for (auto _ : state) cb::draw(image, circle, cb::Stroke{colour});
}
BENCHMARK(far_circle_outline)->Arg(1);

void far_circle_outline_textbook(benchmark::State& state) {
    textbook::Canvas canvas(1920, 1080);
    for (auto _ : state) textbook::circle_outline(canvas, far_centre_x, 540, far_radius, textbook_colour);
}
BENCHMARK(far_circle_outline_textbook)->Arg(1);

void far_circle_filled(benchmark::State& state) {
    cb::Image image(size_of(state), cb::PixelFormat::rgba8);
    const cb::Circle circle{{far_centre_x, 540}, far_radius};
    for (auto _ : state) cb::draw(image, circle, cb::Fill{colour});
}
BENCHMARK(far_circle_filled)->Arg(1);

void far_circle_filled_textbook(benchmark::State& state) {
    textbook::Canvas canvas(1920, 1080);
    for (auto _ : state)
        textbook::filled_circle_by_rows(canvas, far_centre_x, 540, far_radius, textbook_colour);
}
BENCHMARK(far_circle_filled_textbook)->Arg(1);

} // namespace
