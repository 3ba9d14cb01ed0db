/// @file
/// Letters as paths: what they reach, and how they are painted.
#pragma once

#include "text/letterforms.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/edges.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/position.hpp>
#include <coldbrick/text.hpp>
#include <coldbrick/transform.hpp>

#include <algorithm>
#include <cstdint>
#include <limits>

namespace coldbrick::text {

/// Bounds of positions.
struct Extent {
    double left = std::numeric_limits<double>::infinity();
    double top = left;
    double right = -left;
    double bottom = right;

    void add(Position position) {
        left = std::min(left, position.x);
        top = std::min(top, position.y);
        right = std::max(right, position.x);
        bottom = std::max(bottom, position.y);
    }
    void grow(double by) {
        left -= by;
        top -= by;
        right += by;
        bottom += by;
    }
    [[nodiscard]] bool empty() const { return left > right; }
};

/// Bounds that letters are inside; those of a curve's control points may be wider than the curve.
Extent extent_of(const LetterPaths& letters);

/// Adds a glyph's shape, mapped.
void add(LetterPaths& letters, const GlyphShape& shape, const Transform& transform);

void append(LetterPaths& letters, const LetterPaths& more);

[[nodiscard]] LetterPaths moved(const LetterPaths& letters, std::int64_t dx, std::int64_t dy);

/// Paints letters in white, grown on all sides. @param view of the format gray8
void paint_coverage(const ImageView& view, const LetterPaths& letters, Edges edges, double grown);

/// The tight box of what paint_coverage() paints.
Box covered_bounds(const LetterPaths& letters, Edges edges, double grown);

} // namespace coldbrick::text
