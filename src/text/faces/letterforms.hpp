/// @file
/// What a face is made of: the one thing that layout and painting know of built-in faces and font files.
#pragma once

#include "text/faces/glyph_cache.hpp"

#include <coldbrick/edges.hpp>
#include <coldbrick/path.hpp>

#include <cstdint>
#include <string_view>
#include <vector>

namespace coldbrick {

namespace [[gnu::visibility("default")]] text { // for the component of fonts, too

/// How glyphs are drawn, whichever they are.
struct GlyphStyle {
    double size = 0;         ///< of the em, in pixels
    double stroke_width = 0; ///< of faces made of strokes; 0 if the face may choose
    Edges edges = Edges::smooth;
    bool fitted = false; ///< true if glyphs stand on whole rows, and features may be moved onto whole pixels
    bool spaced = false; ///< true if letters are set apart, so that none are joined to ligatures
};

/// Heights above the baseline in pixels; what lies below it has a depth.
struct LineMetrics {
    double ascent = 0; ///< room for accents
    double descent = 0;
    double gap = 0; ///< from one line's descent to the next one's ascent
    double cap_height = 0;
};

/// A glyph of a run, in the order in which they are seen from left to right.
struct ShapedGlyph {
    std::uint32_t glyph = 0;
    std::uint32_t character = 0; ///< the first character in the run that it stands for, counted from 0
    double advance = 0;
    double dx = 0; ///< from where it would be otherwise, to the right
    double dy = 0; ///< and down
};

/// A glyph as a path about its origin. Its positions are such that pixel (0, 0) has the origin at its
/// top-left corner; the baseline is y = 0.
struct GlyphShape {
    Path path;
    double stroke_width = 0; ///< of middle lines; 0 if the path is to be filled
};

class Letterforms {
  public:
    Letterforms() = default;
    Letterforms(const Letterforms&) = delete;
    Letterforms& operator=(const Letterforms&) = delete;
    virtual ~Letterforms() = default;

    [[nodiscard]] virtual std::string_view name() const = 0;
    [[nodiscard]] virtual bool has(char32_t character) const = 0;
    [[nodiscard]] virtual LineMetrics metrics(const GlyphStyle& style) const = 0;

    /// True if glyphs look right only with their origin on whole columns.
    [[nodiscard]] virtual bool on_whole_columns(const GlyphStyle& style) const = 0;

    /// @param run characters of one direction
    [[nodiscard]] virtual std::vector<ShapedGlyph> shape(std::u32string_view run, bool right_to_left,
                                                         const GlyphStyle& style) const = 0;

    [[nodiscard]] virtual GlyphShape outline(std::uint32_t glyph, const GlyphStyle& style) const = 0;

    [[nodiscard]] GlyphCache& cache() const { return cache_; }

  private:
    mutable GlyphCache cache_;
};

} // namespace text

} // namespace coldbrick
