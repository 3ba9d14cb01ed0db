/// @file
/// The values of a sheet that may be set.
#pragma once

#include "sheet/running/value.hpp"

#include <coldbrick/sheet.hpp>

#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::sheet {

/// Its name, kind and value.
SheetParameter parameter_of(std::string_view name, const Value& value);

/// Why a name cannot be set.
std::string no_such_parameter(std::string_view name, const std::vector<SheetParameter>& known);

} // namespace coldbrick::sheet
