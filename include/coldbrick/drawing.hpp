/// @file
/// Lists of shapes with their styles, to be drawn again and again.
#pragma once

#include <coldbrick/bitmap.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/shared.hpp>
#include <coldbrick/stencil.hpp>
#include <coldbrick/stroke.hpp>

#include <cstddef>  // numbers of items
#include <cstdint>  // tags and counts
#include <deque>    // the list
#include <optional> // a shape may have a fill, a stroke or both
#include <variant>  // items are shapes, pictures, stencils or groups
#include <vector>   // where the items lie

namespace [[gnu::visibility("default")]] coldbrick {

/// A list of shapes and styles. Drawing it paints them in the order in which they were added. Many threads
/// may draw the same const Drawing at once, onto views whose clips share no pixel.
class Drawing {
  public:
    /// A shape and how it is painted: the fill first, the stroke over it, as two styles of one call of
    /// draw().
    struct StyledShape {
        Shape shape;
        std::optional<Fill> fill;
        std::optional<Stroke> stroke;
    };

    /// An image and where it is laid.
    struct Picture {
        Shared<Image> image;
        Point at;
        Overlay options;                    ///< without its mask
        std::optional<Shared<Bitmap>> mask; ///< if there is one
    };

    /// A stencil and what is painted through it.
    struct Print {
        Stencil stencil;
        Paint paint;
        Blending blending;
    };

    /// How the items of a group are drawn together.
    struct GroupStyle {
        std::optional<Shared<Region>> clip = {}; ///< the only pixels that they paint; all of them if left out

        /// Drawn apart, onto a transparent picture, and then laid over what is there in this way. If left
        /// out, each is painted onto what is there.
        std::optional<Blending> layer = {};
    };

    /// The items of another drawing.
    struct Group {
        Shared<Drawing> drawing;
        GroupStyle style;
    };

    using Item = std::variant<StyledShape, Picture, Print, Group>;

    /// Adds a shape with a fill. @throws ArgumentError if a value of the shape or a style is outside its
    /// range, as draw(); likewise below.
    template <ClosedShape S>
    void add(const S& shape, const Fill& fill) {
        add(StyledShape{shape, fill, std::nullopt});
    }

    /// Adds a shape with a stroke.
    template <AnyShape S>
    void add(const S& shape, const Stroke& stroke) {
        add(StyledShape{shape, std::nullopt, stroke});
    }

    /// Adds a shape with a fill and a stroke.
    template <ClosedShape S>
    void add(const S& shape, const Fill& fill, const Stroke& stroke) {
        add(StyledShape{shape, fill, stroke});
    }

    /// Adds a shape with a fill, a stroke or both, one of which it has.
    /// @throws ArgumentError also if it has none, or a fill but no inside.
    void add(StyledShape item);

    /// Adds an image, which copies of the drawing share; a mask in the options is copied.
    /// @throws ArgumentError as overlay().
    void add(Shared<Image> image, Point at, const Overlay& options = {});

    /// Adds a stencil, which copies of the drawing share. @throws ArgumentError as draw().
    void add(Stencil stencil, const Paint& paint, const Blending& blending = {});

    /// Adds a drawing as one item, which copies of this one share. Groups may lie within each other.
    /// @throws ArgumentError if they do so more than deepest_groups times, or if drawing this one would draw
    /// more than most_items, those of a group counted as often as they are drawn.
    void add(Shared<Drawing> group, const GroupStyle& style);
    static constexpr int deepest_groups = 64;
    static constexpr std::int64_t most_items = 2'147'483'646;

    [[nodiscard]] const std::deque<Item>& items() const { return items_; }

    /// A box that all pixels lie in that drawing the item with a number can change, perhaps a larger one than
    /// need be.
    [[nodiscard]] Box bounds_of_item(std::size_t number) const;

    /// The same of all items; an empty box if there are none.
    [[nodiscard]] Box bounds() const { return bounds_; }

    /// What the items that are added from now on are marked with, such as the number of the line that they
    /// come from; 0 at first. Drawing them makes no use of it.
    void set_tag(std::uint32_t tag) { tag_ = tag; }

    /// The tags of the items, in their order.
    [[nodiscard]] const std::deque<std::uint32_t>& tags() const { return tags_; }

  private:
    /// The first and the last column and row; the last is before the first if there are none.
    struct Extent {
        std::int32_t left;
        std::int32_t top;
        std::int32_t right;
        std::int32_t bottom;
    };

    void append(Item item, const Box& bounds);

    std::deque<Item> items_; ///< which grows without moving what is there
    std::deque<std::uint32_t> tags_;
    std::vector<Extent> extents_; ///< of the items: what lies elsewhere does not look at them
    Box bounds_;
    std::uint32_t tag_ = 0;
    std::int64_t items_drawn_ = 0; ///< of groups as often as they are drawn
    int groups_deep_ = 0;          ///< how often groups lie within each other
};

/// Paints all items of a drawing in order, as single calls of draw() and overlay() would. A layer meanwhile
/// takes memory for the rows of its clip that the view shows, in straight alpha of the view's depth.
/// @throws ArgumentError if a blend mode does not fit the view's format; nothing is painted then.
void draw(const ImageView& view, const Drawing& drawing);

} // namespace coldbrick
