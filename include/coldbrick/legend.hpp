/// @file
/// Lists of colours and what they stand for.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>

#include <span>   // many entries
#include <string> // what they say

namespace [[gnu::visibility("default")]] coldbrick {

/// A colour and what it stands for.
struct LegendEntry {
    Colour colour;
    std::string text; ///< UTF-8
};

/// A legend, one entry below another, as a picture on a dark plate that lets a little of what is behind it
/// through.
/// @param text_size 1..32767
/// @throws ArgumentError if the text size is outside its range, or if there is no entry.
[[nodiscard]] Image legend(std::span<const LegendEntry> entries, double text_size = 14);

} // namespace coldbrick
