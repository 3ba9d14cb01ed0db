/// @file
/// Numbers of a palette's entries.
#pragma once

#include <coldbrick/error.hpp>
#include <coldbrick/palette.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cstddef>
#include <span>

namespace coldbrick::files {

/// Throws ArgumentError if a pixel's number is beyond the palette.
inline void check_numbers(std::span<const std::byte> row, const Palette& palette) {
    const auto largest = std::to_integer<std::size_t>(*std::ranges::max_element(row));
    if (largest >= palette.size())
        throw ArgumentError(
            fmt::format("a pixel's number {} is beyond the palette of {}", largest, palette.size()));
}

} // namespace coldbrick::files
