#include "drawing/item_bounds.hpp"

#include "image/drawing/overlay_checks.hpp"
#include "image/drawing/rasterise.hpp"
#include "paint/blending/composite_colour.hpp"

#include <algorithm>

namespace coldbrick::drawing {

Box bounds_of(const Drawing::StyledShape& item) {
    const auto of_shape = [&item](const auto& shape) {
        std::int64_t reach = 0;
        if (item.fill) reach = image::reach_of(*item.fill);
        if (item.stroke) reach = std::max(reach, image::reach_of(*item.stroke));
        const Box bounds = geometry::loose_bounds(shape);
        return Box{bounds.x - reach, bounds.y - reach, bounds.width + 2 * reach, bounds.height + 2 * reach};
    };
    return std::visit(of_shape, item.shape);
}

Box bounds_of(const Drawing::Picture& picture) {
    const Size used = image::used_part(*picture.image, picture.options).size();
    const Size laid = picture.options.orientation.laid(used);
    const Point hot_spot = picture.options.hot_spot;
    return {std::int64_t{picture.at.x} - hot_spot.x, std::int64_t{picture.at.y} - hot_spot.y, laid.width,
            laid.height};
}

Box bounds_of(const Drawing::Print& print) {
    return print.stencil.bounds();
}

Box bounds_of(const Drawing::Group& group) {
    const bool all = group.style.layer && paint::erases(group.style.layer->mode);
    const Box inside = all ? everywhere : group.drawing->bounds();
    return group.style.clip ? inside.intersection((*group.style.clip)->bounds()) : inside;
}

} // namespace coldbrick::drawing
