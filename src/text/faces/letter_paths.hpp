/// @file
/// Letters as paths: what they reach, and how they are painted.
#pragma once

#include "geometry/path_positions.hpp"
#include "text/faces/letterforms.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/edges.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/text.hpp>
#include <coldbrick/transform.hpp>

#include <cstdint>
#include <optional>

namespace coldbrick::text {

/// How far letters reach; nothing if there are none.
std::optional<geometry::Extent> extent_of(const LetterPaths& letters);

/// Adds a glyph's shape, mapped.
void add(LetterPaths& letters, const GlyphShape& shape, const Transform& transform);

void append(LetterPaths& letters, const LetterPaths& more);

[[nodiscard]] LetterPaths moved(const LetterPaths& letters, std::int64_t dx, std::int64_t dy);

/// Paints letters in white, grown on all sides. @param view of the format gray8
void paint_coverage(const ImageView& view, const LetterPaths& letters, Edges edges, double grown);

/// The tight box of what paint_coverage() paints.
Box covered_bounds(const LetterPaths& letters, Edges edges, double grown);

} // namespace coldbrick::text
