#include "sheet/running/functions.hpp"

#include "sheet/running/loaded_files.hpp"
#include "sheet/running/random_bits.hpp"

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <bit>
#include <cmath>

namespace coldbrick::sheet {

void Arguments::fail_at(std::size_t i, std::string_view message) const {
    fail(places_[i], message);
}

void Arguments::fail_expecting(std::size_t i, std::string_view kind) const {
    fail_at(i, fmt::format("expected {}, not {}", kind, kind_name(values_[i])));
}

double Arguments::number(std::size_t i) const {
    if (const auto* const result = std::get_if<double>(&values_[i])) return *result;
    fail_expecting(i, "a number");
}

double Arguments::number(std::size_t i, double otherwise) const {
    return i < size() ? number(i) : otherwise;
}

Position Arguments::position(std::size_t i) const {
    if (const auto* const result = std::get_if<Position>(&values_[i])) return *result;
    fail_expecting(i, "a point");
}

Colour Arguments::colour(std::size_t i) const {
    if (const auto* const result = std::get_if<Colour>(&values_[i])) return *result;
    fail_expecting(i, "a colour");
}

RealBox Arguments::box(std::size_t i) const {
    if (const auto result = box_of(values_[i])) return *result;
    fail_expecting(i, "a box");
}

const std::vector<Value>& Arguments::list(std::size_t i) const {
    if (const auto* const result = std::get_if<List>(&values_[i])) return **result;
    fail_expecting(i, "a list");
}

Position Arguments::image_size(std::size_t i) const {
    const auto* const name = std::get_if<std::string>(&values_[i]);
    if (name == nullptr) fail_expecting(i, "the name of an image file");
    const Shared<Image> image = context_.files->image({*name, places_[i]});
    return {static_cast<double>(image->width()), static_cast<double>(image->height())};
}

std::size_t Arguments::count(std::size_t i, std::string_view what, std::size_t low, std::size_t high) const {
    const double value = number(i);
    if (!(value >= static_cast<double>(low) && value <= static_cast<double>(high)) ||
        value != std::floor(value))
        fail_at(i, fmt::format("{} {} is not a whole number of {}..{}", what, value, low, high));
    return static_cast<std::size_t>(value);
}

Box Arguments::sheet() const {
    context_.check_has_size(call_);
    return Box::of(*context_.size);
}

std::uint64_t Arguments::random_bits(std::uint64_t which) const {
    return mixed_bits(chance_, which);
}

double Arguments::random(std::uint64_t which) const {
    return share_of_bits(random_bits(which));
}

void Arguments::vary_by(std::size_t i) {
    if (i < size()) chance_ = mixed_bits(chance_, std::bit_cast<std::uint64_t>(number(i) + 0.0));
}

namespace {

std::array<std::span<const Function>, 6> all_functions() {
    return {number_functions(), colour_functions(), text_functions(),
            place_functions(),  list_functions(),   chance_functions()};
}

} // namespace

const Function* function_of(std::string_view name) {
    for (const std::span<const Function> subject : all_functions())
        for (const Function& function : subject)
            if (function.name == name) return &function;
    return nullptr;
}

std::vector<std::string_view> function_names() {
    std::vector<std::string_view> result;
    for (const std::span<const Function> subject : all_functions())
        for (const Function& function : subject) result.push_back(function.name);
    return result;
}

} // namespace coldbrick::sheet
