/// @file
/// One sheet drawn many times, with values of its names run over ranges.
#pragma once

#include <coldbrick/function_ref.hpp>
#include <coldbrick/picture_table.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/sheet.hpp>

#include <cstddef>     // how many pictures
#include <cstdint>     // progress
#include <optional>    // pictures may keep their size
#include <span>        // names
#include <string>      // values
#include <string_view> // ranges as text
#include <vector>      // pictures

namespace [[gnu::visibility("default")]] coldbrick {

/// A name of a sheet and the values that it takes, as the sheet would write them.
struct SweptName {
    std::string name;
    std::vector<std::string> values;
};

/// The values of a text: `r=4..40:4` for the numbers 4, 8, ..., 40, where the step 1 may be left out
/// and 40..4 goes down; `w=1,2,3` or `tint=red,#2f6f5e` for single ones. Commas in brackets belong to values.
/// @throws ArgumentError if it is neither, if the step is not above 0, or if there are more than 10000
/// values.
[[nodiscard]] SweptName swept_name(std::string_view text);

/// How a sheet is swept.
struct Sweep {
    std::vector<SweptName> names = {}; ///< each value of the first with each of the second, and so on
    std::optional<Size> largest = {};  ///< larger pictures are made smaller to fit
    bool differences = false;          ///< whether what is the same as without the values is dimmed
    int threads = 0; ///< that draw at the same time, 0 and up; 0 stands for as many as there are processors,
                     ///< which are never exceeded
    std::size_t most_bytes = std::size_t{1} << 31; ///< what the pixels of all pictures may take
};

/// The pictures, captioned `r = 4, w = 2`, in the order of the values: all of the last name's follow each
/// other.
/// @param sheet as it was read, for its frame without the values
/// @param reading as for Sheet::again(); its settings stay
/// @param progress is called with how many pictures are done and how many there are, by one thread at a time
/// @throws SheetError if the sheet cannot be carried out with a value, naming them; ArgumentError if there
/// are no names or one more than once, more than 10000 pictures, fewer threads than 0, or more pixels than
/// may be.
[[nodiscard]] std::vector<CaptionedPicture>
sweep(const Sheet& sheet, const Sweep& sweep, const SheetReading& reading,
      FunctionRef<void(std::int64_t done, std::int64_t all)> progress = {});

} // namespace coldbrick
