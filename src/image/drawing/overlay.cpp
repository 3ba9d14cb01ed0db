#include <coldbrick/overlay.hpp>

#include "image/drawing/overlay_checks.hpp"
#include "image/drawing/span_painter.hpp"
#include "image/drawing/style_checks.hpp"
#include "image/reading/pixel_reader.hpp"
#include "paint/blending/composite_run.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <bit>
#include <concepts>
#include <cstdint>
#include <functional>
#include <iterator>
#include <optional>
#include <span>
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

/// What lies under a row of what is laid: its first pixel, and how far it is to the next one.
struct SourceRow {
    Point first;
    Point step;

    SourceRow(const Orientation& orientation, const Visible& visible, std::int32_t row, Size size)
        : first(orientation.source({visible.first.x, visible.first.y + row}, size)) {
        const Point next = orientation.source({visible.first.x + 1, visible.first.y + row}, size);
        step = {next.x - first.x, next.y - first.y};
    }
};

/// Calls visit(begin, end) for the runs of `value` in a row.
template <class Visit>
void for_each_run(std::span<const std::uint8_t> row, std::uint8_t value, Visit visit) {
    for (auto begin = std::ranges::find(row, value); begin != row.end();) {
        const auto end = std::find_if(begin, row.end(), [value](std::uint8_t one) { return one != value; });
        visit(begin - row.begin(), end - row.begin());
        begin = std::find(end, row.end(), value);
    }
}

/// Lays the used part of an image, row by row.
template <class C>
class PictureRows {
  public:
    PictureRows(const ConstImageView& part, const Overlay& options)
        : reader_(part), size_(part.size()), options_(options), blending_(options.blending) {
        blending_.opacity = 255; // the colours have it
    }

    /// Composites one row of the visible part.
    void composite_row(const paint::Surface& surface, const Visible& visible, std::int32_t row) {
        const SourceRow source(options_.orientation, visible, row, size_);
        colours_.resize(static_cast<std::size_t>(visible.box.width));
        read(source);
        const bool takes_all = !options_.key && options_.mask == nullptr;
        if (!takes_all) find_taken(source);
        const std::uint8_t opacity = options_.blending.opacity;
        if (opacity != 255)
            for (C& colour : colours_) colour = paint::with_opacity(colour, opacity);
        const auto composite = [&](std::ptrdiff_t begin, std::ptrdiff_t end) {
            const auto first = static_cast<std::size_t>(begin);
            paint::composite_run<C>(
                surface, blending_, visible.box.x + begin, visible.box.y + row,
                std::span<const C>(colours_).subspan(first, static_cast<std::size_t>(end) - first));
        };
        if (takes_all || hides_left_out(*surface.codec.layout)) return composite(0, std::ssize(colours_));
        for_each_run(taken_, 1, composite);
    }

  private:
    void read(const SourceRow& source) {
        if (options_.orientation == Orientation())
            return reader_.row(source.first.x, source.first.y, colours_);
        Point from = source.first;
        for (C& colour : colours_) {
            colour = reader_.at(from.x, from.y);
            from = {from.x + source.step.x, from.y + source.step.y};
        }
    }

    /// Marks the pixels that are not left out by 1.
    void find_taken(const SourceRow& source) {
        taken_.assign(colours_.size(), 1);
        if (options_.mask != nullptr) options_.mask->read(source.first, source.step, taken_);
        if (!options_.key) return;
        // Compared as words, many at a time.
        const auto key = std::bit_cast<std::uint32_t>(*options_.key);
        for (std::size_t i = 0; i < taken_.size(); ++i) {
            const auto colour = std::bit_cast<std::uint32_t>(paint::to_depth<Colour>(colours_[i]));
            taken_[i] = static_cast<std::uint8_t>(colour == key ? 0 : taken_[i]);
        }
    }

    /// Makes what is left out wholly see-through, if that changes no pixel: real numbers would be rounded,
    /// and an entry of a palette be looked for anew.
    bool hides_left_out(const PixelLayout& layout) {
        if (blending_ != Blending() || std::same_as<C, RealColour> || layout.kind == PixelLayout::Kind::index)
            return false;
        for (std::size_t i = 0; i < taken_.size(); ++i)
            if (taken_[i] == 0) colours_[i].alpha = 0;
        return true;
    }

    image::PixelReader<C> reader_;
    Size size_;
    const Overlay& options_;
    Blending blending_;
    std::vector<C> colours_;
    std::vector<std::uint8_t> taken_;
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
    std::vector<std::uint8_t> bits(static_cast<std::size_t>(visible.box.width));
    const auto paint_bits = [&](const Paint& paint, std::uint8_t wanted) {
        image::SpanPainter painter(view, paint, marker.blending);
        painter.place_pattern(Box{visible.box.x - visible.first.x, visible.box.y - visible.first.y, 1, 1});
        painter.paint_spans([&](raster::SpanSink& sink) {
            for (std::int32_t row = 0; row < visible.box.height; ++row) {
                const SourceRow source(marker.orientation, visible, row, bitmap.size());
                bitmap.read(source.first, source.step, bits);
                for_each_run(bits, wanted, [&](std::ptrdiff_t begin, std::ptrdiff_t end) {
                    sink.add(static_cast<std::int32_t>(visible.box.y + row), visible.box.x + begin,
                             visible.box.x + end);
                });
            }
        });
    };
    if (marker.background) paint_bits(*marker.background, 0);
    paint_bits(marker.foreground, 1);
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
