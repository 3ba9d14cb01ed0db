#include "text/layout/layout.hpp"

#include "text/layout/ink.hpp"
#include "text/layout/line_breaking.hpp"
#include "text/layout/mark_composition.hpp"
#include "text/layout/style_checks.hpp"
#include "text/layout/utf8.hpp"

#include "base/range_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <limits>

namespace coldbrick::text {

namespace {

/// The size of the em that a style's size comes to.
double em_size(const TextStyle& style, double size) {
    if (style.size_of == SizeOf::em) return size;
    // Cap heights grow with the size, but for rounding.
    constexpr double probe = 1024;
    const double cap = style.face.letterforms().metrics({.size = probe}).cap_height;
    return cap > 0 ? size * probe / cap : size;
}

GlyphStyle glyph_style_of(const TextStyle& style, double size) {
    GlyphStyle result{.size = em_size(style, size),
                      .stroke_width = style.stroke_width.value_or(0),
                      .edges = style.edges,
                      .spaced = style.letter_spacing != 0};
    result.fitted = result.size <= largest_mask_size && style.turn == Angle();
    return result;
}

/// The whole text's height and the distance of its lines. Level ones have whole rows.
struct LineDistances {
    LineDistances(const FaceList& faces, const TextStyle& style, const GlyphStyle& glyph_style)
        : metrics(faces.at(0).metrics(glyph_style)) {
        step = (metrics.ascent + metrics.descent + metrics.gap) * style.line_spacing;
        if (!glyph_style.fitted) return;
        step = std::max(1.0, std::round(step));
        constexpr double rounding = 1e-6; // of a size in parts of the em
        metrics.ascent = std::ceil(metrics.ascent - rounding);
        metrics.descent = std::ceil(metrics.descent - rounding);
    }

    [[nodiscard]] double height_of(std::size_t lines) const {
        return metrics.ascent + metrics.descent + static_cast<double>(lines - 1) * step;
    }

