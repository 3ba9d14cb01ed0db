#include "sheet/language/number_range.hpp"
#include "sheet/running/functions.hpp"

#include <cstdint>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

Value count_in(const Arguments& a) {
    if (const auto* const palette = std::get_if<Shared<Palette>>(&a.value(0)))
        return static_cast<double>((*palette)->size());
    return static_cast<double>(a.list(0).size());
}

Value range_of(const Arguments& a) {
    const double step = a.number(2, 1);
    if (step == 0) a.fail_at(2, "the step is 0");
    const NumberRange range(a.number(0), a.number(1), step);
    a.take_steps(range.count());
    std::vector<Value> values;
    values.reserve(range.count());
    for (std::uint64_t i = 0; i < range.count(); ++i) values.emplace_back(range.at(i));
    return list_of(std::move(values));
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
