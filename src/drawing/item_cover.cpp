#include "drawing/item_cover.hpp"

#include "image/drawing/span_painter.hpp"
#include "image/drawing/styled_shape.hpp"
#include "image/reading/pixel_reader.hpp"

#include <coldbrick/region.hpp>

#include <algorithm>
#include <concepts>
#include <cstring>
#include <span>
#include <utility>

namespace coldbrick::drawing {

namespace {

constexpr std::uint8_t all_of_it = 255;

/// Adds runs of the pixels [x_begin, x_end) of a row for which is(x) holds.
template <class Is>
void add_runs(std::int32_t y, std::int64_t x_begin, std::int64_t x_end, std::vector<Span>& spans,
              const Is& is) {
    for (std::int64_t x = x_begin; x < x_end; ++x) {
        const std::int64_t begin = x;
        while (x < x_end && is(x)) ++x;
        if (x > begin) spans.push_back({y, static_cast<std::int32_t>(begin), x});
    }
}

/// Passes the spans of a fill, which sees no other one, or of a stroke to a receiver.
void rasterise_style(const Shape& shape, const Fill& fill, const image::InsideRule&, const base::Clip& clip,
                     const raster::SpanSink::Receiver& receiver) {
    image::rasterise(shape, fill, clip, receiver);
}
void rasterise_style(const Shape& shape, const Stroke& stroke, const image::InsideRule& filled,
                     const base::Clip& clip, const raster::SpanSink::Receiver& receiver) {
    image::rasterise(shape, stroke, filled, clip, receiver);
}

/// Draws a fill, which sees no other one, or a stroke.
void paint_style(const ImageView& view, const Shape& shape, const Fill& fill, const image::InsideRule&) {
    image::paint(view, shape, fill);
}
void paint_style(const ImageView& view, const Shape& shape, const Stroke& stroke,
                 const image::InsideRule& filled) {
    image::paint(view, shape, stroke, filled);
}

void take_spans(void* object, std::span<const Span> spans) {
    auto& all = *static_cast<std::vector<Span>*>(object);
    all.insert(all.end(), spans.begin(), spans.end());
}

void take_covered(void* object, std::span<const base::CoverageSpan> spans) {
    for (const base::CoverageSpan& run : spans) static_cast<std::vector<Span>*>(object)->push_back(run.span);
}

void take_whole(void* object, std::span<const base::CoverageSpan> spans) {
    for (const base::CoverageSpan& run : spans)
        add_runs(run.span.y, run.span.x_begin, run.span.x_end, *static_cast<std::vector<Span>*>(object),
                 [&](std::int64_t x) { return run.coverages[x - run.span.x_begin] == all_of_it; });
}

/// Whether pixels that are covered in part count.
enum class Count : std::uint8_t { covered, whole };

/// Adds a shape's spans with a style, each pixel once.
template <class Style>
void gather(const base::Clip& clip, const Shape& shape, const Style& style, const image::InsideRule& inside,
            Count count, std::vector<Span>& spans) {
    rasterise_style(shape, style, inside, clip,
                    {&spans, take_spans, nullptr, raster::SpanSink::no_run,
                     count == Count::covered ? take_covered : take_whole});
}

image::InsideRule inside_of(const Drawing::StyledShape& item) {
    return item.fill ? image::inside_of(*item.fill) : image::InsideRule{};
}

/// How a paint treats what is there.
enum class Leaves : std::uint8_t {
    something,   ///< or nobody can tell
    nothing,     ///< where it covers the whole pixel
    by_its_alpha ///< nothing where it is opaque
};

Leaves leaves(const ImageView& view, const Paint* paint, const Blending& blending) {
    if (!view.mask().all()) return Leaves::something;
    if (blending.mode == BlendMode::copy || blending.mode == BlendMode::clear) return Leaves::nothing;
    if (blending.mode != BlendMode::source_over || blending.opacity != all_of_it) return Leaves::something;
    if (paint == nullptr || paint->pattern() != nullptr) return Leaves::by_its_alpha;
    return image::SpanPainter(view, *paint, blending).painter().replaces() ? Leaves::nothing
                                                                           : Leaves::something;
}

/// Where an image comes to lie.
Box laid_box(const Drawing::Picture& picture) {
    const Box used = picture.options.source.value_or(Box::of(picture.image->size()));
    const Size laid = picture.options.orientation.laid(
        {static_cast<std::int32_t>(used.width), static_cast<std::int32_t>(used.height)});
    return {std::int64_t{picture.at.x} - picture.options.hot_spot.x,
            std::int64_t{picture.at.y} - picture.options.hot_spot.y, laid.width, laid.height};
}

/// Whether an image leaves out a pixel of the box that it is laid into.
bool leaves_out(const Drawing::Picture& picture, const Box& laid, std::int64_t x, std::int64_t y) {
    const Box used = picture.options.source.value_or(Box::of(picture.image->size()));
    const Point source = picture.options.orientation.source(
        {static_cast<std::int32_t>(x - laid.x), static_cast<std::int32_t>(y - laid.y)},
        {static_cast<std::int32_t>(used.width), static_cast<std::int32_t>(used.height)});
    if (picture.mask && !(*picture.mask)->at(source)) return true;
    const Point in_image{static_cast<std::int32_t>(used.x + source.x),
                         static_cast<std::int32_t>(used.y + source.y)};
    return picture.options.key && picture.image->pixel(in_image) == *picture.options.key;
}

std::uint8_t coverage_at(const Drawing::Print& print, std::int64_t x, std::int64_t y) {
    const auto row =
        print.stencil.coverage->view().row(static_cast<std::int32_t>(y - print.stencil.top_left.y));
    return std::to_integer<std::uint8_t>(row[static_cast<std::size_t>(x - print.stencil.top_left.x)]);
}

/// Adds the pixels of a stencil whose coverage counts.
template <class Counts>
void add_print(const ImageView& part, const Drawing::Print& print, std::vector<Span>& spans,
               const Counts& counts) {
    const Box shown = print.stencil.bounds().intersection(part.clip());
    for (std::int64_t y = shown.y; y < shown.end_y(); ++y)
        add_runs(static_cast<std::int32_t>(y), shown.x, shown.end_x(), spans,
                 [&](std::int64_t x) { return counts(coverage_at(print, x, y)); });
}

/// Adds those pixels of spans that are opaque in a picture.
void add_opaque(const ImageView& picture, const std::vector<Span>& spans, std::vector<Span>& opaque) {
    const image::PixelReader<Colour16> reader(picture);
    for (const Span& span : spans)
        add_runs(span.y, span.x_begin, span.x_end, opaque,
                 [&](std::int64_t x) { return reader.at(x, span.y).alpha == 65535; });
}

/// Calls use(style) with the fill and then the stroke, if the item has them.
template <class Use>
void for_each_style(const Drawing::StyledShape& item, const Use& use) {
    if (item.fill) use(*item.fill);
    if (item.stroke) use(*item.stroke);
}

/// The largest coverage of a pixel.
template <class Style>
int coverage_of(const ImageView& view, Point pixel, const Shape& shape, const Style& style,
                const image::InsideRule& inside) {
    int result = 0;
    const raster::SpanSink::Receiver note{&result,
                                          [](void* noted, std::span<const Span> spans) {
                                              if (!spans.empty()) *static_cast<int*>(noted) = all_of_it;
                                          },
                                          nullptr, raster::SpanSink::no_run,
                                          [](void* noted, std::span<const base::CoverageSpan> spans) {
                                              if (!spans.empty())
                                                  *static_cast<int*>(noted) = *spans.front().coverages;
                                          }};
    rasterise_style(shape, style, inside, image::clip_of(view.clipped({pixel.x, pixel.y, 1, 1})), note);
    return result;
}

} // namespace

void add_rows(const Box& clip, std::vector<Span>& spans) {
    for (std::int64_t y = clip.y; y < clip.end_y(); ++y)
        spans.push_back({static_cast<std::int32_t>(y), static_cast<std::int32_t>(clip.x), clip.end_x()});
}

/// Adds those pixels of spans that are opaque where the item is painted on nothing.
template <class PaintOn>
void CoverFinder::find_opaque(const ImageView& part, const std::vector<Span>& spans,
                              const PaintOn& paint_on) {
    if (spans.empty()) return;
    if (!probe_) probe_.emplace(view_);
    const ImageView probe = probe_->view().clipped(part.clip());
    paint_on(probe);
    add_opaque(probe, spans, hidden_);
    const std::int64_t bytes = probe.pixel_stride_bytes();
    for (const Span& span : spans)
        std::memset(probe.row(span.y).data() + span.x_begin * bytes, 0,
                    static_cast<std::size_t>((span.x_end - span.x_begin) * bytes));
}

void KeptSpans::clear() {
    whole_.clear();
    partial_.clear();
    coverages_.clear();
}

raster::SpanSink::Receiver KeptSpans::receiver() {
    return {this,
            [](void* kept, std::span<const Span> spans) {
                auto& whole = static_cast<KeptSpans*>(kept)->whole_;
                whole.insert(whole.end(), spans.begin(), spans.end());
            },
            nullptr, raster::SpanSink::no_run,
            [](void* kept, std::span<const base::CoverageSpan> spans) {
                auto& [whole, partial, coverages] = *static_cast<KeptSpans*>(kept);
                for (const base::CoverageSpan& run : spans) {
                    partial.push_back(run);
                    coverages.insert(coverages.end(), run.coverages,
                                     run.coverages + (run.span.x_end - run.span.x_begin));
                }
            }};
}

void KeptSpans::add_to(std::vector<Span>& spans) const {
    spans.insert(spans.end(), whole_.begin(), whole_.end());
    for (const base::CoverageSpan& run : partial_) spans.push_back(run.span);
}

void KeptSpans::paint(const paint::Painter& painter) {
    const std::uint8_t* coverages = coverages_.data();
    for (base::CoverageSpan& run : partial_) {
        run.coverages = coverages;
        coverages += run.span.x_end - run.span.x_begin;
    }
    painter.paint(std::span<const Span>(whole_));
    painter.paint(std::span<const base::CoverageSpan>(partial_));
}

const std::vector<Span>& CoverFinder::covered(const ImageView& part, const Drawing::StyledShape& item) {
    covered_.clear();
    const base::Clip clip = image::clip_of(part);
    for_each_style(item, [&](const auto& style) {
        KeptSpans& kept = kept_of(style);
        kept.clear();
        rasterise_style(item.shape, style, inside_of(item), clip, kept.receiver());
        kept.add_to(covered_);
    });
    if (item.fill && item.stroke && covered_.size() > 1) covered_ = Region(std::move(covered_)).spans();
    return covered_;
}

void CoverFinder::paint_covered(const ImageView& part, const Drawing::StyledShape& item) {
    const auto paint_kept = [&](KeptSpans& kept, const auto& style) {
        image::SpanPainter painter(part, style.paint, style.blending);
        std::visit([&](const auto& shape) { painter.place_pattern(shape); }, item.shape);
        kept.paint(painter.painter());
    };
    if (item.fill) paint_kept(fill_, *item.fill);
    if (item.stroke) paint_kept(stroke_, *item.stroke);
}

const std::vector<Span>& CoverFinder::hidden(const ImageView& part, const Drawing::StyledShape& item) {
    hidden_.clear();
    for_each_style(item, [&](const auto& style) { add_hidden(part, item, style); });
    return hidden_;
}

template <class Style>
void CoverFinder::add_hidden(const ImageView& part, const Drawing::StyledShape& item, const Style& style) {
    const base::Clip clip = image::clip_of(part);
    const image::InsideRule inside = inside_of(item);
    const Leaves left = leaves(part, &style.paint, style.blending);
    if (left == Leaves::nothing) gather(clip, item.shape, style, inside, Count::whole, hidden_);
    if (left != Leaves::by_its_alpha) return;
    covered_.clear();
    gather(clip, item.shape, style, inside, Count::covered, covered_);
    find_opaque(part, covered_,
                [&](const ImageView& probe) { paint_style(probe, item.shape, style, inside); });
}

bool CoverFinder::fill_hides(const ImageView& part, const Drawing::StyledShape& item) {
    hidden_.clear();
    add_hidden(part, item, *item.fill);
    return !hidden_.empty();
}

bool CoverFinder::stroke_hides(const ImageView& part, const Drawing::StyledShape& item) {
    hidden_.clear();
    add_hidden(part, item, *item.stroke);
    return !hidden_.empty();
}

const std::vector<Span>& CoverFinder::covered(const ImageView& part, const Drawing::Picture& picture) {
    covered_.clear();
    const Box laid = laid_box(picture);
    const Box shown = laid.intersection(part.clip());
    if (!picture.mask && !picture.options.key)
        add_rows(shown, covered_);
    else
        for (std::int64_t y = shown.y; y < shown.end_y(); ++y)
            add_runs(static_cast<std::int32_t>(y), shown.x, shown.end_x(), covered_,
                     [&](std::int64_t x) { return !leaves_out(picture, laid, x, y); });
    return covered_;
}

const std::vector<Span>& CoverFinder::hidden(const ImageView& part, const Drawing::Picture& picture) {
    hidden_.clear();
    const Leaves left = leaves(part, nullptr, picture.options.blending);
    if (left == Leaves::something) return hidden_;
    covered(part, picture);
    if (left == Leaves::nothing)
        hidden_ = covered_;
    else
        find_opaque(part, covered_, [&](const ImageView& probe) { paint(probe, picture); });
    return hidden_;
}

const std::vector<Span>& CoverFinder::covered(const ImageView& part, const Drawing::Print& print) {
    covered_.clear();
    add_print(part, print, covered_, [](std::uint8_t coverage) { return coverage != 0; });
    return covered_;
}

const std::vector<Span>& CoverFinder::hidden(const ImageView& part, const Drawing::Print& print) {
    hidden_.clear();
    const Leaves left = leaves(part, &print.paint, print.blending);
    if (left == Leaves::nothing)
        add_print(part, print, hidden_, [](std::uint8_t coverage) { return coverage == all_of_it; });
    if (left == Leaves::by_its_alpha)
        find_opaque(part, covered(part, print), [&](const ImageView& probe) { paint(probe, print); });
    return hidden_;
}

const std::vector<Span>& CoverFinder::hidden(const ImageView& part, const Drawing::Group& group,
                                             const LayerPicture& layer) {
    hidden_.clear();
    const Leaves left = leaves(part, nullptr, *group.style.layer);
    if (left == Leaves::something) return hidden_;
    covered_.clear();
    draw_in_clip(part, group.style, [&](const ImageView& own) { add_rows(own.clip(), covered_); });
    if (left == Leaves::nothing)
        hidden_ = covered_;
    else
        add_opaque(layer.view(), covered_, hidden_);
    return hidden_;
}

int fill_coverage(const ImageView& view, const Drawing::StyledShape& item, Point pixel) {
    return coverage_of(view, pixel, item.shape, *item.fill, {});
}

int stroke_coverage(const ImageView& view, const Drawing::StyledShape& item, Point pixel) {
    return coverage_of(view, pixel, item.shape, *item.stroke, inside_of(item));
}

void paint_fill(const ImageView& view, const Drawing::StyledShape& item) {
    image::paint(view, item.shape, *item.fill);
}

void paint_stroke(const ImageView& view, const Drawing::StyledShape& item) {
    image::paint(view, item.shape, *item.stroke, inside_of(item));
}

int coverage(const Drawing::Picture& picture, Point pixel) {
    const Box laid = laid_box(picture);
    return laid.contains(pixel) && !leaves_out(picture, laid, pixel.x, pixel.y) ? all_of_it : 0;
}

int coverage(const Drawing::Print& print, Point pixel) {
    return print.stencil.bounds().contains(pixel) ? coverage_at(print, pixel.x, pixel.y) : 0;
}

} // namespace coldbrick::drawing
