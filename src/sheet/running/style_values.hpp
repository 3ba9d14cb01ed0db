/// @file
/// What the styles of a sheet amount to.
#pragma once

#include "sheet/language/syntax.hpp"
#include "sheet/running/context.hpp"
#include "sheet/running/value.hpp"

#include <coldbrick/blend.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/stroke.hpp>

namespace coldbrick::sheet {

/// @throws SheetError where a value is not of its kind or outside its range; likewise below.
Paint paint_of(const PaintWords& words, const Context& context);

/// @param edges where the words do not tell
Blending blending_of(const BlendingWords& words, const Context& context);
Fill fill_of(const FillWords& words, const Context& context, Edges edges);
Stroke stroke_of(const StrokeWords& words, const Context& context, Edges edges);

/// What a style's words make of the one that they begin with.
ShapeStyle shape_style_of(const StyleWords& words, const Context& context, Edges edges);

} // namespace coldbrick::sheet
