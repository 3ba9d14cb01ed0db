#include <coldbrick/drawing.hpp>

#include "image/overlay_checks.hpp"
#include "image/stencil_checks.hpp"
#include "image/style_checks.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cstdint>
#include <cstdlib>
#include <memory>
#include <new>
#include <utility>
#include <vector>

namespace coldbrick {

namespace {

PixelFormat layer_format(PixelFormat below) {
    switch (layout(below).kind) {
    case PixelLayout::Kind::words: return PixelFormat::rgba16;
    case PixelLayout::Kind::floats: return PixelFormat::rgba32f;
    default: return PixelFormat::rgba8;
    }
}

void check_modes(PixelFormat format, const Drawing::StyledShape& item) {
    if (item.fill) image::check(item.fill->blending, format);
    if (item.stroke) image::check(item.stroke->blending, format);
}

void check_modes(PixelFormat format, const Drawing::Picture& picture) {
    image::check(picture.options.blending, format);
}

void check_modes(PixelFormat format, const Drawing::Print& print) {
    image::check(print.blending, format);
}

void check_modes(PixelFormat format, const Drawing& drawing);

void check_modes(PixelFormat format, const Drawing::Group& group) {
    if (group.style.layer) image::check(*group.style.layer, format);
    check_modes(group.style.layer ? layer_format(format) : format, *group.drawing);
}

void check_modes(PixelFormat format, const Drawing& drawing) {
    for (const Drawing::Item& item : drawing.items())
        std::visit([format](const auto& one) { check_modes(format, one); }, item);
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

void draw_items(const ImageView& view, const Drawing& drawing);

/// A transparent picture with the coordinates of a view. Memory that is zero already is not touched before
/// something is drawn there, so that a band of a large view takes no more than its own rows.
class LayerPicture {
  public:
    explicit LayerPicture(const ImageView& view)
        : format_(layer_format(view.format())), size_{view.width(),
                                                      static_cast<std::int32_t>(view.clip().end_y())},
          bytes_(static_cast<std::byte*>(std::calloc(static_cast<std::size_t>(size_.height),
                                                     static_cast<std::size_t>(size_.width) *
                                                         static_cast<std::size_t>(layout(format_).bytes)))) {
        if (!bytes_) throw std::bad_alloc();
    }

    [[nodiscard]] ImageView view() const { return {bytes_.get(), size_, format_}; }

  private:
    struct Free {
        void operator()(std::byte* bytes) const { std::free(bytes); }
    };
    PixelFormat format_;
    Size size_;
    std::unique_ptr<std::byte[], Free> bytes_;
};

/// Rows of the same spans become boxes one above the other.
template <class Visit>
void for_each_box(const Region& region, const Visit& visit) {
    const std::vector<Span>& spans = region.spans();
    const auto row_end = [&](std::size_t i) {
        std::size_t end = i;
        while (end < spans.size() && spans[end].y == spans[i].y) ++end;
        return end;
    };
    const auto same_extent = [](const Span& a, const Span& b) {
        return a.x_begin == b.x_begin && a.x_end == b.x_end;
    };
    for (std::size_t first = 0; first < spans.size();) {
        const std::size_t end = row_end(first);
        std::size_t next = end;
        std::int32_t rows = 1;
        while (next < spans.size() && spans[next].y == spans[first].y + rows) {
            const std::size_t next_end = row_end(next);
            if (!std::equal(spans.begin() + static_cast<std::ptrdiff_t>(first),
                            spans.begin() + static_cast<std::ptrdiff_t>(end),
                            spans.begin() + static_cast<std::ptrdiff_t>(next),
                            spans.begin() + static_cast<std::ptrdiff_t>(next_end), same_extent))
                break;
            next = next_end;
            ++rows;
        }
        for (std::size_t i = first; i < end; ++i)
            visit(Box{spans[i].x_begin, spans[i].y, spans[i].x_end - spans[i].x_begin, rows});
        first = next;
    }
}

/// Draws onto each part of the view that the group's clip leaves.
template <class Draw>
void draw_in_clip(const ImageView& view, const Drawing::GroupStyle& style, const Draw& draw_part) {
    if (!style.clip) return draw_part(view);
    for_each_box(**style.clip, [&](const Box& box) {
        const ImageView part = view.clipped(box);
        if (!part.clip().empty()) draw_part(part);
    });
}

void draw(const ImageView& view, const Drawing::Group& group) {
    if (!group.style.layer)
        return draw_in_clip(view, group.style,
                            [&](const ImageView& part) { draw_items(part, *group.drawing); });
    const ImageView shown = group.style.clip ? view.clipped((*group.style.clip)->bounds()) : view;
    if (shown.clip().empty()) return;
    const LayerPicture layer(shown);
    draw_items(layer.view().clipped(shown.clip()), *group.drawing);
    draw_in_clip(shown, group.style, [&](const ImageView& part) {
        overlay(part, layer.view(), {}, {.blending = *group.style.layer});
    });
}

void draw_items(const ImageView& view, const Drawing& drawing) {
    for (const Drawing::Item& item : drawing.items())
        std::visit([&view](const auto& one) { draw(view, one); }, item);
}

} // namespace

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
    check_modes(view.format(), drawing);
    draw_items(view, drawing);
}

} // namespace coldbrick
