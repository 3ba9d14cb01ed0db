/// @file
/// What the shapes of a sheet amount to.
#pragma once

#include "sheet/syntax.hpp"
#include "sheet/value.hpp"

#include <coldbrick/shape.hpp>

namespace coldbrick::sheet {

/// @param exact whether paths without curves keep positions that are no pixels
/// @throws SheetError where a value is not of its kind or outside its range; ArgumentError where values do
/// not suit each other.
Shape shape_of(const ShapeForm& form, const Definitions& names, bool exact);

} // namespace coldbrick::sheet
