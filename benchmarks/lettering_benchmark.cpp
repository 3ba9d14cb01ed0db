// Letters a second from a cold and a warm cache, beside the limit: the same coverages blended at once.

#include "subjects.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/font.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/stencil.hpp>
#include <coldbrick/text.hpp>

#include <benchmark/benchmark.h>

#include <cstdint>
#include <optional>
#include <string>

namespace {

namespace cb = coldbrick;

const std::string words =
    "The harbour office keeps a tide table and soundings for every quay, mole and buoy.";
constexpr double letters = 68; // that are seen

/// The built-in faces, and one of a font file.
cb::Face face_of(std::int64_t number) {
    if (number == 0) return cb::Face::stroke();
    return number == 1 ? cb::Face::bitmap()
                       : cb::load_face("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf");
}

void count_letters(benchmark::State& state, double each_time) {
    state.counters["letters"] =
        benchmark::Counter(each_time * static_cast<double>(state.iterations()), benchmark::Counter::kIsRate);
}

/// Lays words out and draws them, with what the cache has kept or without.
void draw_words(benchmark::State& state, bool warm) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    const cb::TextStyle style{.face = face_of(state.range(0)), .size = static_cast<double>(state.range(1))};
    for (auto _ : state) {
        if (!warm) {
            style.face.limit_cache(0);
            style.face.limit_cache(std::size_t{4} << 20);
        }
        cb::draw(image, cb::Text(words, {20, 500}, style), colour);
        benchmark::ClobberMemory();
    }
    count_letters(state, letters);
    state.counters["cache bytes"] = static_cast<double>(style.face.cache_use().bytes);
    style.face.limit_cache(std::size_t{4} << 20);
}

void Words_Cold(benchmark::State& state) {
    draw_words(state, false);
}
void Words_Warm(benchmark::State& state) {
    draw_words(state, true);
}

/// A text that is laid out already.
void Words_LaidOut(benchmark::State& state) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    const cb::Text text(words, {20, 500},
                        {.face = face_of(state.range(0)), .size = static_cast<double>(state.range(1))});
    for (auto _ : state) {
        cb::draw(image, text, colour);
        benchmark::ClobberMemory();
    }
    count_letters(state, letters);
}

/// The limit: the pixels that the letters cover, blended from one picture of coverages.
void Words_BlendLimit(benchmark::State& state) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    cb::Drawing drawing;
    add(drawing,
        cb::Text(words, {20, 500},
                 {.face = face_of(state.range(0)), .size = static_cast<double>(state.range(1))}),
        {.paint = colour});
    const cb::Stencil stencil = std::get<cb::Drawing::Print>(drawing.items().front()).stencil;
    for (auto _ : state) {
        cb::draw(image, stencil, colour);
        benchmark::ClobberMemory();
    }
    count_letters(state, letters);
}

/// Soundings all over a chart: each a text of its own.
void Labels_10000(benchmark::State& state) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    const cb::TextStyle style{.face = face_of(state.range(0)),
                              .size = static_cast<double>(state.range(1)),
                              .anchor = {cb::TextColumn::centre, cb::TextRow::middle}};
    for (auto _ : state) {
        std::uint32_t place = 1;
        for (int i = 0; i < 10000; ++i) {
            place = place * 1664525 + 1013904223;
            const cb::Point at{static_cast<std::int32_t>(place >> 8U) % screen.width,
                               static_cast<std::int32_t>(place >> 4U) % screen.height};
            cb::draw(image, cb::Text(std::to_string(i), at, style), colour);
        }
        benchmark::ClobberMemory();
    }
    state.counters["labels"] =
        benchmark::Counter(10000.0 * static_cast<double>(state.iterations()), benchmark::Counter::kIsRate);
}

void sizes(benchmark::internal::Benchmark* benchmark) {
    for (const std::int64_t face : {0, 1, 2})
        for (const std::int64_t size : {12, 16, 48}) benchmark->Args({face, size});
}

BENCHMARK(Words_Cold)->Apply(sizes);
BENCHMARK(Words_Warm)->Apply(sizes);
BENCHMARK(Words_LaidOut)->Apply(sizes);
BENCHMARK(Words_BlendLimit)->Apply(sizes);
BENCHMARK(Labels_10000)->Args({0, 12})->Args({1, 9})->Args({2, 12})->Unit(benchmark::kMillisecond);

} // namespace
