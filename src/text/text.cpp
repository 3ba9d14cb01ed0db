#include <coldbrick/text.hpp>

#include "base/limits.hpp"
#include "base/range_checks.hpp"
#include "geometry/placement.hpp"
#include "image/style_checks.hpp"
#include "text/ink.hpp"
#include "text/layout.hpp"
#include "text/style_checks.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/rounded_box.hpp>
#include <coldbrick/stencil.hpp>

#include <fmt/core.h>

#include <algorithm>

namespace coldbrick {

namespace {

Point point_of(const Box& box) {
    base::check_range("text's left side", box.x, base::first_coordinate, base::last_coordinate);
    base::check_range("text's upper side", box.y, base::first_coordinate, base::last_coordinate);
    return {static_cast<std::int32_t>(box.x), static_cast<std::int32_t>(box.y)};
}

/// What of a text's ink lies in a box of the picture, as a stencil.
/// @param part not empty, in the ink's box
Stencil stencil_of(const Text& text, const text::Ink& ink, double grown, const Box& part) {
    const Point at = text.at();
    const Box whole = ink.box.moved(at.x, at.y);
    // What lies beyond 32 bits is not seen: patterns there may count from elsewhere.
    const auto cut = [](std::int64_t value) {
        return static_cast<std::int32_t>(
            std::clamp<std::int64_t>(value, base::first_coordinate, base::last_coordinate));
    };
    return {
        text::coverage_of(text.layout(), ink, grown, part.moved(-std::int64_t{at.x}, -std::int64_t{at.y})),
        point_of(part), Point{cut(whole.x), cut(whole.y)}};
}

/// Calls paint(stencil) with what of a text's ink, grown on all sides, lies in a box.
template <class Paint>
void paint_ink(const Text& text, const text::Ink& ink, double grown, const Box& within, Paint paint) {
    if (ink.box.empty()) return;
    const Box part = ink.box.moved(text.at().x, text.at().y).intersection(within);
    if (!part.empty()) paint(stencil_of(text, ink, grown, part));
}

/// Calls shape(rounded box, fill) and ink(stencil, paint) for all that a text is painted with, in order.
template <class OnShape, class OnInk>
void for_each_layer(const Text& text, const TextPaint& paint, const Box& within, OnShape on_shape,
                    OnInk on_ink) {
    if (paint.plate) {
        const RoundedBox box{text.plate_box(*paint.plate), paint.plate->radius};
        on_shape(
            box,
            Fill{.paint = paint.plate->paint, .blending = paint.blending, .edges = text.layout().style.edges},
            paint.plate->border);
    }
    if (paint.outline) {
        const double grown = paint.outline->width;
        paint_ink(text, text.layout().grown_ink(grown), grown, within,
                  [&](Stencil stencil) { on_ink(std::move(stencil), paint.outline->paint); });
    }
    paint_ink(text, text.layout().ink(), 0, within,
              [&](Stencil stencil) { on_ink(std::move(stencil), paint.paint); });
}

} // namespace

Text::Text(std::string_view text, Point at, const TextStyle& style)
    : layout_(std::make_shared<const text::Layout>(text, style)), at_(at) {}

TextMeasure Text::measure() const {
    TextMeasure result = layout_->measured;
    result.ink = bounds();
    result.lines = layout_->turned(result.lines).moved(at_.x, at_.y);
    return result;
}

Box Text::bounds() const {
    const Box& ink = layout_->ink().box;
    return ink.empty() ? Box{} : ink.moved(at_.x, at_.y);
}

bool Text::contains(Point pixel) const {
    const text::Ink& ink = layout_->ink();
    const Box one{std::int64_t{pixel.x} - at_.x, std::int64_t{pixel.y} - at_.y, 1, 1};
    if (ink.box.intersection(one).empty()) return false;
    return text::coverage_of(*layout_, ink, 0, one).pixel({0, 0}) != Colour(0, 0, 0);
}

Text Text::moved(std::int64_t dx, std::int64_t dy) const {
    Text result = *this;
    result.at_ = geometry::moved(at_, dx, dy);
    return result;
}

Text Text::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

LetterPaths Text::paths() const {
    LetterPaths result = layout_->paths();
    result.outlines = result.outlines.moved(at_.x, at_.y);
    result.middle_lines = result.middle_lines.moved(at_.x, at_.y);
    return result;
}

Box Text::plate_box(const TextPlate& plate) const {
    const Box lines = layout_->turned(layout_->measured.lines);
    return lines.united(layout_->ink().box).moved(at_.x, at_.y).inset(-plate.padding);
}

TextMeasure measure(std::string_view text, const TextStyle& style) {
    return Text(text, {}, style).measure();
}

void draw(const ImageView& view, const Text& text, const TextPaint& paint) {
    text::check(paint);
    image::check(paint.blending, view.format());
    for_each_layer(
        text, paint, view.clip(),
        [&](const RoundedBox& box, const Fill& fill, const std::optional<Paint>& border) {
            draw(view, box, fill);
            if (border)
                draw(view, box, Stroke{.paint = *border, .blending = fill.blending, .edges = fill.edges});
        },
        [&](const Stencil& stencil, const Paint& ink) { draw(view, stencil, ink, paint.blending); });
}

void draw(const ImageView& view, const Text& text, const Paint& paint, const Blending& blending) {
    draw(view, text, TextPaint{.paint = paint, .blending = blending});
}

void add(Drawing& drawing, const Text& text, const TextPaint& paint, const Box& within,
         std::size_t most_bytes) {
    text::check(paint);
    const std::int64_t grown = paint.outline ? static_cast<std::int64_t>(paint.outline->width) + 1 : 0;
    const Box ink = text.bounds().inset(-grown).intersection(within);
    if (static_cast<double>(ink.width) * static_cast<double>(ink.height) > static_cast<double>(most_bytes))
        throw ArgumentError(
            fmt::format("a text of {} x {} pixels takes more than the {} bytes that it may take in a drawing",
                        ink.width, ink.height, most_bytes));
    for_each_layer(
        text, paint, within,
        [&](const RoundedBox& box, const Fill& fill, const std::optional<Paint>& border) {
            drawing.add(box, fill);
            if (border)
                drawing.add(box, Stroke{.paint = *border, .blending = fill.blending, .edges = fill.edges});
        },
        [&](Stencil stencil, const Paint& ink_paint) {
            drawing.add(std::move(stencil), ink_paint, paint.blending);
        });
}

Region region(const Text& text) {
    const Box ink = text.bounds();
    if (ink.empty()) return {};
    return region(stencil_of(text, text.layout().ink(), 0, ink));
}

} // namespace coldbrick
