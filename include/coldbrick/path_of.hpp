/// @file
/// Shapes as paths.
#pragma once

#include <coldbrick/path.hpp>
#include <coldbrick/shape.hpp>

namespace [[gnu::visibility("default")]] coldbrick {

/// The ideal path of a shape, which its strokes follow: through the centres of its outermost pixels, closed
/// ones clockwise. Filled whole and smooth it has the pixels of the shape, and strokes of an odd width are
/// the shape's, but that butt ends are not lengthened by half a pixel.
/// @throws ArgumentError if a value of the shape is outside its range, or its path outside that of paths.
template <AnyShape S>
[[nodiscard]] Path path_of(const S& shape);

} // namespace coldbrick
