/// @file
/// Tables of values.
#pragma once

#include "sheet/value.hpp"

#include <string>
#include <string_view>

namespace coldbrick::sheet {

/// The rows of a table: of a JSON array of objects (RFC 8259) if the file's name ends with .json, else of
/// comma-separated values (RFC 4180), whose first row names the columns. What reads as a number is one.
/// @throws FileError with the place if the text is no table.
List rows_of(std::string_view file, const std::string& text);

} // namespace coldbrick::sheet
