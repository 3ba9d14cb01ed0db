#include <coldbrick/drawing.hpp>

#include "drawing/item_bounds.hpp"
#include "drawing/item_painting.hpp"
#include "image/drawing/overlay_checks.hpp"
#include "image/drawing/stencil_checks.hpp"
#include "image/drawing/style_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <utility>

namespace coldbrick {

void Drawing::append(Item item, const Box& bounds) {
    const Box inside = bounds.intersection(drawing::everywhere);
    const auto number = [](std::int64_t coordinate) { return static_cast<std::int32_t>(coordinate); };
    const Extent extent = inside.empty() ? Extent{0, 0, -1, -1}
                                         : Extent{number(inside.x), number(inside.y),
                                                  number(inside.end_x() - 1), number(inside.end_y() - 1)};
    extents_.push_back(extent);
    try {
        tags_.push_back(tag_);
        items_.push_back(std::move(item));
    } catch (...) {
        tags_.resize(items_.size());
        extents_.resize(items_.size());
        throw;
    }
    bounds_ = bounds_.united(inside);
    ++items_drawn_;
}

Box Drawing::bounds_of_item(std::size_t number) const {
    const Extent& extent = extents_.at(number);
    return {extent.left, extent.top, std::int64_t{extent.right} - extent.left + 1,
            std::int64_t{extent.bottom} - extent.top + 1};
}

void Drawing::add(StyledShape item) {
    if (!item.fill && !item.stroke) throw ArgumentError("a shape of a drawing has neither fill nor stroke");
    const auto check_one = [&item](const auto& shape) {
        if (item.fill) image::check_styled(shape, *item.fill);
        if (item.stroke) image::check_styled(shape, *item.stroke);
    };
    std::visit(check_one, item.shape);
    if (item.fill) image::check(item.fill->blending);
    if (item.stroke) image::check(item.stroke->blending);
    const Box bounds = drawing::bounds_of(item);
    append(std::move(item), bounds);
}

void Drawing::add(Shared<Image> image, Point at, const Overlay& options) {
    image::check_overlay(*image, options);
    image::check(options.blending);
    Picture picture{std::move(image), at, options, std::nullopt};
    if (options.mask != nullptr) picture.mask = Shared<Bitmap>(*options.mask);
    picture.options.mask = nullptr;
    const Box bounds = drawing::bounds_of(picture);
    append(std::move(picture), bounds);
}

void Drawing::add(Stencil stencil, const Paint& paint, const Blending& blending) {
    image::check(stencil);
    image::check(blending);
    Print print{std::move(stencil), paint, blending};
    const Box bounds = drawing::bounds_of(print);
    append(std::move(print), bounds);
}

void Drawing::add(Shared<Drawing> group, const GroupStyle& style) {
    if (group->groups_deep_ + 1 > deepest_groups)
        throw ArgumentError(
            fmt::format("groups of a drawing lie within each other more than {} times", deepest_groups));
    if (style.layer) image::check(*style.layer);
    const std::int64_t more = 1 + group->items_drawn_;
    if (items_drawn_ + more > most_items)
        throw ArgumentError(
            fmt::format("a drawing of more than {} items, those of groups counted as often as they "
                        "are drawn",
                        most_items));
    groups_deep_ = std::max(groups_deep_, group->groups_deep_ + 1);
    Group item{std::move(group), style};
    const Box bounds = drawing::bounds_of(item);
    append(std::move(item), bounds);
    items_drawn_ += more - 1;
}

void draw(const ImageView& view, const Drawing& drawing) {
    drawing::check_modes(view.format(), drawing);
    drawing::paint(view, drawing);
}

} // namespace coldbrick
