/// @file
/// Places in the texts of sheets.
#pragma once

#include <cstddef> // lines and columns
#include <string>  // names of files

namespace [[gnu::visibility("default")]] coldbrick {

/// Where something stands in a sheet, or in one that it includes.
struct SheetPlace {
    std::string file;       ///< the name that it was read by
    std::size_t line = 1;   ///< from 1
    std::size_t column = 1; ///< from 1, in characters

    /// file:line:column, as messages have it. What could steer a terminal is shown as \xNN.
    [[nodiscard]] std::string text() const;

    friend bool operator==(const SheetPlace&, const SheetPlace&) = default;
};

} // namespace coldbrick
