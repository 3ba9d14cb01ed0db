/// @file
/// The sheets that come with the tool.
#pragma once

#include <span>
#include <string_view>

struct Sample {
    std::string_view name; ///< the sheet's file name
    std::string_view text;
};

std::span<const Sample> samples();
