/// @file
/// Marks from tables.
#pragma once

#include <coldbrick/marks.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>     // limits of memory
#include <string>      // names of columns
#include <string_view> // texts
#include <vector>      // marks

namespace [[gnu::visibility("default")]] coldbrick {

/// Which columns of a table tell what. A row has one of these: corners in left, top, right and bottom, both
/// included; x, y, width and height; the corners of a polygon in `points`, as numbers with blanks, commas or
/// semicolons between them; or x and y of a point alone.
struct MarkColumns {
    std::string left = "left";
    std::string top = "top";
    std::string right = "right";
    std::string bottom = "bottom";
    std::string x = "x";
    std::string y = "y";
    std::string width = "width";
    std::string height = "height";
    std::string points = "points";
    std::string shape = "shape"; ///< box, unless it says ellipse; may be missing, like those below
    std::string caption = "caption";
    std::string group = "group";
};

/// How a table is read.
struct MarkReading {
    MarkColumns columns = {};
    Size picture = {};      ///< that the marks lie on
    bool fractions = false; ///< whether coordinates are shares of the picture's width and height
    std::size_t most_bytes = std::size_t{1} << 30; ///< of memory for the table's values
};

/// The marks of a table, and what is wrong with the rows that give none.
struct MarkTable {
    std::vector<Mark> marks;
    std::vector<std::string> faults; ///< one a row, each with file and line
};

/// Reads a table of comma-separated values (RFC 4180), or a JSON array of objects (RFC 8259) if its name ends
/// with .json. Numbers are rounded to pixels.
/// @throws FileError with the place if the text is no table, if two columns have one name, if it takes more
/// memory than it may, or if it has none of the columns.
[[nodiscard]] MarkTable read_marks(std::string_view file, const std::string& text,
                                   const MarkReading& reading);

} // namespace coldbrick
