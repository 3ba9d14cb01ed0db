/// @file
/// A sheet's text, and errors that point into it.
#pragma once

#include <coldbrick/error.hpp>
#include <coldbrick/sheet_place.hpp>

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::sheet {

/// A text that is being read, and what messages call it; both outlive this.
struct Source {
    Source(std::string_view its_name, std::string_view its_text);

    std::string_view name;
    std::string_view text;
    std::vector<std::size_t> lines; ///< where each begins, in bytes
};

/// A place in a source, which must outlive it.
struct Location {
    const Source* source = nullptr;
    std::size_t offset = 0; ///< in bytes

    /// The line's number, from 1. Lines end with LF, CR LF or CR.
    [[nodiscard]] std::size_t line() const;

    [[nodiscard]] SheetPlace place() const;
    [[nodiscard]] std::string text() const { return place().text(); }
};

/// How many bytes of a line's end the text begins with; 0 if there is none.
inline std::size_t line_end_length(std::string_view text) {
    if (text.empty() || (text[0] != '\n' && text[0] != '\r')) return 0;
    return text[0] == '\r' && text.size() > 1 && text[1] == '\n' ? 2 : 1;
}

/// A fault with its place.
class FaultAt : public SheetError {
  public:
    FaultAt(const Location& place, const std::string& message) : SheetError(message), place_(place) {}
    [[nodiscard]] const Location& place() const { return place_; }

  private:
    Location place_;
};

/// Throws FaultAt: name:line:column: message, the line, and a caret under the place. What could steer a
/// terminal is shown as \xNN, and long lines are cut.
[[noreturn]] void fail(const Location& location, std::string_view message);

/// Returns work(). What the library's own checks refuse in it, with ArgumentError, becomes a SheetError with
/// this place.
template <class Work>
decltype(auto) at_place(const Location& location, Work work) {
    try {
        return work();
    } catch (const ArgumentError& error) {
        fail(location, error.what());
    }
}

} // namespace coldbrick::sheet
