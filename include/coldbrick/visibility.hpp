/// @file
/// What of a drawing can be seen, and how its pixels came to be.
#pragma once

#include <coldbrick/deep_colour.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/function_ref.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // counts
#include <vector>  // what is told of many items

namespace [[gnu::visibility("default")]] coldbrick {

// An item covers a pixel if its shape, stencil or layer has it, in part at least, or its image is laid on it,
// and it hides a pixel if only its own paint is left there, whatever was there before: where it covers the
// whole pixel with opaque paint over what is there (BlendMode::source_over), or copies or clears it. Other
// modes hide nothing. The items of a group count one by one, and then a layer as a whole, which covers all of
// its clip.

/// What of an item of a drawing can be seen.
struct Visibility {
    const Drawing::Item* item; ///< of the drawing, which outlives this
    std::uint32_t tag;         ///< the item's

    std::int64_t covered = 0; ///< pixels that it covers
    std::int64_t hidden = 0;  ///< those that a later item hides
    std::int64_t on_top = 0;  ///< the others; in a layer, those of them where the layer shows with what is
                              ///< drawn before the item, with it, or in the end
    std::int64_t seen = 0; ///< those on top that have another colour because of it; in a layer, where that is
                           ///< in the picture, at once or in the end, or may be by the mode of another item
    std::int64_t faint = 0; ///< those on top where its contrast is too low, if that is asked for
    int largest_change = 0; ///< of a channel of the seen ones, in 8 bits, 0..255

    /// Who hides an item.
    struct Hider {
        std::uint32_t tag;
        std::int64_t pixels; ///< that it is the last one to hide
    };
    /// If it covers pixels, but is on top of none: by their tags who hides most of them, up to 8.
    std::vector<Hider> hidden_by = {};
};

/// What is asked about the items of a drawing.
struct VisibilityOptions {
    /// The contrast ratio of luminance (Web Content Accessibility Guidelines) between an item's colour and
    /// each pixel that it is painted on, 1..21, below which it is faint; 0 does not ask. Patterns, images and
    /// layers are never faint.
    double least_contrast = 0;
};

/// Draws a drawing onto a view as draw() does, and tells of each of its items what of it can be seen within
/// the view's clip: first the items of a group, then the group.
///
/// It takes two to three times as long as draw(), and memory of 4 bytes a pixel and 150 an item beside; a
/// layer takes both once more for as long as it is looked at.
/// @throws ArgumentError as draw(); nothing is painted then.
[[nodiscard]] std::vector<Visibility> visibility(const ImageView& view, const Drawing& drawing,
                                                 const VisibilityOptions& options = {});

/// Which items the pixels of a box belong to.
struct Owners {
    Box box; ///< the view's clip
    std::vector<std::uint32_t>
        items; ///< a number a pixel, row by row: 0 for what was there before, else 1 more
               ///< than the place in `tags` of the last item that changed or hid it
    std::vector<std::uint32_t> tags; ///< of all items: those of a group before the group
};

/// Draws a drawing onto a view as draw() does, and tells which item each pixel in the clip owes its colour
/// to. Time as visibility(); memory of 8 bytes a pixel.
/// @throws ArgumentError as visibility().
[[nodiscard]] Owners owners(const ImageView& view, const Drawing& drawing);

/// A picture of owners, as rgb8: each pixel in the colour that colour_of(tag) gives, or in `ground` where
/// nothing was drawn.
/// @throws ArgumentError if the box is empty, if there is not one number a pixel, or one that has no tag.
[[nodiscard]] Image picture_of(const Owners& owners, FunctionRef<Colour(std::uint32_t tag)> colour_of,
                               const Colour& ground);

/// One step of how a pixel came to its colour.
struct HistoryStep {
    enum class Kind : std::uint8_t { fill, stroke, image, stencil, layer };
    const Drawing::Item* item; ///< of the drawing, which outlives this
    std::uint32_t tag;         ///< the item's
    Kind kind;
    int coverage; ///< how much of the pixel is covered: 1..255, of which 255 is all
    int depth; ///< how many layers it is painted in: 0 for the picture itself, whose colours those of steps
               ///< with more do not tell
    RealColour before;
    RealColour after;
    bool hides; ///< nothing of what was there before is left
};

/// Draws a drawing onto one pixel of a view, and tells each step that covers it, in order. Of an item with a
/// fill and a stroke these are two, and the layer of a group comes after what is in it.
/// @throws ArgumentError as draw(), and if the pixel lies outside of the view's clip; nothing is painted
/// then.
[[nodiscard]] std::vector<HistoryStep> history(const ImageView& view, const Drawing& drawing, Point pixel);

} // namespace coldbrick
