// Filled boxes and circles: large ones beside the memory limit, small ones beside the textbook.

#include "subjects.hpp"
#include "textbook.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <benchmark/benchmark.h>

#include <cstring>

namespace {

namespace cb = coldbrick;

void count_bytes(benchmark::State& state, std::int64_t bytes) {
    state.SetBytesProcessed(state.iterations() * bytes);
}

void memory_limit_memset(benchmark::State& state) {
    textbook::Canvas canvas(screen.width, screen.height);
    const std::size_t bytes = canvas.pixels.size() * 4;
    for (auto _ : state) {
        std::memset(canvas.pixels.data(), 0x5a, bytes);
        benchmark::ClobberMemory();
    }
    count_bytes(state, static_cast<std::int64_t>(bytes));
}
BENCHMARK(memory_limit_memset);

void memory_limit_std_fill(benchmark::State& state) {
    textbook::Canvas canvas(screen.width, screen.height);
    for (auto _ : state) {
        std::fill(canvas.pixels.begin(), canvas.pixels.end(), textbook_colour);
        benchmark::ClobberMemory();
    }
    count_bytes(state, static_cast<std::int64_t>(canvas.pixels.size()) * 4);
}
BENCHMARK(memory_limit_std_fill);

void large_box(benchmark::State& state) {
    const auto format = static_cast<cb::PixelFormat>(state.range(0));
    cb::Image image(screen, format);
    for (auto _ : state) {
        cb::draw(image, cb::Box::of(screen), cb::Fill{colour});
        benchmark::ClobberMemory();
    }
    count_bytes(state, std::int64_t{screen.width} * screen.height * cb::layout(format).bytes);
    state.SetLabel(std::string(cb::layout(format).name));
}
BENCHMARK(large_box)->DenseRange(0, 14);

void large_circle(benchmark::State& state) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    const cb::Circle circle{{960, 540}, 539};
    std::int64_t pixels = 0;
    for (int i = 0; i < screen.width * screen.height; ++i)
        pixels += circle.contains({i % screen.width, i / screen.width});
    for (auto _ : state) {
        cb::draw(image, circle, cb::Fill{colour});
        benchmark::ClobberMemory();
    }
    count_bytes(state, pixels * 4);
}
BENCHMARK(large_circle);

/// std::fill on the very rows of the large circle: the memory limit for its pixels.
void large_circle_rows_std_fill(benchmark::State& state) {
    textbook::Canvas canvas(screen.width, screen.height);
    std::vector<int> half_widths;
    std::int64_t pixels = 0;
    for (int y = 1; y < 1080; ++y) {
        int half = 0;
        while (cb::Circle{{0, 540}, 539}.contains({half + 1, y})) ++half;
        half_widths.push_back(half);
        pixels += 2 * half + 1;
    }
    for (auto _ : state) {
        for (int y = 1; y < 1080; ++y) {
            const int half = half_widths[static_cast<std::size_t>(y - 1)];
            const auto row = canvas.pixels.begin() + std::ptrdiff_t{y} * screen.width + 960;
            std::fill(row - half, row + half + 1, textbook_colour);
        }
        benchmark::ClobberMemory();
    }
    count_bytes(state, pixels * 4);
}
BENCHMARK(large_circle_rows_std_fill);

/// Runs draw_one(position) over places on an image; counts shapes.
template <class Draw>
void at_places(benchmark::State& state, cb::Size size, int margin, Draw draw_one) {
    const auto positions = places(size, margin);
    for (auto _ : state) {
        for (const cb::Point& position : positions) draw_one(position);
        benchmark::ClobberMemory();
    }
    state.SetItemsProcessed(state.iterations() * static_cast<std::int64_t>(positions.size()));
}

void small_circle(benchmark::State& state) {
    cb::Image image(cached, cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    const auto radius = static_cast<std::int32_t>(state.range(0));
    at_places(state, cached, radius + 1, [&](cb::Point at) {
        cb::draw(view, cb::Circle{at, radius}, cb::Fill{colour});
    });
}
BENCHMARK(small_circle)->Arg(4)->Arg(8)->Arg(12)->Arg(20);

void small_circle_textbook(benchmark::State& state) {
    textbook::Canvas canvas(cached.width, cached.height);
    const auto radius = static_cast<int>(state.range(0));
    at_places(state, cached, radius + 1,
              [&](cb::Point at) { textbook::filled_circle(canvas, at.x, at.y, radius, textbook_colour); });
}
BENCHMARK(small_circle_textbook)->Arg(4)->Arg(8)->Arg(12)->Arg(20);

void small_circle_textbook_by_rows(benchmark::State& state) {
    textbook::Canvas canvas(cached.width, cached.height);
    const auto radius = static_cast<int>(state.range(0));
    at_places(state, cached, radius + 1, [&](cb::Point at) {
        textbook::filled_circle_by_rows(canvas, at.x, at.y, radius, textbook_colour);
    });
}
BENCHMARK(small_circle_textbook_by_rows)->Arg(4)->Arg(8)->Arg(12)->Arg(20);

void small_box(benchmark::State& state) {
    cb::Image image(cached, cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    const std::int64_t side = state.range(0);
    at_places(state, cached, static_cast<int>(side), [&](cb::Point at) {
        cb::draw(view, cb::Box{at.x, at.y, side, side}, cb::Fill{colour});
    });
}
BENCHMARK(small_box)->Arg(4)->Arg(16)->Arg(40);

void small_box_textbook(benchmark::State& state) {
    textbook::Canvas canvas(cached.width, cached.height);
    const auto side = static_cast<int>(state.range(0));
    at_places(state, cached, side,
              [&](cb::Point at) { textbook::filled_box(canvas, at.x, at.y, side, side, textbook_colour); });
}
BENCHMARK(small_box_textbook)->Arg(4)->Arg(16)->Arg(40);

} // namespace
