// Telling what of a drawing can be seen, beside drawing it: so many shapes on a picture of a million pixels.

#include <coldbrick/drawing.hpp>
#include <coldbrick/visibility.hpp>

#include <benchmark/benchmark.h>

#include <cstdint>
#include <random>

namespace {

namespace cb = coldbrick;

constexpr std::int32_t side = 1000;

/// A mixture of filled and outlined, opaque and see-through, crisp and smooth shapes up to 40 pixels wide.
const cb::Drawing& mixture(std::int64_t count) {
    static cb::Drawing drawing;
    static std::int64_t made = 0;
    if (made == count) return drawing;
    drawing = {};
    made = count;
    std::minstd_rand random(7);
    const auto number = [&](std::uint32_t end) { return static_cast<std::int32_t>(random() % end); };
    for (std::int64_t i = 0; i < count; ++i) {
        const cb::Point at{number(side), number(side)};
        const cb::Colour colour(number(256), number(256), number(256), number(3) == 0 ? 128 : 255);
        const cb::Edges edges = number(4) == 0 ? cb::Edges::smooth : cb::Edges::crisp;
        const cb::Fill fill{.paint = colour, .edges = edges};
        const cb::Stroke stroke{.paint = colour, .width = 1 + number(3), .edges = edges};
        drawing.set_tag(static_cast<std::uint32_t>(i));
        switch (number(4)) {
        case 0: drawing.add(cb::Circle{at, number(20)}, fill); break;
        case 1: drawing.add(cb::Box{at.x, at.y, number(40), number(40)}, fill, stroke); break;
        case 2: drawing.add(cb::Line{at, {at.x + number(40) - 20, at.y + number(40) - 20}}, stroke); break;
        default:
            drawing.add(cb::Polygon{{at, {at.x + number(40), at.y + 9}, {at.x + 5, at.y + number(40)}}},
                        fill);
        }
    }
    return drawing;
}

/// @param use use(view, drawing)
template <class Use>
void measure(benchmark::State& state, const Use& use) {
    const cb::Drawing& drawing = mixture(state.range(0));
    cb::Image image({side, side}, cb::PixelFormat::rgb8);
    for (auto _ : state) use(image.view(), drawing);
    state.SetItemsProcessed(state.iterations() * state.range(0));
}

void draw_mixture(benchmark::State& state) {
    measure(state, [](const cb::ImageView& view, const cb::Drawing& drawing) { cb::draw(view, drawing); });
}
void mixture_visibility(benchmark::State& state) {
    measure(state, [](const cb::ImageView& view, const cb::Drawing& drawing) {
        benchmark::DoNotOptimize(cb::visibility(view, drawing).size());
    });
}
void mixture_owners(benchmark::State& state) {
    measure(state, [](const cb::ImageView& view, const cb::Drawing& drawing) {
        benchmark::DoNotOptimize(cb::owners(view, drawing).items.size());
    });
}
void mixture_history(benchmark::State& state) {
    measure(state, [](const cb::ImageView& view, const cb::Drawing& drawing) {
        benchmark::DoNotOptimize(cb::history(view, drawing, {500, 500}).size());
    });
}
BENCHMARK(draw_mixture)->Arg(100)->Arg(10'000)->Arg(1'000'000)->Unit(benchmark::kMillisecond);
BENCHMARK(mixture_visibility)->Arg(100)->Arg(10'000)->Arg(1'000'000)->Unit(benchmark::kMillisecond);
BENCHMARK(mixture_owners)->Arg(100)->Arg(10'000)->Arg(1'000'000)->Unit(benchmark::kMillisecond);
BENCHMARK(mixture_history)->Arg(100)->Arg(10'000)->Arg(1'000'000)->Unit(benchmark::kMillisecond);

} // namespace
