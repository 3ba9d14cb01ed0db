// Reading and carrying out sheets: so many plain statements, or a motif placed so often.

#include <coldbrick/sheet.hpp>

#include <benchmark/benchmark.h>

#include <cstdint>
#include <string>

namespace {

namespace cb = coldbrick;

std::string plain_statements(std::int64_t count) {
    std::string text = "sheet 1000 x 1000 on navy\nlet p = (3, 4)\n";
    for (std::int64_t i = 0; i < count; ++i) {
        std::string point("(");
        point.append(std::to_string(i % 1000)).append(", ");
        point.append(std::to_string(i / 1000 % 1000)).append(")");
        switch (i % 4) {
        case 0: text.append("circle at ").append(point).append(" radius 5 fill red\n"); break;
        case 1: text.append("line ").append(point).append(" to (20, 30) stroke white 2\n"); break;
        case 2: text.append("box ").append(point).append(" size 4 x 5 fill gold stroke navy\n"); break;
        default: text.append("circle at p + ").append(point).append(" radius 2 * 3 fill red\n"); break;
        }
    }
    return text;
}

void read_statements(benchmark::State& state) {
    const std::string text = plain_statements(state.range(0));
    for (auto _ : state) benchmark::DoNotOptimize(cb::read_sheet(text, "plain").drawing.items().size());
    state.SetItemsProcessed(state.iterations() * state.range(0));
}
BENCHMARK(read_statements)->Arg(10'000)->Arg(100'000)->Arg(1'000'000)->Unit(benchmark::kMillisecond);

void carry_out_again(benchmark::State& state) {
    const cb::Sheet sheet = cb::read_sheet(plain_statements(state.range(0)), "plain");
    for (auto _ : state) benchmark::DoNotOptimize(sheet.again({}).drawing.items().size());
    state.SetItemsProcessed(state.iterations() * state.range(0));
}
BENCHMARK(carry_out_again)->Arg(100'000)->Unit(benchmark::kMillisecond);

void place_motif(benchmark::State& state) {
    std::string text(
        "sheet 1000 x 1000\nmotif dot(p, r)\n  circle at p radius r fill red\nend\nrepeat i from 1 to ");
    text.append(std::to_string(state.range(0))).append("\n  place dot((mod(i, 1000), i / 1000), 2)\nend\n");
    for (auto _ : state) benchmark::DoNotOptimize(cb::read_sheet(text, "motif").drawing.items().size());
    state.SetItemsProcessed(state.iterations() * state.range(0));
}
BENCHMARK(place_motif)->Arg(10'000)->Arg(100'000)->Arg(1'000'000)->Unit(benchmark::kMillisecond);

} // namespace
