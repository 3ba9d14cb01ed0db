/// @file
/// Spans that mirror each other.
#pragma once

#include <coldbrick/span.hpp>

#include <cstdint>

namespace coldbrick::base {

/// The pixels of two spans of the same length on each of two rows: what a shape that looks the same from
/// above and below, from left and right has at a distance from its centre. Columns or rows may be the same
/// ones: these pixels are meant once.
struct MirroredSpan {
    std::int32_t y;
    std::int32_t other_y;
    std::int32_t x;
    std::int32_t other_x;
    std::int64_t length; ///< in pixels, above 0

    /// Calls visit(span) for each of them.
    template <class Visit>
    void for_each(Visit visit) const {
        const auto visit_row = [&](std::int32_t row) {
            visit(Span{row, x, x + length});
            if (other_x != x) visit(Span{row, other_x, other_x + length});
        };
        visit_row(y);
        if (other_y != y) visit_row(other_y);
    }
};

} // namespace coldbrick::base
