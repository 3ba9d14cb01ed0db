/// @file
/// What is meant by words that other notations have, and how sheets say it.
#pragma once

#include <string_view>

namespace coldbrick::sheet {

/// What stands for the word in sheets, with an example; empty if nothing is known to.
std::string_view advice_for(std::string_view word);

} // namespace coldbrick::sheet
