// Filled boxes of every format beside the memory limit.

#include "subjects.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <benchmark/benchmark.h>

#include <algorithm>
#include <cstring>
#include <vector>

namespace {

namespace cb = coldbrick;

void count_bytes(benchmark::State& state, std::int64_t bytes) {
    state.SetBytesProcessed(state.iterations() * bytes);
}

std::vector<std::uint32_t> screen_pixels() {
    return std::vector<std::uint32_t>(static_cast<std::size_t>(screen.width) *
                                      static_cast<std::size_t>(screen.height));
}

void memory_limit_memset(benchmark::State& state) {
    auto pixels = screen_pixels();
    const std::size_t bytes = pixels.size() * 4;
    for (auto _ : state) {
        std::memset(pixels.data(), 0x5a, bytes);
        benchmark::ClobberMemory();
    }
    count_bytes(state, static_cast<std::int64_t>(bytes));
}
BENCHMARK(memory_limit_memset);

void memory_limit_std_fill(benchmark::State& state) {
    auto pixels = screen_pixels();
    for (auto _ : state) {
        std::fill(pixels.begin(), pixels.end(), textbook_colour);
        benchmark::ClobberMemory();
    }
    count_bytes(state, static_cast<std::int64_t>(pixels.size()) * 4);
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

} // namespace
