/// @file
/// The pixels that the items of a drawing cover, and of which they leave nothing.
#pragma once

#include "base/coverage_span.hpp"
#include "drawing/item_painting.hpp"
#include "paint/writers/painter.hpp"
#include "raster/spans/span_sink.hpp"

#include <coldbrick/drawing.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/span.hpp>

#include <cstdint>
#include <optional>
#include <vector>

namespace coldbrick::drawing {

/// The spans of a shape with one style, kept to be painted after they have been looked at.
class KeptSpans {
  public:
    void clear();
    [[nodiscard]] raster::SpanSink::Receiver receiver();
    /// Adds them all.
    void add_to(std::vector<Span>& spans) const;
    void paint(const paint::Painter& painter);

  private:
    std::vector<Span> whole_;
    std::vector<base::CoverageSpan> partial_; ///< whose coverages are those below, in order
    std::vector<std::uint8_t> coverages_;
};

/// Works out what items cover of one view, one after another. What is given back is good until the next
/// question of the same kind.
class CoverFinder {
  public:
    explicit CoverFinder(const ImageView& view) : view_(view) {}

    /// The pixels of the part's clip that an item covers, each once. @param part the view with a clip of its
    /// own
    const std::vector<Span>& covered(const ImageView& part, const Drawing::StyledShape& item);
    const std::vector<Span>& covered(const ImageView& part, const Drawing::Picture& picture);
    const std::vector<Span>& covered(const ImageView& part, const Drawing::Print& print);

    /// Paints the item that was asked about last.
    void paint_covered(const ImageView& part, const Drawing::StyledShape& item);
    template <class Item>
    static void paint_covered(const ImageView& part, const Item& item) {
        paint(part, item);
    }

    /// Those that it hides.
    const std::vector<Span>& hidden(const ImageView& part, const Drawing::StyledShape& item);
    const std::vector<Span>& hidden(const ImageView& part, const Drawing::Picture& picture);
    const std::vector<Span>& hidden(const ImageView& part, const Drawing::Print& print);
    /// @param layer finished
    const std::vector<Span>& hidden(const ImageView& part, const Drawing::Group& group,
                                    const LayerPicture& layer);

    /// Whether one style of an item, which it has, hides any pixel of the part's clip.
    [[nodiscard]] bool fill_hides(const ImageView& part, const Drawing::StyledShape& item);
    [[nodiscard]] bool stroke_hides(const ImageView& part, const Drawing::StyledShape& item);

  private:
    template <class Style>
    void add_hidden(const ImageView& part, const Drawing::StyledShape& item, const Style& style);
    [[nodiscard]] KeptSpans& kept_of(const Fill&) { return fill_; }
    [[nodiscard]] KeptSpans& kept_of(const Stroke&) { return stroke_; }
    template <class PaintOn>
    void find_opaque(const ImageView& part, const std::vector<Span>& spans, const PaintOn& paint_on);

    ImageView view_;
    KeptSpans fill_;
    KeptSpans stroke_;
    std::vector<Span> covered_;
    std::vector<Span> hidden_;
    std::optional<LayerPicture> probe_; ///< a see-through picture to paint on, where that is what tells
};

/// The spans of a clip, one a row.
void add_rows(const Box& clip, std::vector<Span>& spans);

/// Draws one style of an item, which it has.
void paint_fill(const ImageView& view, const Drawing::StyledShape& item);
void paint_stroke(const ImageView& view, const Drawing::StyledShape& item);

/// How much of a pixel the fill or the stroke that an item has, an image or a stencil covers: 0, nothing, to
/// 255, all.
[[nodiscard]] int fill_coverage(const ImageView& view, const Drawing::StyledShape& item, Point pixel);
[[nodiscard]] int stroke_coverage(const ImageView& view, const Drawing::StyledShape& item, Point pixel);
[[nodiscard]] int coverage(const Drawing::Picture& picture, Point pixel);
[[nodiscard]] int coverage(const Drawing::Print& print, Point pixel);

} // namespace coldbrick::drawing
