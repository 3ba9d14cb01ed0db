/// @file
/// Tables of values.
#pragma once

#include "sheet/running/value.hpp"

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::sheet {

/// A table's rows.
struct DataTable {
    std::string file;
    List rows;
    std::vector<std::size_t> lines; ///< that they begin on; of a JSON file, the numbers of the objects
    bool is_json = false;
    std::vector<std::string> faults; ///< of rows that are left out: with another number of values than there
                                     ///< are columns, or a value null

    /// What messages call a row: file:line, or file: object NUMBER.
    [[nodiscard]] std::string place(std::size_t row) const;
};

/// The rows of a table: of a JSON array of objects (RFC 8259) if the file's name ends with .json, else of
/// comma-separated values (RFC 4180), whose first row names the columns. What reads as a number is one.
/// @param most_bytes of memory for the values
/// @throws FileError with the place if the text is no table, if two columns or two names of an object are the
/// same, or if it takes more memory.
DataTable table_of(std::string_view file, const std::string& text, std::size_t most_bytes);

/// The rows alone. @throws FileError also at the first row that is at fault.
List rows_of(std::string_view file, const std::string& text, std::size_t most_bytes);

} // namespace coldbrick::sheet
