/// @file
/// The faces that need no file.
#pragma once

#include "text/faces/letterforms.hpp"

#include <array>
#include <string_view>

namespace coldbrick::text {

inline constexpr std::array<std::string_view, 2> built_in_names{"stroke", "bitmap"};

detail::SharedState<Letterforms> make_stroke_face();
detail::SharedState<Letterforms> make_bitmap_face();

// The texts of src/text/faces, which the build puts into a source.
extern const std::string_view stroke_face_text;
extern const std::string_view bitmap_face_text;

} // namespace coldbrick::text
