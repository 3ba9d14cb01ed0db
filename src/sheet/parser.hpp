/// @file
/// A sheet's text becomes statements.
#pragma once

#include "sheet/source.hpp"
#include "sheet/syntax.hpp"

#include <functional>

namespace coldbrick::sheet {

/// Hands over a sheet's statements one after the other as they are read, so that a long sheet is not held as
/// a tree. The source must outlive them. @throws SheetError at the first fault, and what `carry_out` throws.
void read_statements(const Source& source, const std::function<void(const Statement&)>& carry_out);

/// The expression that the whole source is. @throws SheetError at the first fault.
ExpressionPtr parse_expression(const Source& source);

} // namespace coldbrick::sheet
