/// @file
/// What statements of lettering amount to.
#pragma once

#include "sheet/syntax.hpp"
#include "sheet/value.hpp"

#include <coldbrick/face.hpp>
#include <coldbrick/text_style.hpp>

namespace coldbrick::sheet {

/// @throws SheetError where a value is none, or outside its range; likewise below.
TextStyle text_style_of(const TextStatement& words, const Definitions& names, const Face& face);

TextPaint text_paint_of(const TextStatement& words, const Definitions& names);

} // namespace coldbrick::sheet
