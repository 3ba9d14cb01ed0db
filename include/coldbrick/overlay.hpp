/// @file
/// Images laid onto images.
#pragma once

#include <coldbrick/bitmap.hpp>
#include <coldbrick/blend.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/orientation.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>  // sizes of textures
#include <optional> // options that are left out

namespace [[gnu::visibility("default")]] coldbrick {

/// How overlay() lays an image onto another.
struct Overlay {
    Blending blending = {};
    std::optional<Box> source = {}; ///< the part of the image that is used; all of it by default
    Point hot_spot = {};            ///< the pixel of that part, as it is turned, that comes to lie at `at`
    std::optional<Colour> key = {}; ///< pixels of just this colour, in 8 bits a channel, are left out
    const Bitmap* mask = nullptr;   ///< of the used part's size, before it is turned: pixels without its bit
                                    ///< are left out
    Orientation orientation = {};   ///< how the used part is mirrored and turned
};

/// Lays an image, wherever its own clip is, onto a view with its hot spot at a pixel, cut to the view's clip.
/// Both may show the same memory: the result is that of an image that was copied before, which no other
/// thread may draw into meanwhile.
/// @throws ArgumentError if the used part is empty or not inside the image, the mask has another size, or the
/// blend mode does not fit the view's format; nothing is painted then.
void overlay(const ImageView& view, const ConstImageView& image, Point at, const Overlay& options = {});

/// How overlay() lays a bitmap onto an image.
struct Marker {
    Paint foreground;                     ///< of set bits
    std::optional<Paint> background = {}; ///< of the others, which are left out if there is none
    Blending blending = {};
    Point hot_spot = {};
    Orientation orientation = {};
};

/// Lays a bitmap onto a view with its hot spot at a pixel, cut to the view's clip. Patterns count from the
/// image, or from the marker's top-left pixel if they belong to the shape.
/// @throws ArgumentError if the blend mode does not fit the view's format; nothing is painted then.
void overlay(const ImageView& view, const Bitmap& bitmap, Point at, const Marker& marker);

/// The image's pixels, wherever its clip is, as a pattern that repeats.
[[nodiscard]] Texture texture(const ConstImageView& image, PatternOrigin origin = PatternOrigin::image);

} // namespace coldbrick
