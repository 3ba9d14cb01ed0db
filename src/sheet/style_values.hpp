/// @file
/// What the styles of a sheet amount to.
#pragma once

#include "sheet/syntax.hpp"
#include "sheet/value.hpp"

#include <coldbrick/blend.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/stroke.hpp>

namespace coldbrick::sheet {

/// @param edges where the words do not tell
/// @throws SheetError where a value is not of its kind or outside its range.
Blending blending_of(const BlendingWords& words, const Definitions& names);
Fill fill_of(const FillWords& words, const Definitions& names, Edges edges);
Stroke stroke_of(const StrokeWords& words, const Definitions& names, Edges edges);

} // namespace coldbrick::sheet
