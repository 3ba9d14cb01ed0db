/// @file
/// Horizontal runs of pixels.
#pragma once

#include <cstdint> // Span holds 32-bit integers

namespace coldbrick {

/// A horizontal run of pixels: row y, columns [x_begin, x_end). What every shape becomes before it is
/// painted.
struct Span {
    std::int32_t y;
    std::int32_t x_begin;
    std::int32_t x_end;

    friend constexpr bool operator==(const Span&, const Span&) = default;
};

} // namespace coldbrick
