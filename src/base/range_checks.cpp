#include "base/range_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

namespace coldbrick::base {

void throw_out_of_range(std::string_view name, std::int64_t value, std::int64_t low, std::int64_t high) {
    throw ArgumentError(fmt::format("{} {} is outside {}..{}", name, value, low, high));
}

void throw_not_finite(std::string_view name, double value) {
    throw ArgumentError(fmt::format("{} {} is not a finite number", name, value));
}

void throw_no_share(std::string_view name, double value) {
    throw ArgumentError(fmt::format("{} {} is outside 0..1", name, value));
}

} // namespace coldbrick::base
