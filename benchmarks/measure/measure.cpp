// Measures the library beside the textbook: in instructions, which callgrind counts, or in time.

#include "cases.hpp"

#include <valgrind/callgrind.h>

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <string>
#include <string_view>

namespace {

constexpr coldbrick::Size in_cache{512, 512};
constexpr coldbrick::Size large{1920, 1080};

/// Every side of every case writes a profile of its own, named "case number, side".
/// @param ours_only whether the opponents, whose numbers do not change, are passed by
int count_instructions(bool ours_only) {
    if (RUNNING_ON_VALGRIND == 0) {
        std::fputs("coldbrick_measure instructions runs under valgrind --tool=callgrind\n", stderr);
        return EXIT_FAILURE;
    }
    int number = 0;
    for (const Case& one : cases(in_cache)) {
        std::printf("%d|%s|%s|%d\n", number, one.group.c_str(), one.name.c_str(), one.calls);
        for (const auto& [side, run] : {std::pair{"opponent", &one.opponent}, {"ours", &one.ours}}) {
            if (ours_only && run == &one.opponent) continue;
            const std::string name = std::to_string(number) + " " + side;
            (*run)(); // what is done once is not counted
            CALLGRIND_ZERO_STATS;
            (*run)();
            CALLGRIND_DUMP_STATS_AT(name.c_str());
        }
        ++number;
    }
    return EXIT_SUCCESS;
}

double seconds_of(const std::function<void()>& run, int times) {
    const auto begin = std::chrono::steady_clock::now();
    for (int i = 0; i < times; ++i) run();
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
}

/// The median of the ratios, opponent to ours, of runs right after each other.
double ratio_of(const Case& one, int pairs) {
    constexpr double at_least = 0.003;
    int times = 1;
    while (std::min(seconds_of(one.ours, times), seconds_of(one.opponent, times)) < at_least) times *= 2;
    std::vector<double> ratios;
    for (int i = 0; i < pairs; ++i) {
        const double opponent = seconds_of(one.opponent, times);
        ratios.push_back(opponent / seconds_of(one.ours, times));
    }
    std::ranges::nth_element(ratios, ratios.begin() + pairs / 2);
    return ratios[static_cast<std::size_t>(pairs / 2)];
}

int measure_time(int pairs) {
    for (const coldbrick::Size size : {in_cache, large})
        for (const Case& one : cases(size)) {
            std::printf("%dx%d|%s|%s|%.3f\n", size.width, size.height, one.group.c_str(), one.name.c_str(),
                        ratio_of(one, pairs));
            std::fflush(stdout);
        }
    return EXIT_SUCCESS;
}

} // namespace

int main(int count, char** arguments) {
    const std::string_view what = count > 1 ? arguments[1] : "";
    if (what == "instructions" || what == "ours") return count_instructions(what == "ours");
    if (what == "time") return measure_time(count > 2 ? std::atoi(arguments[2]) : 21);
    std::fputs("usage: coldbrick_measure instructions | ours | time [PAIRS]\n", stderr);
    return EXIT_FAILURE;
}
