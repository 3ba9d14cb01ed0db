/// @file
/// Random texts and styles, and fonts that tests may count on.
#pragma once

#include <coldbrick/font.hpp>
#include <coldbrick/text.hpp>

#include <rapidcheck.h>

#include <string>
#include <vector>

namespace coldbrick::test {

/// From Debian's packages fonts-dejavu-core, fonts-cantarell and fonts-inter-variable.
inline constexpr const char* sans_font = "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf";
inline constexpr const char* postscript_font = "/usr/share/fonts/opentype/cantarell/Cantarell-Regular.otf";
inline constexpr const char* variable_font = "/usr/share/fonts/truetype/inter-vf/Inter.var.ttf";

/// The built-in faces and one of each kind of font.
const std::vector<Face>& some_faces();

/// Words, spaces and lines of several scripts, with marks, and bytes that are no text.
rc::Gen<std::string> any_text();

/// A style with any of its settings, at sizes up to `largest`.
rc::Gen<TextStyle> any_text_style(double largest = 60);

} // namespace coldbrick::test
