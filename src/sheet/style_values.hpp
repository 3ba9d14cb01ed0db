/// @file
/// What the styles of a sheet amount to.
#pragma once

#include "sheet/syntax.hpp"
#include "sheet/value.hpp"

#include <coldbrick/blend.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/stroke.hpp>

namespace coldbrick::sheet {

/// @throws SheetError where a value is not of its kind or outside its range; likewise below.
Blending blending_of(const BlendingWords& words, const Definitions& names);
Fill fill_of(const FillWords& words, const Definitions& names);
Stroke stroke_of(const StrokeWords& words, const Definitions& names);

} // namespace coldbrick::sheet
