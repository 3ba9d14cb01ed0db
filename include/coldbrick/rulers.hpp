/// @file
/// Rulers along magnified images.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/magnify.hpp>
#include <coldbrick/point.hpp>

namespace [[gnu::visibility("default")]] coldbrick {

/// How rulers look.
struct Rulers {
    Colour ground{246, 244, 238};
    Colour ink{30, 40, 52};
    Point first = {}; ///< what the numbers of the image's top-left pixel are
};

/// The image magnified, with a ruler over it and one to its left: a tick for each pixel where there is room,
/// a longer one for every fifth and tenth, and numbers at steps of 1, 2 or 5 times a power of 10, as many as
/// have room. The result has the image's format, or rgb8 if that is indexed8.
/// @throws ArgumentError as magnified().
[[nodiscard]] Image ruled(const ConstImageView& image, const Magnification& magnification = {},
                          const Rulers& rulers = {});

} // namespace coldbrick
