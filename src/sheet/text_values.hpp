/// @file
/// What statements of lettering amount to.
#pragma once

#include "sheet/syntax.hpp"
#include "sheet/value.hpp"

#include <coldbrick/face.hpp>
#include <coldbrick/text_style.hpp>

#include <vector>

namespace coldbrick::sheet {

/// @param faces the one to set in and those that have what it lacks; none for the stroke face
/// @throws SheetError where a value is none, or outside its range; likewise below.
TextStyle text_style_of(const TextStatement& words, const Definitions& names, const std::vector<Face>& faces);

TextPaint text_paint_of(const TextStatement& words, const Definitions& names);

} // namespace coldbrick::sheet
