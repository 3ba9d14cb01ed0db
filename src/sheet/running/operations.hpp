/// @file
/// What the signs between values do.
#pragma once

#include "sheet/language/source.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/running/context.hpp"
#include "sheet/running/value.hpp"

namespace coldbrick::sheet {

/// The operation between two values, but for `and` and `or`.
/// @throws SheetError at the place if it does not suit their kinds, or divides by zero.
Value operate(const Location& location, Operation operation, const Value& left, const Value& right,
              const Context& context);

/// The value with the other sign. @throws SheetError as above.
Value negated(const Location& location, const Value& value);

} // namespace coldbrick::sheet
