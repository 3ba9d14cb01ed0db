/// @file
/// Lists of shapes with their styles, to be drawn again and again.
#pragma once

#include <coldbrick/fill.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <memory>   // images are shared
#include <optional> // a shape may have a fill, a stroke or both
#include <utility>  // images are handed on
#include <vector>   // the list

namespace coldbrick {

/// A list of shapes and styles. Drawing it paints them in the order in which they were added.
class Drawing {
  public:
    /// An image and where it is laid.
    struct Picture {
        std::shared_ptr<const Image> image;
        Point at;
        Overlay options;
    };

    /// A shape and how it is painted: the fill first, the stroke over it; or a picture.
    struct Item {
        Shape shape;
        std::optional<Fill> fill;
        std::optional<Stroke> stroke;
        std::optional<Picture> picture = {}; ///< stands instead of the shape
    };

    /// Adds a shape with a fill. Values are checked when the drawing is drawn.
    template <ClosedShape S>
    void add(const S& shape, const Fill& fill) {
        items_.push_back({shape, fill, std::nullopt});
    }

    /// Adds a shape with a stroke.
    template <AnyShape S>
    void add(const S& shape, const Stroke& stroke) {
        items_.push_back({shape, std::nullopt, stroke});
    }

    /// Adds a shape with a fill and a stroke.
    template <ClosedShape S>
    void add(const S& shape, const Fill& fill, const Stroke& stroke) {
        items_.push_back({shape, fill, stroke});
    }

    /// Adds an image, which is shared, not copied. A mask in the options must outlive the drawing.
    void add(std::shared_ptr<const Image> image, Point at, const Overlay& options = {}) {
        items_.push_back({{}, std::nullopt, std::nullopt, Picture{std::move(image), at, options}});
    }

    [[nodiscard]] const std::vector<Item>& items() const { return items_; }

  private:
    std::vector<Item> items_;
};

/// Paints all items of a drawing in order, as single calls of draw() would.
/// @throws ArgumentError if a value of an item is outside its range; the items before it are painted then.
void draw(const ImageView& view, const Drawing& drawing);

} // namespace coldbrick
