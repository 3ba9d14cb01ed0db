#include "text/letter_paths.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/draw.hpp>

#include <cmath>
#include <variant>

namespace coldbrick::text {

namespace {

const Colour white(255, 255, 255);

Fill whole_letters(Edges edges) {
    return {.paint = white, .rule = FillRule::non_zero, .extent = FillExtent::tiling, .edges = edges};
}

Stroke round_stroke(double width, Edges edges) {
    return {.paint = white, .width = width, .cap = Cap::round, .join = Join::round, .edges = edges};
}

struct AddPiece {
    Extent& extent;

    void operator()(const PathLine& piece) const { extent.add(piece.to); }
    void operator()(const PathQuadratic& piece) const {
        extent.add(piece.control);
        extent.add(piece.to);
    }
    void operator()(const PathCubic& piece) const {
        extent.add(piece.first_control);
        extent.add(piece.second_control);
        extent.add(piece.to);
    }
    void operator()(const PathArc& piece) const { // which no face has
        const double reach =
            std::hypot(piece.across.x, piece.across.y) + std::hypot(piece.down.x, piece.down.y);
        extent.add({piece.centre.x - reach, piece.centre.y - reach});
        extent.add({piece.centre.x + reach, piece.centre.y + reach});
    }
};

/// Bounds that the control points of curves are inside.
void add(const Path& path, Extent& extent) {
    for (const Contour& contour : path.contours()) {
        extent.add(contour.start);
        for (const PathPiece& piece : contour.pieces) std::visit(AddPiece{extent}, piece);
    }
}

} // namespace

Extent extent_of(const LetterPaths& letters) {
    Extent result;
    add(letters.middle_lines, result);
    if (!result.empty()) result.grow(letters.stroke_width / 2);
    add(letters.outlines, result);
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
