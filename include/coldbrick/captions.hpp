/// @file
/// Captions that keep out of each other's way.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/stroke.hpp>
#include <coldbrick/text.hpp>
#include <coldbrick/text_style.hpp>

#include <cstdint>  // gaps
#include <optional> // most captions need no leader
#include <span>     // many captions
#include <string>   // their texts
#include <vector>   // where they lie

namespace [[gnu::visibility("default")]] coldbrick {

/// A text and the box that it tells of.
struct Caption {
    std::string text; ///< UTF-8; an empty one takes no place, but others keep clear of its box
    Box box;
};

/// How captions look.
struct CaptionStyle {
    TextStyle text = {}; ///< its anchor and turn do not matter
    TextPaint paint = {.paint = Colour(255, 255, 255), .plate = TextPlate{.paint = Colour(20, 30, 40, 200)}};
    std::int32_t gap = 3; ///< between a box and its caption, 0..32767
    Stroke leader = {.paint = Colour(20, 30, 40, 200), .edges = Edges::smooth};
};

/// A caption that has its place.
struct PlacedCaption {
    Text text;
    Box plate;                  ///< what it takes up
    std::optional<Line> leader; ///< to its box, where it could not lie beside it
    bool free = true;           ///< false if it covers a box or another caption
};

/// Finds places for captions, one after another. Each lies inside the picture; one that is too large for that
/// is made smaller and in the end cut. It covers none of the boxes and no caption before it, if there is any
/// place where it need not: beside its own box if possible, above rather than below, to the right or to the
/// left; else as near to it as can be, with a leader line. A caption takes a time that follows
/// from how many others lie nearer to its box than its own place.
/// @throws ArgumentError if the picture is empty or reaches beyond the 32-bit coordinates, or a value is
/// outside its range.
[[nodiscard]] std::vector<PlacedCaption> place_captions(std::span<const Caption> captions, const Box& picture,
                                                        const CaptionStyle& style = {});

/// Paints captions that have their places: all leader lines, then all plates with their texts.
/// @throws ArgumentError as draw() of texts and shapes.
void draw(const ImageView& view, std::span<const PlacedCaption> captions, const CaptionStyle& style);

/// Adds them to a drawing, likewise.
void add(Drawing& drawing, std::span<const PlacedCaption> captions, const CaptionStyle& style);

} // namespace coldbrick
