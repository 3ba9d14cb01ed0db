/// @file
/// Reads a sheet and those that it includes.
#pragma once

#include "sheet/language/program.hpp"

#include <coldbrick/sheet.hpp>

#include <string_view>

namespace coldbrick::sheet {

/// @throws SheetError with all faults, up to a number.
detail::SharedState<Program> read_program(std::string_view text, std::string_view name,
                                          const SheetReading& reading);

} // namespace coldbrick::sheet
