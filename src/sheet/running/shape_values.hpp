/// @file
/// What the shapes of a sheet amount to.
#pragma once

#include "sheet/language/syntax.hpp"
#include "sheet/running/context.hpp"

#include <coldbrick/path_of.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/transform.hpp>

namespace coldbrick::sheet {

/// @param exact whether paths without curves keep positions that are no pixels
/// @throws SheetError where a value is not of its kind or outside its range; ArgumentError where values do
/// not suit each other.
Shape shape_of(const ShapeForm& form, const Context& context, bool exact);

/// The shape as a map makes it: a path.
template <class S>
Shape mapped(const S& shape, const Transform& map) {
    return path_of(shape).transformed(map);
}

/// The pixels that a shape has, in a box: of one without an inside, those of its line.
Region pixels_of(const Shape& shape, const Box& within);

} // namespace coldbrick::sheet
