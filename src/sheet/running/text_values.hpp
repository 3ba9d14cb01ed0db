/// @file
/// What words of lettering amount to.
#pragma once

#include "sheet/language/syntax.hpp"
#include "sheet/running/context.hpp"
#include "sheet/running/value.hpp"

namespace coldbrick::sheet {

/// What the words make of the style that they begin with, or of the usual one.
/// @throws SheetError where a value is none, or outside its range.
LetterStyle letter_style_of(const LetterWords& words, const Context& context);

/// The style as it is where a motif is placed: turned and scaled along.
/// @throws ArgumentError if it would be too large.
LetterStyle placed(LetterStyle style, const Placing& placing);

} // namespace coldbrick::sheet
