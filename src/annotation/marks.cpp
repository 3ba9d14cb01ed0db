#include <coldbrick/marks.hpp>

#include "base/limits.hpp"
#include "geometry/shape_checks.hpp"
#include "image/drawing/style_checks.hpp"
#include "text/layout/style_checks.hpp"

#include <coldbrick/captions.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/legend.hpp>
#include <coldbrick/overlay.hpp>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <string_view>
#include <type_traits>
#include <unordered_map>
#include <unordered_set>

namespace coldbrick {

namespace {

/// Dark behind light lines and light behind dark ones, so that they are seen on any ground.
Colour halo_of(const Colour& colour) {
    return luminance(colour) > 0.18 ? Colour(0, 0, 0, 130) : Colour(255, 255, 255, 130);
}

Colour ink_on(const Colour& plate) {
    const Colour white(255, 255, 255);
    const Colour black(0, 0, 0);
    return contrast(white, plate) >= contrast(black, plate) ? white : black;
}

/// The radius of the ring round a point.
std::int32_t ring_radius(const MarkStyle& style) {
    return static_cast<std::int32_t>(std::min<double>(std::ceil(4 + style.width), base::last_coordinate));
}

Box box_of(const Mark& mark, const MarkStyle& style) {
    return std::visit(
        [&]<class S>(const S& shape) -> Box {
            if constexpr (std::is_same_v<S, Point>)
                return Circle{shape, ring_radius(style)}.bounds();
            else
                return shape.bounds();
        },
        mark.shape);
}

Stroke line_of(const Colour& colour, const MarkStyle& style) {
    return {.paint = colour, .width = style.width, .edges = Edges::smooth};
}

Stroke halo_of(const Colour& colour, const MarkStyle& style) {
    const double width = std::min<double>(style.width + 2, base::last_coordinate);
    return {.paint = halo_of(colour), .width = width, .edges = Edges::smooth};
}

/// @throws ArgumentError if a mark or the style has a value outside its range, before anything is drawn.
void check(std::span<const Mark> marks, const MarkStyle& style) {
    text::check("", {.size = style.text_size});
    image::check(line_of({}, style));
    for (const Mark& mark : marks) {
        text::check(mark.caption, {.size = style.text_size});
        std::visit(
            []<class S>(const S& shape) {
                if constexpr (!std::is_same_v<S, Point>) geometry::check(shape);
            },
            mark.shape);
    }
}

void draw_mark(const ImageView& view, const Mark& mark, const Colour& colour, const MarkStyle& style) {
    const auto outline = [&](const auto& shape) {
        draw(view, shape, halo_of(colour, style));
        draw(view, shape, line_of(colour, style));
    };
    std::visit(
        [&]<class S>(const S& shape) {
            if constexpr (std::is_same_v<S, Point>)
                outline(Circle{shape, ring_radius(style)});
            else
                outline(shape);
        },
        mark.shape);
}

/// What a legend says of the groups.
Image legend_of(const std::vector<MarkGroup>& groups, const MarkStyle& style) {
    std::vector<LegendEntry> entries;
    entries.reserve(groups.size());
    for (const MarkGroup& group : groups)
        entries.push_back({group.colour, group.name.empty() ? "–" : group.name});
    return legend(entries, style.text_size);
}

/// The corner of a picture where a legend of this size covers the fewest marks.
Box legend_place(Size size, const Box& picture, const std::vector<Box>& marks) {
    constexpr std::int64_t gap = 6;
    const std::int64_t left = picture.x + gap;
    const std::int64_t top = picture.y + gap;
    const std::int64_t right = picture.end_x() - size.width - gap;
    const std::int64_t bottom = picture.end_y() - size.height - gap;
    const std::array<Box, 4> corners{
        Box{left, bottom, size.width, size.height}, Box{right, bottom, size.width, size.height},
        Box{right, top, size.width, size.height}, Box{left, top, size.width, size.height}};
    const auto covered = [&marks](const Box& corner) {
        return std::ranges::count_if(
            marks, [&corner](const Box& mark) { return !mark.intersection(corner).empty(); });
    };
    return *std::ranges::min_element(corners, {}, covered);
}

} // namespace

std::vector<MarkGroup> groups_of(std::span<const Mark> marks, const MarkStyle& style) {
    std::vector<MarkGroup> result;
    std::unordered_set<std::string_view> known;
    for (const Mark& mark : marks)
        if (known.insert(mark.group).second) result.push_back({mark.group, {}});
    if (result.empty()) return result;
    constexpr std::size_t most_distinct = 256;
    const std::vector<Colour> colours =
        style.colours.empty() ? distinct_colours(std::min(result.size(), most_distinct)) : style.colours;
    for (std::size_t i = 0; i < result.size(); ++i) result[i].colour = colours[i % colours.size()];
    return result;
}

void draw(const ImageView& view, std::span<const Mark> marks, const MarkStyle& style) {
    check(marks, style);
    const std::vector<MarkGroup> groups = groups_of(marks, style);
    std::unordered_map<std::string_view, Colour> colours;
    for (const MarkGroup& group : groups) colours.emplace(group.name, group.colour);
    const Box picture = Box::of(view.size());
    std::vector<Caption> captions;
    std::vector<Box> boxes;
    for (const Mark& mark : marks) {
        draw_mark(view, mark, colours[mark.group], style);
        boxes.push_back(box_of(mark, style));
        captions.push_back({mark.caption, boxes.back()});
    }
    if (style.legend && !groups.empty()) {
        const Image list = legend_of(groups, style);
        const Box place = legend_place(list.size(), picture, boxes);
        overlay(view, list, {static_cast<std::int32_t>(place.x), static_cast<std::int32_t>(place.y)});
        captions.insert(captions.begin(), Caption{"", place}); // nothing is written there
    }
    CaptionStyle caption_style;
    caption_style.text.size = style.text_size;
    const std::vector<PlacedCaption> placed = place_captions(captions, picture, caption_style);
    const std::size_t first = captions.size() - marks.size();
    for (std::size_t i = first; i < placed.size(); ++i) {
        if (captions[i].text.empty()) continue;
        const Colour& colour = colours[marks[i - first].group];
        caption_style.leader.paint = colour;
        caption_style.paint = {.paint = ink_on(colour), .plate = TextPlate{.paint = colour}};
        draw(view, {&placed[i], 1}, caption_style);
    }
}

} // namespace coldbrick
