#include <coldbrick/drawing.hpp>

#include "geometry/shape_checks.hpp"
#include "image/size_checks.hpp"
#include "image/style_checks.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>

#include <utility>

namespace coldbrick {

namespace {

void check_modes(const ImageView& view, const Drawing::StyledShape& item) {
    if (item.fill) image::check(item.fill->blending, view.format());
    if (item.stroke) image::check(item.stroke->blending, view.format());
}

void check_modes(const ImageView& view, const Drawing::Picture& picture) {
    image::check(picture.options.blending, view.format());
}

void draw(const ImageView& view, const Drawing::StyledShape& item) {
    const auto paint = [&]<class S>(const S& shape) {
        if constexpr (ClosedShape<S>) {
            if (item.fill && item.stroke) return coldbrick::draw(view, shape, *item.fill, *item.stroke);
            if (item.fill) return coldbrick::draw(view, shape, *item.fill);
        }
        if (item.stroke) coldbrick::draw(view, shape, *item.stroke);
    };
    std::visit(paint, item.shape);
}

void draw(const ImageView& view, const Drawing::Picture& picture) {
    overlay(view, *picture.image, picture.at, picture.options);
}

} // namespace

void Drawing::add_checked(StyledShape item) {
    const auto check_one = [&item]<class S>(const S& shape) {
        geometry::check(shape);
        if (item.fill) {
            image::check(*item.fill);
            image::check_suits<S>(*item.fill);
        }
        if (item.stroke) {
            image::check(*item.stroke);
            image::check_suits<S>(*item.stroke);
        }
    };
    std::visit(check_one, item.shape);
    items_.emplace_back(std::move(item));
}

void Drawing::add(std::shared_ptr<const Image> image, Point at, const Overlay& options) {
    if (!image) throw ArgumentError("the picture of a drawing is null");
    image::check_overlay(*image, options);
    Picture picture{std::move(image), at, options, nullptr};
    if (options.mask != nullptr) picture.mask = std::make_shared<const Bitmap>(*options.mask);
    picture.options.mask = picture.mask.get();
    items_.emplace_back(std::move(picture));
}

void draw(const ImageView& view, const Drawing& drawing) {
    for (const Drawing::Item& item : drawing.items())
        std::visit([&view](const auto& one) { check_modes(view, one); }, item);
    for (const Drawing::Item& item : drawing.items())
        std::visit([&view](const auto& one) { draw(view, one); }, item);
}

} // namespace coldbrick
