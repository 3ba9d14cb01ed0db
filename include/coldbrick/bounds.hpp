/// @file
/// How far shapes reach with their styles.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

namespace [[gnu::visibility("default")]] coldbrick {

/// The tight box of the pixels that draw() would paint with the style; an empty one if there are none. Pixels
/// beyond the 32-bit coordinates count only for plain boxes, circles and ellipses. It takes a constant time
/// for each vertex, however large the shape is; what dashes leave out and corners sharper than a few degrees
/// are looked for row by row, and so are paths and smooth edges in as many as 4096 rows.
/// @throws ArgumentError as draw().
template <ClosedShape S>
[[nodiscard]] Box bounds(const S& shape, const Fill& fill);
template <AnyShape S>
[[nodiscard]] Box bounds(const S& shape, const Stroke& stroke);

} // namespace coldbrick