    LineMetrics metrics;
    double step;
};

LineLimits limits_of(const TextStyle& style) {
    return {style.width.value_or(std::numeric_limits<double>::infinity()),
            static_cast<std::size_t>(style.most_lines)};
}

double widest(const SetText& text) {
    double result = 0;
    for (const SetLine& line : text.lines) result = std::max(result, line.width);
    return result;
}

/// A text at the largest size that fits its box.
struct FittedText {
    SetText text;
    double size;
};

FittedText fitted(const Paragraphs& paragraphs, const FaceList& faces, const TextStyle& style) {
    LineLimits limits = limits_of(style);
    if (!style.fit) return {paragraphs.set(glyph_style_of(style, style.size), limits), style.size};
    limits.width = std::min(limits.width, static_cast<double>(style.fit->width));
    const auto set = [&](double size) { return paragraphs.set(glyph_style_of(style, size), limits); };
    const auto fits = [&](const SetText& text, double size) {
        const LineDistances distances(faces, style, glyph_style_of(style, size));
        return !text.cut && widest(text) <= limits.width &&
               distances.height_of(text.lines.size()) <= style.fit->height;
    };
    const auto try_size = [&](double size, FittedText& best) {
        SetText text = set(size);
        const bool good = fits(text, size);
        if (good) best = {std::move(text), size};
        return good;
    };
    FittedText best{{}, 0};
    if (try_size(style.size, best)) return best;
    // In eighths of a pixel: the largest that fits is between these.
    constexpr double step = 0.125;
    const double smallest = std::min(style.smallest_size, style.size);
    auto low = static_cast<std::int64_t>(std::ceil(smallest / step));
    auto high = static_cast<std::int64_t>(std::ceil(style.size / step)) - 1;
    while (low <= high) {
        const std::int64_t middle = low + (high - low) / 2;
        if (try_size(static_cast<double>(middle) * step, best))
            low = middle + 1;
        else
            high = middle - 1;
    }
    if (best.size > 0) return best;
    const LineDistances distances(faces, style, glyph_style_of(style, smallest));
    const double room = style.fit->height - distances.height_of(1);
    const auto lines = room < 0 ? 1 : 1 + static_cast<std::int64_t>(room / distances.step);
    limits.most_lines = std::min(limits.most_lines, static_cast<std::size_t>(lines));
    return {set(smallest), smallest};
}

/// How far the first baseline lies below the upper side of the anchor's pixel.
double first_baseline(TextRow row, const LineDistances& distances, std::size_t lines) {
    const double last = static_cast<double>(lines - 1) * distances.step;
    switch (row) {
    case TextRow::baseline: return 1;
    case TextRow::top: return distances.metrics.ascent;
    case TextRow::cap_height: return distances.metrics.cap_height;
    case TextRow::middle: return 0.5 + (distances.metrics.cap_height - last) / 2;
    case TextRow::bottom: return 1 - distances.metrics.descent - last;
    }
    return 0;
}

/// Where something begins that is so wide, if its column lies on [0, 1).
double left_of(TextColumn column, double width) {
    switch (column) {
    case TextColumn::left: return 0;
    case TextColumn::centre: return (1 - width) / 2;
    case TextColumn::right: return 1 - width;
    }
    return 0;
}

/// Where a line begins beside the widest one.
double indent(TextColumn alignment, double widest_line, double width) {
    switch (alignment) {
    case TextColumn::left: return 0;
    case TextColumn::centre: return (widest_line - width) / 2;
    case TextColumn::right: return widest_line - width;
    }
    return 0;
}

Box box_around(double left, double top, double right, double bottom) {
    const auto x = static_cast<std::int64_t>(std::floor(left));
    const auto y = static_cast<std::int64_t>(std::floor(top));
    return {x, y, static_cast<std::int64_t>(std::ceil(right)) - x,
            static_cast<std::int64_t>(std::ceil(bottom)) - y};
}

} // namespace

Layout::Layout(std::string_view text, const TextStyle& text_style) : style(text_style), faces(text_style) {
    check(text, style);
    const Decoded decoded = decode_utf8(text);
    const Paragraphs paragraphs(with_composed_marks(decoded.characters), style, faces);
    FittedText set = fitted(paragraphs, faces, style);
    glyph_style = glyph_style_of(style, set.size);
    const LineDistances distances(faces, style, glyph_style);
    const double width = widest(set.text);
    const double left = left_of(style.anchor.column, width);
    double baseline = first_baseline(style.anchor.row, distances, set.text.lines.size());
    if (glyph_style.fitted) baseline = std::floor(baseline + 0.5);
    measured = {
        .ink = {},
        .lines = box_around(left, baseline - distances.metrics.ascent, left + width,
                            baseline - distances.metrics.ascent + distances.height_of(set.text.lines.size())),
        .advance = width,
        .size = set.size,
        .line_count = static_cast<std::int32_t>(set.text.lines.size()),
        .cut = set.text.cut,
        .missing = std::move(set.text.missing),
        .replaced = decoded.replaced};
    for (const SetLine& line : set.text.lines) {
        const TextColumn own = line.right_to_left && style.anchor.column == TextColumn::left
                                   ? TextColumn::right
                                   : style.anchor.column;
        double x = left + indent(style.alignment.value_or(own), width, line.width);
        for (const SetGlyph& glyph : line.glyphs) {
            glyphs.push_back({glyph.face, glyph.glyph, x + glyph.dx, baseline + glyph.dy});
            x += glyph.advance;
        }
        line_ends.push_back(glyphs.size());
        baseline += distances.step;
    }
    if (!level() && glyphs.size() > most_turned_letters)
        throw ArgumentError(fmt::format(
            "a turned text, or one of letters larger than {} pixels, has {} of them, more than {}",
            largest_mask_size, glyphs.size(), most_turned_letters));
}

Position Layout::drawn_at(const PlacedGlyph& glyph) const {
    if (!level()) return {glyph.x, glyph.y};
    const bool whole =
        glyph_style.edges == Edges::crisp || faces.at(glyph.face).on_whole_columns(glyph_style);
    const double phases = whole ? 1 : column_phases;
    return {std::floor(glyph.x * phases + 0.5) / phases, std::floor(glyph.y + 0.5)};
}

} // namespace coldbrick::text
