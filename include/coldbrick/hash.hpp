/// @file
/// Values as keys of unordered containers.
#pragma once

#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>     // hashes
#include <cstdint>     // their bits
#include <string_view> // std::hash, without all of <functional>

namespace coldbrick::detail {

/// Mixes a number into a hash: the steps of Steele, Lea and Flood, "Fast splittable pseudorandom number
/// generators", OOPSLA 2014.
constexpr std::uint64_t mixed_in(std::uint64_t hash, std::int64_t number) {
    hash += static_cast<std::uint64_t>(number) + 0x9E3779B97F4A7C15U;
    hash = (hash ^ hash >> 30U) * 0xBF58476D1CE4E5B9U;
    hash = (hash ^ hash >> 27U) * 0x94D049BB133111EBU;
    return hash ^ hash >> 31U;
}

} // namespace coldbrick::detail

template <>
struct std::hash<coldbrick::Point> {
    std::size_t operator()(const coldbrick::Point& point) const noexcept {
        return coldbrick::detail::mixed_in(coldbrick::detail::mixed_in(0, point.x), point.y);
    }
};

template <>
struct std::hash<coldbrick::Size> {
    std::size_t operator()(const coldbrick::Size& size) const noexcept {
        return std::hash<coldbrick::Point>()({size.width, size.height});
    }
};

template <>
struct std::hash<coldbrick::Box> {
    std::size_t operator()(const coldbrick::Box& box) const noexcept {
        std::uint64_t result = 0;
        for (const std::int64_t number : {box.x, box.y, box.width, box.height})
            result = coldbrick::detail::mixed_in(result, number);
        return result;
    }
};

template <>
struct std::hash<coldbrick::Colour> {
    std::size_t operator()(const coldbrick::Colour& colour) const noexcept {
        return coldbrick::detail::mixed_in(0, std::int64_t{colour.red} << 24 | colour.green << 16 |
                                                  colour.blue << 8 | colour.alpha);
    }
};

template <>
struct std::hash<coldbrick::Angle> {
    std::size_t operator()(const coldbrick::Angle& angle) const noexcept {
        return std::hash<double>()(angle.in_degrees());
    }
};
