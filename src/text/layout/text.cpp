#include <coldbrick/text.hpp>

#include "base/limits.hpp"
#include "base/range_checks.hpp"
#include "geometry/placement.hpp"
#include "image/drawing/style_checks.hpp"
#include "text/layout/ink.hpp"
#include "text/layout/layout.hpp"
#include "text/layout/style_checks.hpp"

#include "base/shared_state.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/path_of.hpp>
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

/// Calls use(stencil) with what of a text's letters, grown on all sides, lies in a box of the picture.
/// @param has_origin true if patterns count from the letters' bounds
template <class Use>
void with_stencil(const Text& text, double grown, const Box& within, bool has_origin, Use use) {
    const Point at = text.at();
    auto part =
        text::covered_part(text.layout(), grown, within.moved(-std::int64_t{at.x}, -std::int64_t{at.y}));
    if (!part) return;
    Stencil stencil{std::move(part->coverage), point_of(part->box.moved(at.x, at.y)), std::nullopt};
    if (has_origin) {
        const Box ink =
            (grown == 0 ? text.layout().ink().box : text.layout().grown_ink(grown).box).moved(at.x, at.y);
        // What lies beyond 32 bits is not seen: patterns there may count from elsewhere.
        const auto cut = [](std::int64_t value) {
            return static_cast<std::int32_t>(
                std::clamp<std::int64_t>(value, base::first_coordinate, base::last_coordinate));
        };
        stencil.pattern_origin = Point{cut(ink.x), cut(ink.y)};
    }
    use(std::move(stencil));
}

/// Calls use(shape) with the plate of a text, which is turned with it.
template <class Use>
void with_plate(const Text& text, const TextPlate& plate, Use use) {
    const text::Layout& layout = text.layout();
    if (layout.style.turn == Angle()) return use(RoundedBox{text.plate_box(plate), plate.radius});
    const RoundedBox level{layout.measured.lines.inset(-plate.padding), plate.radius};
    use(path_of(level).transformed(Transform::turn(layout.style.turn)).moved(text.at().x, text.at().y));
}

/// Calls on_shape(plate, fill, border) and on_ink(stencil, paint) for all that a text is painted with, in
/// order.
template <class OnShape, class OnInk>
void for_each_layer(const Text& text, const TextPaint& paint, const Box& within, OnShape on_shape,
                    OnInk on_ink) {
    if (paint.plate) {
        const Fill fill{
            .paint = paint.plate->paint, .blending = paint.blending, .edges = text.layout().style.edges};
        with_plate(text, *paint.plate,
                   [&](const auto& plate) { on_shape(plate, fill, paint.plate->border); });
    }
    const auto paint_letters = [&](double grown, const Paint& ink) {
        with_stencil(text, grown, within, ink.pattern() != nullptr,
                     [&](Stencil stencil) { on_ink(std::move(stencil), ink); });
    };
    if (paint.outline) paint_letters(paint.outline->width, paint.outline->paint);
    paint_letters(0, paint.paint);
}

} // namespace

Text::Text(std::string_view text, Point at, const TextStyle& style)
    : layout_(base::share<text::Layout>(text, style)), at_(at) {}

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
    const Box one{std::int64_t{pixel.x} - at_.x, std::int64_t{pixel.y} - at_.y, 1, 1};
    const auto part = text::covered_part(*layout_, 0, one);
    return part && part->coverage.pixel({0, 0}) != Colour(0, 0, 0);
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
    text::check(plate);
    if (layout_->style.turn != Angle())
        return layout_->turned(layout_->measured.lines.inset(-plate.padding)).moved(at_.x, at_.y);
    return layout_->measured.lines.united(layout_->ink().box).moved(at_.x, at_.y).inset(-plate.padding);
}

TextMeasure measure(std::string_view text, const TextStyle& style) {
    return Text(text, {}, style).measure();
}

void draw(const ImageView& view, const Text& text, const TextPaint& paint) {
    text::check(paint);
    image::check(paint.blending, view.format());
    for_each_layer(
        text, paint, view.clip(),
        [&](const auto& plate, const Fill& fill, const std::optional<Paint>& border) {
            draw(view, plate, fill);
            if (border)
                draw(view, plate, Stroke{.paint = *border, .blending = fill.blending, .edges = fill.edges});
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
        [&](const auto& plate, const Fill& fill, const std::optional<Paint>& border) {
            drawing.add(plate, fill);
            if (border)
                drawing.add(plate, Stroke{.paint = *border, .blending = fill.blending, .edges = fill.edges});
        },
        [&](Stencil stencil, const Paint& ink_paint) {
            drawing.add(std::move(stencil), ink_paint, paint.blending);
        });
}

Region region(const Text& text) {
    const Box ink = text.bounds();
    if (ink.empty()) return {};
    Region result;
    with_stencil(text, 0, ink, false, [&](const Stencil& stencil) { result = region(stencil); });
    return result;
}

} // namespace coldbrick
