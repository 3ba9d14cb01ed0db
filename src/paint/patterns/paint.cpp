#include <coldbrick/paint.hpp>

#include "base/limits.hpp"
#include "base/range_checks.hpp"
#include "paint/formats/channel_depth.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <cstdint>
#include <string_view>
#include <utility>

namespace coldbrick {

namespace {

void check_at_least_1(std::string_view what, std::int32_t value) {
    base::check_range(what, value, 1, base::last_coordinate);
}

void check_stops(const std::vector<ColourStop>& stops) {
    if (stops.empty()) throw ArgumentError("a gradient needs at least 1 stop");
    double before = 0;
    for (const ColourStop& stop : stops) {
        base::check_share("a gradient's stop at", stop.place);
        if (stop.place < before)
            throw ArgumentError(fmt::format("a gradient's stop at {} follows one at {}", stop.place, before));
        before = stop.place;
    }
}

void check_origin(PatternOrigin origin) {
    base::check_choice("pattern origin", origin, PatternOrigin::shape);
}

void check(const Stipple& stipple) {
    check_origin(stipple.origin);
}

void check(const LinearGradient& gradient) {
    check_origin(gradient.origin);
    check_stops(gradient.stops);
    if (gradient.from == gradient.to)
        throw ArgumentError(fmt::format("a gradient from ({}, {}) to the same point has no direction",
                                        gradient.from.x, gradient.from.y));
}

void check(const RadialGradient& gradient) {
    check_origin(gradient.origin);
    check_stops(gradient.stops);
    check_at_least_1("gradient radius", gradient.radius);
}

void check(const Hatch& hatch) {
    check_origin(hatch.origin);
    base::check_choice("hatch direction", hatch.direction, Hatch::Direction::lattice);
    check_at_least_1("hatch spacing", hatch.spacing);
    check_at_least_1("hatch width", hatch.width);
}

void check(const Texture& texture) {
    check_origin(texture.origin);
    check_at_least_1("texture width", texture.size.width);
    check_at_least_1("texture height", texture.size.height);
    const auto wanted =
        static_cast<std::uint64_t>(texture.size.width) * static_cast<std::uint64_t>(texture.size.height);
    if (texture.pixels.size() != wanted)
        throw ArgumentError(fmt::format("a texture of {} x {} has {} pixels", texture.size.width,
                                        texture.size.height, texture.pixels.size()));
}

/// The pattern, if its values lie in their ranges.
Pattern&& checked(Pattern&& pattern) {
    std::visit([](const auto& one) { check(one); }, pattern);
    return std::move(pattern);
}

} // namespace

Paint::Paint(const RealColour& colour) : kind_(colour) {
    paint::check_channels(colour);
}

Paint::Paint(Pattern pattern) : kind_(Shared<Pattern>(checked(std::move(pattern)))) {}

} // namespace coldbrick
