/// @file
/// The letterforms of a font.
#pragma once

#include "fonts/font.hpp"
#include "text/letterforms.hpp"

#include <memory>

namespace coldbrick::fonts {

std::shared_ptr<const text::Letterforms> make_font_face(std::unique_ptr<const Font> font);

} // namespace coldbrick::fonts
