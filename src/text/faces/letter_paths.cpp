#include "text/faces/letter_paths.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/draw.hpp>

namespace coldbrick::text {

namespace {

const Colour white(255, 255, 255); // NOLINT(cert-err58-cpp): three numbers

Fill whole_letters(Edges edges) {
    return {.paint = white, .rule = FillRule::non_zero, .extent = FillExtent::tiling, .edges = edges};
}

Stroke round_stroke(double width, Edges edges) {
    return {.paint = white, .width = width, .cap = Cap::round, .join = Join::round, .edges = edges};
}

} // namespace

std::optional<geometry::Extent> extent_of(const LetterPaths& letters) {
    std::optional<geometry::Extent> result;
    if (!letters.middle_lines.empty())
        result = geometry::extent_of(letters.middle_lines).grown(letters.stroke_width / 2);
    if (letters.outlines.empty()) return result;
    const geometry::Extent outlines = geometry::extent_of(letters.outlines);
    if (!result) return outlines;
    result->include({outlines.left, outlines.top});
    result->include({outlines.right, outlines.bottom});
    return result;
}

void add(LetterPaths& letters, const GlyphShape& shape, const Transform& transform) {
    const Path path = shape.path.transformed(transform);
    if (shape.stroke_width > 0) {
        letters.middle_lines.append(path);
        letters.stroke_width = shape.stroke_width;
    } else {
        letters.outlines.append(path);
    }
}

void append(LetterPaths& letters, const LetterPaths& more) {
    letters.outlines.append(more.outlines);
    letters.middle_lines.append(more.middle_lines);
    if (!more.middle_lines.empty()) letters.stroke_width = more.stroke_width;
}

LetterPaths moved(const LetterPaths& letters, std::int64_t dx, std::int64_t dy) {
    return {letters.outlines.moved(dx, dy), letters.middle_lines.moved(dx, dy), letters.stroke_width};
}

void paint_coverage(const ImageView& view, const LetterPaths& letters, Edges edges, double grown) {
    draw(view, letters.middle_lines, round_stroke(letters.stroke_width + 2 * grown, edges));
    if (grown > 0) draw(view, letters.outlines, round_stroke(2 * grown, edges));
    draw(view, letters.outlines, whole_letters(edges));
}

Box covered_bounds(const LetterPaths& letters, Edges edges, double grown) {
    Box result = bounds(letters.middle_lines, round_stroke(letters.stroke_width + 2 * grown, edges))
                     .united(bounds(letters.outlines, whole_letters(edges)));
    if (grown > 0) result = result.united(bounds(letters.outlines, round_stroke(2 * grown, edges)));
    return result;
}

} // namespace coldbrick::text
