#include "sheet/functions.hpp"

#include <fmt/core.h>

#include <cmath>
#include <string>
#include <utility>

namespace coldbrick::sheet {

namespace {

Value count_in(const Arguments& a) {
    if (const auto* const palette = std::get_if<Shared<Palette>>(&a.value(0)))
        return static_cast<double>((*palette)->size());
    return static_cast<double>(a.list(0).size());
}

/// Numbers from one to another, both included.
Value range_of(const Arguments& a) {
    const double step = a.number(2, 1);
    if (step == 0) a.fail_at(2, "the step is 0");
    constexpr double tolerance = 1e-9; // of a step: for fractions that are not exact
    const double last = std::floor((a.number(1) - a.number(0)) / step + tolerance);
    std::vector<Value> values;
    if (last >= 0) {
        constexpr double most = 1e9; // far more steps than may be taken
        a.take_steps(static_cast<std::size_t>(std::min(last, most)) + 1);
        for (double i = 0; i <= last; ++i) values.emplace_back(a.number(0) + i * step);
    }
    return std::make_shared<const std::vector<Value>>(std::move(values));
}

constexpr Function table_of_lists[] = {
    {"count", 1, 1, [](Arguments& a) { return count_in(a); }},
    {"range", 2, 3, [](Arguments& a) { return range_of(a); }},
};

} // namespace

std::span<const Function> list_functions() {
    return table_of_lists;
}

} // namespace coldbrick::sheet
