/// @file
/// Horizontal runs of pixels.
#pragma once

#include <cstdint> // columns and rows

namespace [[gnu::visibility("default")]] coldbrick {

/// A horizontal run of pixels: row y, columns [x_begin, x_end). What every shape becomes before it is
/// painted. The end has 64 bits, so that a run may reach the last 32-bit column.
struct Span {
    std::int32_t y;
    std::int32_t x_begin;
    std::int64_t x_end;

    friend constexpr bool operator==(const Span&, const Span&) = default;
};

} // namespace coldbrick
