/// @file
/// The sheets that come with the tool, and the files that they take data from.
#pragma once

#include <span>
#include <string_view>

namespace coldbrick::tool {

struct Sample {
    std::string_view name; ///< the file's name
    std::string_view text;
};

std::span<const Sample> samples();

} // namespace coldbrick::tool
