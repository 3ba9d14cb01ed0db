#include <coldbrick/overlay.hpp>

#include "image/draw_pipeline.hpp"
#include "image/overlay_checks.hpp"
#include "image/pixel_reader.hpp"
#include "paint/composite_run.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <functional>
#include <optional>
#include <utility>
#include <vector>

namespace coldbrick {

namespace {

/// The bytes of the rows [first, end) of a view, from the first to past the last one.
template <class Byte>
std::pair<const std::byte*, const std::byte*> extent_of(const BasicImageView<Byte>& view, std::int64_t first,
                                                        std::int64_t end) {
    const auto top = view.row(static_cast<std::int32_t>(first));
    const auto bottom = view.row(static_cast<std::int32_t>(end - 1));
    return {
        std::min<const std::byte*>(top.data(), bottom.data(), std::less<>()),
        std::max<const std::byte*>(top.data() + top.size(), bottom.data() + bottom.size(), std::less<>())};
}

/// True if what is drawn into a view, whose clip is not empty, may change the image.
bool share_memory(const ImageView& view, const ConstImageView& image) {
    const auto [first, end] = extent_of(view, view.clip().y, view.clip().end_y());
    const auto [other_first, other_end] = extent_of(image, 0, image.height());
    return std::less<>()(first, other_end) && std::less<>()(other_first, end);
}

/// What of an image that is laid onto a view shows.
struct Visible {
    Box box;     ///< on the view
    Point first; ///< the laid pixel that comes to lie at its top-left corner
};
Visible visible_part(const ImageView& view, Size laid, Point at, Point hot_spot) {
    const std::int64_t left = std::int64_t{at.x} - hot_spot.x;
    const std::int64_t top = std::int64_t{at.y} - hot_spot.y;
    const Box box = view.clip().intersection({left, top, laid.width, laid.height});
    return {box, {static_cast<std::int32_t>(box.x - left), static_cast<std::int32_t>(box.y - top)}};
}

/// Lays the used part of an image, pixel by pixel.
template <class C>
class PictureRows {
  public:
    PictureRows(const ConstImageView& part, const Overlay& options)
        : reader_(part), size_(part.size()), options_(options) {}

    /// Composites one row of the visible part.
    void composite_row(const paint::Surface& surface, const Visible& visible, std::int32_t row) {
        const auto count = static_cast<std::size_t>(visible.box.width);
        colours_.resize(count);
        read(visible, row);
        const std::int64_t y = visible.box.y + row;
        if (!options_.key && options_.mask == nullptr)
            return paint::composite_run<C>(surface, options_.blending, visible.box.x, y, colours_);
        std::size_t begin = 0;
        while (begin < count) {
            if (left_out(visible, row, begin)) {
                ++begin;
                continue;
            }
            std::size_t end = begin + 1;
            while (end < count && !left_out(visible, row, end)) ++end;
            paint::composite_run<C>(surface, options_.blending,
                                    visible.box.x + static_cast<std::int64_t>(begin), y,
                                    std::span<const C>(colours_).subspan(begin, end - begin));
            begin = end;
        }
    }

  private:
    [[nodiscard]] Point source(const Visible& visible, std::int32_t row, std::size_t column) const {
        return options_.orientation.source(
            {visible.first.x + static_cast<std::int32_t>(column), visible.first.y + row}, size_);
    }

    void read(const Visible& visible, std::int32_t row) {
        if (options_.orientation == Orientation())
            return reader_.row(visible.first.x, visible.first.y + row, colours_);
        for (std::size_t i = 0; i < colours_.size(); ++i) {
            const Point from = source(visible, row, i);
            colours_[i] = reader_.at(from.x, from.y);
        }
    }

    [[nodiscard]] bool left_out(const Visible& visible, std::int32_t row, std::size_t column) const {
        if (options_.key && paint::to_depth<Colour>(colours_[column]) == *options_.key) return true;
        return options_.mask != nullptr && !options_.mask->at(source(visible, row, column));
    }

    image::PixelReader<C> reader_;
    Size size_;
    const Overlay& options_;
    std::vector<C> colours_;
};

void composite(const ImageView& view, const ConstImageView& part, Point at, const Overlay& options) {
    const Visible visible = visible_part(view, options.orientation.laid(part.size()), at, options.hot_spot);
    if (visible.box.empty()) return;
    paint::Surface surface = image::surface_of(view);
    std::optional<paint::NearestEntries> nearest;
    if (view.palette() != nullptr) surface.codec.nearest = &nearest.emplace(*view.palette());
    paint::at_depth(*surface.codec.layout, [&]<class C>(C) {
        PictureRows<C> rows(part, options);
        for (std::int32_t row = 0; row < visible.box.height; ++row) rows.composite_row(surface, visible, row);
    });
}

} // namespace

void overlay(const ImageView& view, const ConstImageView& image, Point at, const Overlay& options) {
    image::check(options.blending, view.format());
    image::check_overlay(image, options);
    const ConstImageView part = image::used_part(image, options);
    if (view.clip().empty()) return;
    if (!share_memory(view, part)) return composite(view, part, at, options);
    const Image copy = copied(part);
    composite(view, copy, at, options);
}

void overlay(const ImageView& view, const Bitmap& bitmap, Point at, const Marker& marker) {
    image::check(marker.blending, view.format());
    const Visible visible = visible_part(view, marker.orientation.laid(bitmap.size()), at, marker.hot_spot);
    if (visible.box.empty()) return;
    const auto paint_bits = [&](const Paint& paint, bool wanted) {
        image::SpanPainter painter(view, paint, marker.blending);
        painter.place_pattern(Box{visible.box.x - visible.first.x, visible.box.y - visible.first.y, 1, 1});
        painter.paint_spans([&](raster::SpanSink& sink) {
            for (std::int32_t row = 0; row < visible.box.height; ++row)
                for (std::int32_t column = 0; column < visible.box.width; ++column) {
                    const Point laid{visible.first.x + column, visible.first.y + row};
                    if (bitmap.at(marker.orientation.source(laid, bitmap.size())) != wanted) continue;
                    const std::int64_t x = visible.box.x + column;
                    sink.add(static_cast<std::int32_t>(visible.box.y + row), x, x + 1);
                }
        });
    };
    if (marker.background) paint_bits(*marker.background, false);
    paint_bits(marker.foreground, true);
}

Texture texture(const ConstImageView& image, PatternOrigin origin) {
    const auto width = static_cast<std::size_t>(image.width());
    Texture result{image.size(), std::vector<Colour16>(width * static_cast<std::size_t>(image.height())),
                   origin};
    const image::PixelReader<Colour16> reader(image);
    for (std::int32_t y = 0; y < image.height(); ++y)
        reader.row(0, y, std::span(result.pixels).subspan(static_cast<std::size_t>(y) * width, width));
    return result;
}

} // namespace coldbrick
