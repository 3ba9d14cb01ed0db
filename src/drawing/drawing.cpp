#include <coldbrick/drawing.hpp>

#include "image/overlay_checks.hpp"
#include "image/stencil_checks.hpp"
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

void check_modes(const ImageView& view, const Drawing::Print& print) {
    image::check(print.blending, view.format());
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
    Overlay options = picture.options;
    if (picture.mask) options.mask = &**picture.mask;
    overlay(view, *picture.image, picture.at, options);
}

void draw(const ImageView& view, const Drawing::Print& print) {
    coldbrick::draw(view, print.stencil, print.paint, print.blending);
}

} // namespace

void Drawing::add(StyledShape item) {
    if (!item.fill && !item.stroke) throw ArgumentError("a shape of a drawing has neither fill nor stroke");
    const auto check_one = [&item](const auto& shape) {
        if (item.fill) image::check_styled(shape, *item.fill);
        if (item.stroke) image::check_styled(shape, *item.stroke);
    };
    std::visit(check_one, item.shape);
    items_.emplace_back(std::move(item));
}

void Drawing::add(Shared<Image> image, Point at, const Overlay& options) {
    image::check_overlay(*image, options);
    Picture picture{std::move(image), at, options, std::nullopt};
    if (options.mask != nullptr) picture.mask = Shared<Bitmap>(*options.mask);
    picture.options.mask = nullptr;
    items_.emplace_back(std::move(picture));
}

void Drawing::add(Stencil stencil, const Paint& paint, const Blending& blending) {
    image::check(stencil);
    items_.emplace_back(Print{std::move(stencil), paint, blending});
}

void draw(const ImageView& view, const Drawing& drawing) {
    for (const Drawing::Item& item : drawing.items())
        std::visit([&view](const auto& one) { check_modes(view, one); }, item);
    for (const Drawing::Item& item : drawing.items())
        std::visit([&view](const auto& one) { draw(view, one); }, item);
}

} // namespace coldbrick
