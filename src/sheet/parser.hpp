/// @file
/// A sheet's text becomes statements.
#pragma once

#include "sheet/source.hpp"
#include "sheet/syntax.hpp"

#include <vector>

namespace coldbrick::sheet {

/// The statements of a sheet. The source must outlive them. @throws SheetError at the first fault.
std::vector<Statement> parse_statements(const Source& source);

/// The expression that the whole source is. @throws SheetError at the first fault.
ExpressionPtr parse_expression(const Source& source);

} // namespace coldbrick::sheet
