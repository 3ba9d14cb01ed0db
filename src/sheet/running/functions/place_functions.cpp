#include "sheet/running/functions.hpp"

#include <coldbrick/angle.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/transform.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <utility>

namespace coldbrick::sheet {

namespace {

double distance_between(const Position& a, const Position& b) {
    return std::hypot(b.x - a.x, b.y - a.y);
}

/// In degrees of 0 up to 360, from one point to another; 0 if they are the same.
double direction_to(const Position& from, const Position& to) {
    const double degrees = std::atan2(to.y - from.y, to.x - from.x) * 180 / std::numbers::pi;
    return degrees < 0 ? degrees + 360 : degrees;
}

/// The point at a distance from another in a direction.
Position away(const Position& from, double angle, double distance) {
    return Transform::turn(degrees(angle), from)({from.x + distance, from.y});
}

RealBox box_between(const Position& a, const Position& b) {
    return {std::min(a.x, b.x), std::min(a.y, b.y), std::abs(b.x - a.x) + 1, std::abs(b.y - a.y) + 1};
}

RealBox sized(const RealBox& box) {
    if (box.width < 0 || box.height < 0)
        throw ArgumentError(fmt::format("the box would be {} x {} pixels", box.width, box.height));
    return box;
}

RealBox inset_by(const RealBox& box, double across, double down) {
    return sized({box.x + across, box.y + down, box.width - 2 * across, box.height - 2 * down});
}

/// A whole number of columns, rows or copies.
std::size_t count_of_copies(const Arguments& a, std::size_t i, std::string_view what) {
    constexpr std::size_t most_copies = 1'000'000;
    return a.count(i, what, 1, most_copies);
}

/// The cells of a grid that fills a box, row by row.
Value grid_of(const Arguments& a) {
    const RealBox box = a.box(0);
    const std::size_t columns = count_of_copies(a, 1, "number of columns");
    const std::size_t rows = count_of_copies(a, 2, "number of rows");
    const double gap = a.number(3, 0);
    a.take_steps(columns * rows);
    const auto along = [gap](double extent, std::size_t count) {
        return (extent - gap * static_cast<double>(count - 1)) / static_cast<double>(count);
    };
    const double width = along(box.width, columns);
    const double height = along(box.height, rows);
    std::vector<Value> cells;
    for (std::size_t row = 0; row < rows; ++row)
        for (std::size_t column = 0; column < columns; ++column)
            cells.emplace_back(sized({box.x + static_cast<double>(column) * (width + gap),
                                      box.y + static_cast<double>(row) * (height + gap), width, height}));
    return list_of(std::move(cells));
}

/// Points round a centre, clockwise.
Value ring_of(const Arguments& a) {
    const std::size_t count = count_of_copies(a, 2, "number of points");
    a.take_steps(count);
    std::vector<Value> points;
    for (std::size_t i = 0; i < count; ++i)
        points.emplace_back(away(a.position(0),
                                 a.number(3, 0) + 360 * static_cast<double>(i) / static_cast<double>(count),
                                 a.number(1)));
    return list_of(std::move(points));
}

constexpr Function table_of_places[] = {
    {"distance", 2, 2, [](Arguments& a) -> Value { return distance_between(a.position(0), a.position(1)); }},
    {"direction", 2, 2, [](Arguments& a) -> Value { return direction_to(a.position(0), a.position(1)); }},
    {"away", 3, 3, [](Arguments& a) -> Value { return away(a.position(0), a.number(1), a.number(2)); }},
    {"box_between", 2, 2, [](Arguments& a) -> Value { return box_between(a.position(0), a.position(1)); }},
    {"box_at", 3, 3,
     [](Arguments& a) -> Value {
         return sized({a.position(0).x, a.position(0).y, a.number(1), a.number(2)});
     }},
    {"inset", 2, 3,
     [](Arguments& a) -> Value { return inset_by(a.box(0), a.number(1), a.number(2, a.number(1))); }},
    {"place_in", 3, 3, [](Arguments& a) -> Value { return a.box(0).at(a.number(1), a.number(2)); }},
    {"grid_of", 3, 4, [](Arguments& a) { return grid_of(a); }},
    {"size_of", 1, 1, [](Arguments& a) -> Value { return a.image_size(0); }},
    {"ring_of", 3, 4, [](Arguments& a) { return ring_of(a); }},
};

} // namespace

std::span<const Function> place_functions() {
    return table_of_places;
}

} // namespace coldbrick::sheet
