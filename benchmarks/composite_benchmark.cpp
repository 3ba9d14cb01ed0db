// See-through colours and images onto images, conversion and resizing, beside plain loops and memcpy.

#include "subjects.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/resize.hpp>

#include <benchmark/benchmark.h>

#include <cstring>
#include <string>
#include <vector>

namespace {

namespace cb = coldbrick;

/// The screen, and an image that the first cache holds with its source.
constexpr cb::Size sizes[] = {{1920, 1080}, {256, 14}};

cb::Size size_of(const benchmark::State& state) {
    return sizes[state.range(0)];
}

void count_pixels(benchmark::State& state, cb::Size size) {
    state.SetItemsProcessed(state.iterations() * size.width * size.height);
}

/// memcpy of as many bytes as the image has; the argument after the size is a pixel's bytes.
void memory_limit_memcpy(benchmark::State& state) {
    const cb::Size size = size_of(state);
    const auto bytes = static_cast<std::size_t>(size.width * size.height * state.range(1));
    const std::vector<std::byte> from(bytes, std::byte{7});
    std::vector<std::byte> to(bytes);
    for (auto _ : state) {
        std::memcpy(to.data(), from.data(), bytes);
        benchmark::ClobberMemory();
    }
    count_pixels(state, size);
}
BENCHMARK(memory_limit_memcpy)->Args({0, 3})->Args({0, 4})->Args({1, 3})->Args({1, 4});

/// Arguments: size and format.
void blend_colour(benchmark::State& state) {
    const cb::Size size = size_of(state);
    const auto format = static_cast<cb::PixelFormat>(state.range(1));
    cb::Image image(size, format, {10, 200, 30});
    const cb::Fill fill{cb::Colour(200, 100, 50, 128)};
    for (auto _ : state) {
        cb::draw(image, cb::Box::of(size), fill);
        benchmark::ClobberMemory();
    }
    count_pixels(state, size);
    state.SetLabel(std::string(cb::layout(format).name));
}
constexpr auto rgb8 = static_cast<std::int64_t>(cb::PixelFormat::rgb8);
constexpr auto rgba8 = static_cast<std::int64_t>(cb::PixelFormat::rgba8);
constexpr auto bgra8 = static_cast<std::int64_t>(cb::PixelFormat::bgra8);
BENCHMARK(blend_colour)->ArgsProduct({{0, 1}, {rgb8, rgba8, bgra8}});

/// A plain loop that the compiler vectorises: four bytes a pixel, what is there opaque.
void blend_colour_plain(benchmark::State& state) {
    const cb::Size size = size_of(state);
    std::vector<std::uint8_t> bytes(static_cast<std::size_t>(size.width * size.height) * 4, 200);
    const std::uint8_t colour[] = {200, 100, 50, 255};
    for (auto _ : state) {
        for (std::size_t i = 0; i < bytes.size(); i += 4)
            for (std::size_t c = 0; c < 4; ++c) {
                const unsigned mixed = colour[c] * 128U + bytes[i + c] * 127U + 128U;
                bytes[i + c] = static_cast<std::uint8_t>((mixed + (mixed >> 8)) >> 8);
            }
        benchmark::ClobberMemory();
    }
    count_pixels(state, size);
}
BENCHMARK(blend_colour_plain)->Arg(0)->Arg(1);

cb::Image see_through(cb::Size size) {
    cb::Image image(size, cb::PixelFormat::rgba8, {200, 100, 50, 90});
    cb::draw(image, cb::Circle{{size.width / 2, size.height / 2}, size.height / 3},
             cb::Fill{cb::Colour(9, 8, 7)});
    return image;
}

void blend_image(benchmark::State& state) {
    const cb::Size size = size_of(state);
    const auto format = static_cast<cb::PixelFormat>(state.range(1));
    const cb::Image source = see_through(size);
    cb::Image image(size, format, {10, 200, 30});
    for (auto _ : state) {
        cb::overlay(image, source, {0, 0});
        benchmark::ClobberMemory();
    }
    count_pixels(state, size);
    state.SetLabel(std::string(cb::layout(format).name));
}
BENCHMARK(blend_image)->ArgsProduct({{0, 1}, {rgb8, rgba8, bgra8}});

/// The same formula in a plain loop.
void blend_image_plain(benchmark::State& state) {
    const cb::Size size = size_of(state);
    const cb::Image source = see_through(size);
    std::vector<std::uint8_t> bytes(static_cast<std::size_t>(size.width * size.height) * 4, 255);
    const auto* const from = reinterpret_cast<const std::uint8_t*>(source.view().bytes());
    for (auto _ : state) {
        for (std::size_t i = 0; i < bytes.size(); i += 4) {
            const unsigned alpha = from[i + 3];
            for (std::size_t c = 0; c < 4; ++c) {
                const unsigned over = c == 3 ? 255 : from[i + c];
                const unsigned mixed = over * alpha + bytes[i + c] * (255 - alpha) + 128;
                bytes[i + c] = static_cast<std::uint8_t>((mixed + (mixed >> 8)) >> 8);
            }
        }
        benchmark::ClobberMemory();
    }
    count_pixels(state, size);
}
BENCHMARK(blend_image_plain)->Arg(0)->Arg(1);

void convert(benchmark::State& state) {
    const auto from = static_cast<cb::PixelFormat>(state.range(0));
    const auto to = static_cast<cb::PixelFormat>(state.range(1));
    const cb::Image source(sizes[0], from, {1, 2, 3, 4});
    for (auto _ : state) benchmark::DoNotOptimize(cb::converted(source, to));
    count_pixels(state, sizes[0]);
    state.SetLabel(std::string(cb::layout(from).name) + " to " + std::string(cb::layout(to).name));
}
BENCHMARK(convert)->Args({rgb8, rgba8})->Args({rgba8, rgb8})->Args({rgb8, bgra8})->Args({bgra8, rgb8});

/// To half the size and to twice the size; items are the larger image's pixels.
void resize(benchmark::State& state) {
    const auto resampling = static_cast<cb::Resampling>(state.range(0));
    const cb::Image source({960, 540}, cb::PixelFormat::rgba8, {1, 2, 3, 200});
    const cb::Size size = state.range(1) == 0 ? cb::Size{480, 270} : cb::Size{1920, 1080};
    for (auto _ : state) benchmark::DoNotOptimize(cb::resized(source, size, {.resampling = resampling}));
    count_pixels(state, state.range(1) == 0 ? source.size() : size);
    state.SetLabel(std::string(resampling == cb::Resampling::area ? "area" : "bilinear") +
                   (state.range(1) == 0 ? ", half" : ", double"));
}
BENCHMARK(resize)->ArgsProduct(
    {{static_cast<int>(cb::Resampling::area), static_cast<int>(cb::Resampling::bilinear)}, {0, 1}});

} // namespace
