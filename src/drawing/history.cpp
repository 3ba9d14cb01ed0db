#include "drawing/item_cover.hpp"
#include "drawing/item_painting.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/visibility.hpp>

#include <fmt/core.h>

namespace coldbrick {

namespace {

using Kind = HistoryStep::Kind;

/// Paints items onto one pixel and notes each step.
class Historian {
  public:
    Historian(Point pixel, std::vector<HistoryStep>& steps) : pixel_(pixel), steps_(steps) {}

    /// @param view a clip of no more than the pixel
    void paint(const ImageView& view, const Drawing& drawing, int depth) {
        auto tag = drawing.tags().begin();
        for (const Drawing::Item& item : drawing.items()) {
            item_ = &item;
            tag_ = *tag++;
            std::visit([&](const auto& one) { paint_item(view, one, depth); }, item);
        }
    }

  private:
    /// Paints by paint_it() if anything is covered. @param hides whether nothing of what was there is left
    template <class Paint>
    void step(const ImageView& view, Kind kind, int coverage, int depth, bool hides, const Paint& paint_it) {
        if (coverage == 0) return;
        HistoryStep result{item_, tag_, kind, coverage, depth, view.real_pixel(pixel_), {}, hides};
        paint_it();
        result.after = view.real_pixel(pixel_);
        steps_.push_back(result);
    }

    void paint_item(const ImageView& view, const Drawing::StyledShape& item, int depth) {
        drawing::CoverFinder covers(view);
        if (item.fill) {
            const int coverage = drawing::fill_coverage(view, item, pixel_);
            const bool hides = coverage == 255 && covers.fill_hides(view, item);
            step(view, Kind::fill, coverage, depth, hides, [&] { drawing::paint_fill(view, item); });
        }
        if (item.stroke) {
            const int coverage = drawing::stroke_coverage(view, item, pixel_);
            const bool hides = coverage == 255 && covers.stroke_hides(view, item);
            step(view, Kind::stroke, coverage, depth, hides, [&] { drawing::paint_stroke(view, item); });
        }
    }

    template <class Item>
    void paint_whole(const ImageView& view, Kind kind, const Item& item, int depth) {
        const int coverage = drawing::coverage(item, pixel_);
        if (coverage == 0) return;
        drawing::CoverFinder covers(view);
        step(view, kind, coverage, depth, !covers.hidden(view, item).empty(),
             [&] { drawing::paint(view, item); });
    }
    void paint_item(const ImageView& view, const Drawing::Picture& picture, int depth) {
        paint_whole(view, Kind::image, picture, depth);
    }
    void paint_item(const ImageView& view, const Drawing::Print& print, int depth) {
        paint_whole(view, Kind::stencil, print, depth);
    }

    void paint_item(const ImageView& view, const Drawing::Group& group, int depth) {
        if (group.style.clip && !(*group.style.clip)->contains(pixel_)) return;
        if (!group.style.layer) return paint(view, *group.drawing, depth);
        const Drawing::Item* const item = item_;
        const std::uint32_t tag = tag_;
        const drawing::LayerPicture layer(view);
        paint(layer.view(), *group.drawing, depth + 1);
        item_ = item;
        tag_ = tag;
        drawing::CoverFinder covers(view);
        step(view, Kind::layer, 255, depth, !covers.hidden(view, group, layer).empty(),
             [&] { drawing::lay(view, group, layer); });
    }

    Point pixel_;
    std::vector<HistoryStep>& steps_;
    const Drawing::Item* item_ = nullptr;
    std::uint32_t tag_ = 0;
};

} // namespace

std::vector<HistoryStep> history(const ImageView& view, const Drawing& drawing, Point pixel) {
    if (!view.clip().contains(pixel))
        throw ArgumentError(fmt::format(
            "pixel ({}, {}) lies outside of the columns {}..{} and the rows {}..{}", pixel.x, pixel.y,
            view.clip().x, view.clip().end_x() - 1, view.clip().y, view.clip().end_y() - 1));
    drawing::check_modes(view.format(), drawing);
    std::vector<HistoryStep> result;
    Historian(pixel, result).paint(view.clipped({pixel.x, pixel.y, 1, 1}), drawing, 0);
    return result;
}

} // namespace coldbrick
