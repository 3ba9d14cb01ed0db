/// @file
/// Where the letters of a text stand.
#pragma once

#include "text/faces/letterforms.hpp"
#include "text/layout/paragraph.hpp"

#include <coldbrick/path.hpp>
#include <coldbrick/position.hpp>
#include <coldbrick/text.hpp>
#include <coldbrick/text_style.hpp>
#include <coldbrick/transform.hpp>

#include <cstddef>
#include <cstdint>
#include <mutex>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::text {

/// A letter with its origin: (0, 0) is the top-left corner of the pixel that the anchor lies on.
struct PlacedGlyph {
    std::uint16_t face;
    std::uint32_t glyph;
    double x;
    double y; ///< of the baseline, whole in level texts
};

/// Coverages and where they are: their origin's pixel.
struct PlacedMask {
    GlyphCache::Mask mask;
    std::int64_t x;
    std::int64_t y;
};

/// What the letters paint, all of it or grown by an outline.
struct Ink {
    std::vector<PlacedMask> masks; ///< of level texts: pixels of more than one get the sum of both
    Box box;                       ///< tight
};

/// A text, laid out. It does not change, but for what is worked out on demand, once.
struct Layout {
    Layout(std::string_view text, const TextStyle& style);

    TextStyle style;
    FaceList faces;
    GlyphStyle glyph_style;
    std::vector<PlacedGlyph> glyphs;    ///< line by line
    std::vector<std::size_t> line_ends; ///< of each line, the end of its glyphs
    TextMeasure measured;               ///< without the ink

    /// True if letters are painted by masks.
    [[nodiscard]] bool level() const { return glyph_style.fitted; }

    /// Where a letter's origin is drawn: of level texts on whole rows, and on quarters of columns or whole
    /// ones.
    [[nodiscard]] Position drawn_at(const PlacedGlyph& glyph) const;

    /// The box of a box's corners, turned as the style says.
    [[nodiscard]] Box turned(const Box& box) const;

    /// Whole letters as paths, turned as the style says.
    [[nodiscard]] LetterPaths paths() const;

    [[nodiscard]] const Ink& ink() const;

    /// The ink of letters that are grown on all sides. @param by pixels
    [[nodiscard]] Ink grown_ink(double by) const;

  private:
    mutable std::once_flag once_;
    mutable Ink ink_;
};

/// Parts of a column that the origins of smooth level letters lie on.
constexpr double column_phases = 4;

/// Larger letters are painted from their outlines, not from masks.
constexpr double largest_mask_size = 256;

/// Of those, and of turned ones, a text has no more.
constexpr std::size_t most_turned_letters = 65536;

} // namespace coldbrick::text
