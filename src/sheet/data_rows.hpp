/// @file
/// Tables of values.
#pragma once

#include "sheet/value.hpp"

#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::sheet {

/// A table's rows, and what messages call each: file:line, or file: object NUMBER.
struct DataTable {
    List rows;
    std::vector<std::string> places;
    std::vector<std::string> faults; ///< of rows with another number of values than there are columns, which
                                     ///< are left out
};

/// The rows of a table: of a JSON array of objects (RFC 8259) if the file's name ends with .json, else of
/// comma-separated values (RFC 4180), whose first row names the columns. What reads as a number is one.
/// @throws FileError with the place if the text is no table.
DataTable table_of(std::string_view file, const std::string& text);

/// The rows alone. @throws FileError also at the first row that is at fault.
List rows_of(std::string_view file, const std::string& text);

} // namespace coldbrick::sheet
