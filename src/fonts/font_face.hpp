/// @file
/// The letterforms of a font.
#pragma once

#include "fonts/font.hpp"
#include "text/faces/letterforms.hpp"

#include <memory>

namespace coldbrick::fonts {

detail::SharedState<text::Letterforms> make_font_face(std::unique_ptr<const Font> font);

} // namespace coldbrick::fonts
