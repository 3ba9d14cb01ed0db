/// @file
/// How the items of a drawing are painted.
#pragma once

#include "drawing/zeroed_memory.hpp"

#include <coldbrick/drawing.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/region.hpp>

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace coldbrick::drawing {

/// A transparent picture with the coordinates of a view and the rows of its clip, for the layer of a group.
/// Memory that is zero already is not touched before something is drawn there.
class LayerPicture {
  public:
    explicit LayerPicture(const ImageView& below);

    /// With the clip of the view below.
    [[nodiscard]] const ImageView& view() const { return view_; }

  private:
    ZeroedMemory<std::byte> bytes_;
    ImageView view_;
};

/// @throws ArgumentError if a blend mode of the drawing does not fit the format.
void check_modes(PixelFormat format, const Drawing& drawing);

/// The part of a view that a group shows anything in.
[[nodiscard]] ImageView shown_by(const ImageView& view, const Drawing::GroupStyle& style);

/// The part of a view that a layer can change anything in: of most modes, where its items are.
[[nodiscard]] ImageView changed_by(const ImageView& view, const Drawing::Group& group);

/// Lays a group's finished layer onto its clip.
void lay(const ImageView& view, const Drawing::Group& group, const LayerPicture& layer);

// Of checked items.
void paint(const ImageView& view, const Drawing::StyledShape& item);
void paint(const ImageView& view, const Drawing::Picture& picture);
void paint(const ImageView& view, const Drawing::Print& print);
void paint(const ImageView& view, const Drawing::Group& group);
void paint(const ImageView& view, const Drawing& drawing);

/// Calls visit(box) with boxes that make up a region: its rows of the same spans are one box.
template <class Visit>
void for_each_box(const Region& region, const Visit& visit);

/// Calls draw_part(part) with each part of the view that a group's clip leaves.
template <class Draw>
void draw_in_clip(const ImageView& view, const Drawing::GroupStyle& style, const Draw& draw_part) {
    if (!style.clip) return draw_part(view);
    for_each_box(**style.clip, [&](const Box& box) {
        const ImageView part = view.clipped(box);
        if (!part.clip().empty()) draw_part(part);
    });
}

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

} // namespace coldbrick::drawing
