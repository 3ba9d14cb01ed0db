/// @file
/// Where the items of a drawing paint.
#pragma once

#include "base/limits.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/drawing.hpp>

namespace coldbrick::drawing {

/// All pixels.
constexpr Box everywhere{base::first_coordinate, base::first_coordinate, base::coordinates,
                         base::coordinates};

/// A box that all pixels of a checked item lie in, in any picture.
[[nodiscard]] Box bounds_of(const Drawing::StyledShape& item);
[[nodiscard]] Box bounds_of(const Drawing::Picture& picture);
[[nodiscard]] Box bounds_of(const Drawing::Print& print);
[[nodiscard]] Box bounds_of(const Drawing::Group& group);

} // namespace coldbrick::drawing
