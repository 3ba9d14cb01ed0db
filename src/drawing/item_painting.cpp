#include "drawing/item_painting.hpp"

#include "drawing/band_memory.hpp"
#include "image/drawing/style_checks.hpp"
#include "paint/blending/composite_colour.hpp"

#include <coldbrick/draw.hpp>

#include <set>
#include <utility>

namespace coldbrick::drawing {

namespace {

PixelFormat layer_format(PixelFormat below) {
    switch (layout(below).kind) {
    case PixelLayout::Kind::words: return PixelFormat::rgba16;
    case PixelLayout::Kind::floats: return PixelFormat::rgba32f;
    default: return PixelFormat::rgba8;
    }
}

/// Checks the modes of drawings, each that groups share once for a format.
class ModeCheck {
  public:
    // NOLINTNEXTLINE(readability-convert-member-functions-to-static): it notes what is checked
    void check(PixelFormat format, const Drawing& drawing) {
        for (const Drawing::Item& item : drawing.items())
            std::visit([&](const auto& one) { check_item(format, one); }, item);
    }

  private:
    static void check_item(PixelFormat format, const Drawing::StyledShape& item) {
        if (item.fill) image::check(item.fill->blending, format);
        if (item.stroke) image::check(item.stroke->blending, format);
    }
    static void check_item(PixelFormat format, const Drawing::Picture& picture) {
        image::check(picture.options.blending, format);
    }
    static void check_item(PixelFormat format, const Drawing::Print& print) {
        image::check(print.blending, format);
    }
    void check_item(PixelFormat format, const Drawing::Group& group) {
        if (group.style.layer) image::check(*group.style.layer, format);
        const PixelFormat inner = group.style.layer ? layer_format(format) : format;
        if (checked_.emplace(&*group.drawing, inner).second) check(inner, *group.drawing);
    }

    std::set<std::pair<const Drawing*, PixelFormat>> checked_;
};

bool meet(const Box& a, const Box& b) {
    return a.x < b.end_x() && b.x < a.end_x() && a.y < b.end_y() && b.y < a.end_y();
}

} // namespace

LayerPicture::LayerPicture(const ImageView& below)
    : bytes_(bytes_of_rows(below.size(), layer_format(below.format()), below.clip())),
      view_(view_of_rows(bytes_.data(), below.size(), layer_format(below.format()), below.clip())) {}

void check_modes(PixelFormat format, const Drawing& drawing) {
    ModeCheck().check(format, drawing);
}

ImageView shown_by(const ImageView& view, const Drawing::GroupStyle& style) {
    return style.clip ? view.clipped((*style.clip)->bounds()) : view;
}

ImageView changed_by(const ImageView& view, const Drawing::Group& group) {
    const ImageView shown = shown_by(view, group.style);
    return paint::erases(group.style.layer->mode) ? shown : shown.clipped(group.drawing->bounds());
}

void lay(const ImageView& view, const Drawing::Group& group, const LayerPicture& layer) {
    const Box& box = layer.view().clip(); // no other rows are there
    const ConstImageView picture = layer.view().cropped(box);
    const Point at{static_cast<std::int32_t>(box.x), static_cast<std::int32_t>(box.y)};
    draw_in_clip(view, group.style, [&](const ImageView& part) {
        overlay(part, picture, at, {.blending = *group.style.layer});
    });
}

void paint(const ImageView& view, const Drawing::StyledShape& item) {
    const auto paint_shape = [&]<class S>(const S& shape) {
        if constexpr (ClosedShape<S>) {
            if (item.fill && item.stroke) return draw(view, shape, *item.fill, *item.stroke);
            if (item.fill) return draw(view, shape, *item.fill);
        }
        if (item.stroke) draw(view, shape, *item.stroke);
    };
    std::visit(paint_shape, item.shape);
}

void paint(const ImageView& view, const Drawing::Picture& picture) {
    Overlay options = picture.options;
    if (picture.mask) options.mask = &**picture.mask;
    overlay(view, *picture.image, picture.at, options);
}

void paint(const ImageView& view, const Drawing::Print& print) {
    draw(view, print.stencil, print.paint, print.blending);
}

void paint(const ImageView& view, const Drawing::Group& group) {
    if (!group.style.layer)
        return draw_in_clip(view, group.style, [&](const ImageView& part) { paint(part, *group.drawing); });
    const ImageView shown = changed_by(view, group);
    if (shown.clip().empty()) return;
    const LayerPicture layer(shown);
    paint(layer.view(), *group.drawing);
    lay(shown, group, layer);
}

void paint(const ImageView& view, const Drawing& drawing) {
    std::size_t number = 0;
    for (const Drawing::Item& item : drawing.items())
        if (meet(view.clip(), drawing.bounds_of_item(number++)))
            std::visit([&view](const auto& one) { paint(view, one); }, item);
}

} // namespace coldbrick::drawing
