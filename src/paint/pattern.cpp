#include "paint/pattern.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <utility>

namespace coldbrick {

namespace {

void check_at_least_1(const char* what, std::int32_t value) {
    if (value < 1) throw ArgumentError(fmt::format("{} {} is outside 1..2147483647", what, value));
}

void check_stops(const std::vector<ColourStop>& stops) {
    if (stops.empty()) throw ArgumentError("a gradient of 0 stops has less than 1");
    double before = 0;
    for (const ColourStop& stop : stops) {
        if (!(stop.place >= 0 && stop.place <= 1))
            throw ArgumentError(fmt::format("a gradient's stop at {} is outside 0..1", stop.place));
        if (stop.place < before)
            throw ArgumentError(fmt::format("a gradient's stop at {} follows one at {}", stop.place, before));
        before = stop.place;
    }
}

void check(const Colour16&) {}
void check(const Stipple&) {}

void check(const RealColour& real) {
    (void)colour(real);
}

void check(const LinearGradient& gradient) {
    check_stops(gradient.stops);
    if (gradient.from == gradient.to)
        throw ArgumentError(fmt::format("a gradient from ({}, {}) to the same point has no direction",
                                        gradient.from.x, gradient.from.y));
}

void check(const RadialGradient& gradient) {
    check_stops(gradient.stops);
    check_at_least_1("gradient radius", gradient.radius);
}

void check(const Hatch& hatch) {
    check_at_least_1("hatch spacing", hatch.spacing);
    check_at_least_1("hatch width", hatch.width);
}

void check(const Texture& texture) {
    check_at_least_1("texture width", texture.size.width);
    check_at_least_1("texture height", texture.size.height);
    const auto wanted =
        static_cast<std::uint64_t>(texture.size.width) * static_cast<std::uint64_t>(texture.size.height);
    if (texture.pixels.size() != wanted)
        throw ArgumentError(fmt::format("a texture of {} x {} has {} pixels", texture.size.width,
                                        texture.size.height, texture.pixels.size()));
}

} // namespace

Paint::Paint(Pattern pattern) {
    std::visit([](const auto& one) { check(one); }, pattern);
    pattern_ = std::make_shared<const Pattern>(std::move(pattern));
}

namespace paint {

namespace {

/// value mod divisor, never below 0.
std::int64_t modulo(std::int64_t value, std::int64_t divisor) {
    const std::int64_t rest = value % divisor;
    return rest < 0 ? rest + divisor : rest;
}

RealColour between(const ColourStop& a, const ColourStop& b, double place) {
    const double share = (place - a.place) / (b.place - a.place);
    const RealColour from = to_depth<RealColour>(a.colour);
    const RealColour to = to_depth<RealColour>(b.colour);
    const auto mix = [share](double first, double second) { return first + (second - first) * share; };
    return {mix(from.red, to.red), mix(from.green, to.green), mix(from.blue, to.blue),
            mix(from.alpha, to.alpha)};
}

RealColour at_place(const std::vector<ColourStop>& stops, double place) {
    const auto after = std::ranges::upper_bound(stops, place, {}, &ColourStop::place);
    if (after == stops.begin()) return to_depth<RealColour>(after->colour);
    const auto before = after - 1;
    if (after == stops.end() || before->place == place) return to_depth<RealColour>(before->colour);
    return between(*before, *after, place);
}

RealColour at(const LinearGradient& gradient, std::int64_t x, std::int64_t y) {
    const auto along_x = static_cast<double>(std::int64_t{gradient.to.x} - gradient.from.x);
    const auto along_y = static_cast<double>(std::int64_t{gradient.to.y} - gradient.from.y);
    const auto from_x = static_cast<double>(x - gradient.from.x);
    const auto from_y = static_cast<double>(y - gradient.from.y);
    return at_place(gradient.stops,
                    (from_x * along_x + from_y * along_y) / (along_x * along_x + along_y * along_y));
}

RealColour at(const RadialGradient& gradient, std::int64_t x, std::int64_t y) {
    const double distance =
        std::hypot(static_cast<double>(x - gradient.centre.x), static_cast<double>(y - gradient.centre.y));
    return at_place(gradient.stops, distance / gradient.radius);
}

const Colour& at(const Hatch& hatch, std::int64_t x, std::int64_t y) {
    const auto on = [&hatch](std::int64_t place) { return modulo(place, hatch.spacing) < hatch.width; };
    using Direction = Hatch::Direction;
    bool painted = false;
    switch (hatch.direction) {
    case Direction::level: painted = on(y); break;
    case Direction::upright: painted = on(x); break;
    case Direction::rising: painted = on(x + y); break;
    case Direction::falling: painted = on(x - y); break;
    case Direction::grid: painted = on(x) || on(y); break;
    case Direction::lattice: painted = on(x + y) || on(x - y); break;
    }
    return painted ? hatch.colour : hatch.ground;
}

const Colour& at(const Stipple& stipple, std::int64_t x, std::int64_t y) {
    const unsigned row = stipple.rows[static_cast<std::size_t>(modulo(y, 8))];
    const auto bit = static_cast<unsigned>(7 - modulo(x, 8));
    return (row >> bit & 1U) != 0 ? stipple.colour : stipple.ground;
}

const Colour16& at(const Texture& texture, std::int64_t x, std::int64_t y) {
    const auto row = static_cast<std::size_t>(modulo(y, texture.size.height));
    const auto column = static_cast<std::size_t>(modulo(x, texture.size.width));
    return texture.pixels[row * static_cast<std::size_t>(texture.size.width) + column];
}

const Colour16& at(const Colour16& colour, std::int64_t, std::int64_t) {
    return colour;
}

const RealColour& at(const RealColour& colour, std::int64_t, std::int64_t) {
    return colour;
}

} // namespace

template <class C>
void pattern_row(const Pattern& pattern, std::int64_t x, std::int64_t y, std::span<C> colours) {
    const auto fill = [&](const auto& one) {
        for (C& colour : colours) colour = to_depth<C>(at(one, x++, y));
    };
    std::visit(fill, pattern);
}

template void pattern_row(const Pattern&, std::int64_t, std::int64_t, std::span<Colour>);
template void pattern_row(const Pattern&, std::int64_t, std::int64_t, std::span<Colour16>);
template void pattern_row(const Pattern&, std::int64_t, std::int64_t, std::span<RealColour>);

PatternOrigin origin_of(const Pattern& pattern) {
    const auto tell = []<class P>(const P& one) {
        if constexpr (requires { one.origin; })
            return one.origin;
        else
            return PatternOrigin::image;
    };
    return std::visit(tell, pattern);
}

} // namespace paint

} // namespace coldbrick
