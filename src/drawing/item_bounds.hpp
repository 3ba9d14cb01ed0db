/// @file
/// Where the items of a drawing paint.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/drawing.hpp>

namespace coldbrick::drawing {

/// A box that all pixels of a checked item lie in, in any picture; an empty one if it has none.
[[nodiscard]] Box bounds_of(const Drawing::StyledShape& item);
[[nodiscard]] Box bounds_of(const Drawing::Picture& picture);
[[nodiscard]] Box bounds_of(const Drawing::Print& print);
[[nodiscard]] Box bounds_of(const Drawing::Group& group);

} // namespace coldbrick::drawing
