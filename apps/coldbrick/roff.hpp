/// @file
/// Texts in pages for man(7).
#pragma once

#include <string>
#include <string_view>

namespace coldbrick::tool {

/// A text as man(7) takes it literally.
std::string escaped_for_man(std::string_view text);

} // namespace coldbrick::tool
