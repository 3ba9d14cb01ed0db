/// @file
/// The manual of sheets, as the tool tells it.
#pragma once

#include <string>
#include <string_view>

namespace coldbrick::tool {

/// The manual in Markdown.
std::string_view sheet_manual();

/// What the manual's tables say of a word of sheets, and lines of its examples that begin with it; empty if
/// they say nothing.
std::string help_on_word(std::string_view word);

/// The manual as a page for man(7).
std::string sheet_manual_page();

} // namespace coldbrick::tool
