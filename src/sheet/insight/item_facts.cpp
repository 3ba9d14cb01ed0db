#include "sheet/insight/item_facts.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/visibility.hpp>

#include <algorithm>
#include <concepts>
#include <variant>

namespace coldbrick::sheet {

namespace {

PaintFacts facts_of(const Paint& paint, const Blending& blending, Edges edges) {
    const Colour* const colour = paint.colour<Colour>();
    const int alpha = (colour == nullptr ? 255 : colour->alpha) * blending.opacity / 255;
    const bool simple = blending.mode == BlendMode::source_over;
    return {alpha, simple, simple && edges == Edges::crisp && colour != nullptr && alpha == 255};
}

PaintFacts both(const PaintFacts& a, const PaintFacts& b) {
    return {std::max(a.alpha, b.alpha), a.simple && b.simple, a.replaces && b.replaces};
}

PaintFacts facts_of(const Drawing::StyledShape& item) {
    const auto of = [](const auto& style) { return facts_of(style.paint, style.blending, style.edges); };
    if (!item.stroke) return of(*item.fill);
    return item.fill ? both(of(*item.fill), of(*item.stroke)) : of(*item.stroke);
}
PaintFacts facts_of(const Drawing::Picture& item) {
    const Blending& blending = item.options.blending;
    return {blending.opacity, blending.mode == BlendMode::source_over, false};
}
PaintFacts facts_of(const Drawing::Print& item) {
    return facts_of(item.paint, item.blending, Edges::smooth);
}
PaintFacts facts_of(const Drawing::Group& item) {
    if (!item.style.layer) return {255, true, false};
    return {item.style.layer->opacity, item.style.layer->mode == BlendMode::source_over, false};
}

/// The tight box of the pixels that an item has, whatever clips it.
Box extent_of(const Drawing::StyledShape& item) {
    return std::visit(
        [&]<class S>(const S& shape) {
            Box result;
            if constexpr (ClosedShape<S>)
                if (item.fill) result = bounds(shape, *item.fill);
            return item.stroke ? result.united(bounds(shape, *item.stroke)) : result;
        },
        item.shape);
}
Box extent_of(const Drawing::Print& item) {
    return item.stencil.bounds();
}

Drawing alone(const Drawing::StyledShape& item) {
    Drawing result;
    result.add(item);
    return result;
}
Drawing alone(const Drawing::Picture& item) {
    Drawing result;
    Overlay options = item.options;
    if (item.mask) options.mask = &**item.mask;
    result.add(item.image, item.at, options);
    return result;
}
Drawing alone(const Drawing::Print& item) {
    Drawing result;
    result.add(item.stencil, item.paint, item.blending);
    return result;
}

std::size_t bytes_of_points(const Shape& shape) {
    return std::visit(
        []<class S>(const S& one) -> std::size_t {
            std::size_t result = 0;
            if constexpr (std::same_as<S, Dots> || std::same_as<S, Polyline>)
                result = one.points.size() * sizeof(Point);
            else if constexpr (std::same_as<S, Polygon>)
                for (const auto& ring : one.rings) result += sizeof ring + ring.size() * sizeof(Point);
            else if constexpr (std::same_as<S, Path>)
                for (const Contour& contour : one.contours())
                    result += sizeof contour + contour.pieces.size() * sizeof(PathPiece);
            return result;
        },
        shape);
}

} // namespace

std::size_t bytes_of(const Drawing::Item& item) {
    constexpr std::size_t bounds_and_tag = 20;
    std::size_t result = sizeof item + bounds_and_tag;
    if (const auto* const shape = std::get_if<Drawing::StyledShape>(&item))
        result += bytes_of_points(shape->shape);
    if (const auto* const print = std::get_if<Drawing::Print>(&item)) {
        const Size size = print->stencil.coverage->size();
        result += static_cast<std::size_t>(size.width) * static_cast<std::size_t>(size.height);
    }
    return result;
}

PaintFacts paint_facts(const Drawing::Item& item) {
    return std::visit([](const auto& one) { return facts_of(one); }, item);
}

ItemReach reach_of(const Drawing::Item& item, Size sheet) {
    return std::visit(
        [sheet]<class Item>(const Item& one) -> ItemReach {
            if constexpr (std::same_as<Item, Drawing::Group>) {
                return {}; // a layer covers its whole clip
            } else {
                const Drawing drawing = alone(one);
                const Box loose = drawing.bounds_of_item(0);
                ItemReach result;
                if (loose.empty()) return result;
                constexpr std::int64_t large = 10'000;
                if (loose.width <= large && loose.height <= large) {
                    if constexpr (std::same_as<Item, Drawing::Picture>)
                        result.outside = loose;
                    else
                        result.outside = extent_of(one);
                }
                result.exists = !result.outside.empty() || loose.width > large || loose.height > large;
                if (!result.exists || loose.intersection(Box::of(sheet)).empty()) return result;
                Image blank(sheet, PixelFormat::gray8);
                result.on_sheet = visibility(blank, drawing).front().covered > 0;
                return result;
            }
        },
        item);
}

} // namespace coldbrick::sheet
