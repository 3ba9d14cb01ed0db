/// @file
/// Rulers along magnified images, and what is marked between them.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/magnify.hpp>
#include <coldbrick/point.hpp>

#include <string> // what is written beside marks
#include <vector> // many marks

namespace [[gnu::visibility("default")]] coldbrick {

/// A pixel that is marked, in the rulers' numbers.
struct RulerMark {
    Point at;
    std::string text = {}; ///< its two numbers if it is empty
};

/// A box whose edge is drawn, in the rulers' numbers.
struct RulerOutline {
    Box box;
    std::string text = {}; ///< may be empty
};

/// How rulers look.
struct Rulers {
    Colour ground{246, 244, 238};
    Colour ink{30, 40, 52};
    Point first = {}; ///< what the numbers of the image's top-left pixel are
    Colour mark{214, 40, 90};
    Colour outline{0, 96, 200};
    std::vector<RulerMark> marks = {};       ///< those outside of the image are left out
    std::vector<RulerOutline> outlines = {}; ///< cut to the image
};

/// The image magnified, with a ruler over it and one to its left: a tick for each pixel where there is room,
/// a longer one for every fifth and tenth, and numbers at steps of 1, 2 or 5 times a power of 10, as many as
/// have room. Marked pixels have a frame and lines to both rulers, and what is written beside them and beside
/// outlines keeps out of the other's way. The result has the image's format, or rgb8 if that is indexed8.
/// @throws ArgumentError as magnified().
[[nodiscard]] Image ruled(const ConstImageView& image, const Magnification& magnification = {},
                          const Rulers& rulers = {});

} // namespace coldbrick
