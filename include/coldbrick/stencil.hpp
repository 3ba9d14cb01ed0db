/// @file
/// Grey pictures that paint goes through.
#pragma once

#include <coldbrick/blend.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/shared.hpp>

#include <optional> // patterns count from elsewhere

namespace [[gnu::visibility("default")]] coldbrick {

/// How much of each pixel is covered, as an image of the format gray8: 0 is nothing, 255 all. A shape drawn
/// smooth in white onto a black gray8 image makes one.
struct Stencil {
    Shared<Image> coverage;
    Point top_left;                           ///< where its first pixel lies
    std::optional<Point> pattern_origin = {}; ///< where patterns that belong to the shape count from: the
                                              ///< first pixel unless told

    [[nodiscard]] Box bounds() const {
        return {top_left.x, top_left.y, coverage->width(), coverage->height()};
    }
};

/// Paints through a stencil as through the coverage of a smooth shape, cut to the view's clip. Patterns that
/// belong to the shape count from the stencil's pattern_origin.
/// @throws ArgumentError if the stencil has another format than gray8 or the blend mode does not fit the
/// view's; nothing is painted then.
void draw(const ImageView& view, const Stencil& stencil, const Paint& paint, const Blending& blending = {});

/// The pixels of a stencil that are covered at all.
/// @throws ArgumentError as draw(), and if a pixel lies outside the 32-bit coordinates.
[[nodiscard]] Region region(const Stencil& stencil);

} // namespace coldbrick
