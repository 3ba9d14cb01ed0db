#include <coldbrick/drawing.hpp>

#include "drawing/item_painting.hpp"
#include "image/overlay_checks.hpp"
#include "image/stencil_checks.hpp"
#include "image/style_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <utility>

namespace coldbrick {

void Drawing::append(Item item) {
    tags_.push_back(tag_);
    try {
        items_.push_back(std::move(item));
    } catch (...) {
        tags_.pop_back();
        throw;
    }
}

void Drawing::add(StyledShape item) {
    if (!item.fill && !item.stroke) throw ArgumentError("a shape of a drawing has neither fill nor stroke");
    const auto check_one = [&item](const auto& shape) {
        if (item.fill) image::check_styled(shape, *item.fill);
        if (item.stroke) image::check_styled(shape, *item.stroke);
    };
    std::visit(check_one, item.shape);
    append(std::move(item));
}

void Drawing::add(Shared<Image> image, Point at, const Overlay& options) {
    image::check_overlay(*image, options);
    Picture picture{std::move(image), at, options, std::nullopt};
    if (options.mask != nullptr) picture.mask = Shared<Bitmap>(*options.mask);
    picture.options.mask = nullptr;
    append(std::move(picture));
}

void Drawing::add(Stencil stencil, const Paint& paint, const Blending& blending) {
    image::check(stencil);
    append(Print{std::move(stencil), paint, blending});
}

void Drawing::add(Shared<Drawing> group, const GroupStyle& style) {
    if (group->groups_deep_ + 1 > deepest_groups)
        throw ArgumentError(
            fmt::format("groups of a drawing lie within each other more than {} times", deepest_groups));
    groups_deep_ = std::max(groups_deep_, group->groups_deep_ + 1);
    append(Group{std::move(group), style});
}

void draw(const ImageView& view, const Drawing& drawing) {
    drawing::check_modes(view.format(), drawing);
    drawing::paint(view, drawing);
}

} // namespace coldbrick
