/// @file
/// A sheet's text, and errors that point into it.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace coldbrick::sheet {

/// A text that is being read, and what messages call it.
struct Source {
    std::string_view name;
    std::string_view text;
};

/// A place in a source, which must outlive it.
struct Location {
    const Source* source = nullptr;
    std::size_t offset = 0; ///< in bytes

    /// The line's number, from 1.
    [[nodiscard]] std::size_t line() const;
};

/// Throws SheetError: name:line:column: message, the line, and a caret under the place.
/// Lines and columns count from 1, columns in characters.
[[noreturn]] void fail(const Location& location, std::string_view message);

} // namespace coldbrick::sheet
