/// @file
/// Where things lie, as statements tell it.
#pragma once

#include "sheet/language/expression_parser.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/language/token_cursor.hpp"

namespace coldbrick::sheet {

/// What follows "at": a point, or a side of a box with a gap: POINT, or SIDE BOX [gap NUMBER].
PlaceWords place_after_at(TokenCursor& cursor, ExpressionParser& expressions);

} // namespace coldbrick::sheet
