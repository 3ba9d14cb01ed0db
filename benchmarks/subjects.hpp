/// @file
/// What the benchmarks draw: the same places for the library and the textbook.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/point.hpp>

#include <cstdint>
#include <random>
#include <vector>

/// What is larger than the caches, and what the first of them hold.
constexpr coldbrick::Size screen{1920, 1080};
constexpr coldbrick::Size cached{256, 256};

/// The same colour for the library and, as a word of memory, for the textbook.
inline const coldbrick::Colour colour(0x70, 0x50, 0x30); // NOLINT(cert-err58-cpp): four numbers
constexpr std::uint32_t textbook_colour = 0xff305070;

/// Positions on an image that leave `margin` pixels to its edges, the same in every run.
inline std::vector<coldbrick::Point> places(coldbrick::Size size, int margin, int count = 512) {
    std::mt19937 random(7); // NOLINT(cert-msc51-cpp): the same places in every run
    std::vector<coldbrick::Point> result;
    const auto below = [&random](int limit) {
        return static_cast<std::int32_t>(random() % static_cast<std::uint32_t>(limit));
    };
    for (int i = 0; i < count; ++i)
        result.push_back({margin + below(size.width - 2 * margin), margin + below(size.height - 2 * margin)});
    return result;
}
