/// @file
/// Drawings of anything, for properties.
#pragma once

#include <coldbrick/drawing.hpp>

namespace coldbrick::test {

/// A drawing of shapes, images, stencils and groups within groups, most of them in or near a window: in a
/// property.
/// @param depth how many groups it lies in
[[nodiscard]] Drawing random_drawing(Size window, int depth = 0);

} // namespace coldbrick::test
