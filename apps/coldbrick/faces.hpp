/// @file
/// Faces by the names that sheets and arguments give them.
#pragma once

#include <coldbrick/font.hpp>
#include <coldbrick/sheet.hpp>

#include <filesystem>
#include <string>

namespace coldbrick::tool {

/// True if the name ends as those of font files do.
bool is_font_file(const std::string& name);

/// A built-in face, a font file, if the name ends as those do, or else the installed family.
/// @param folder what files count from
/// @throws Error if there is no such face; ArgumentError also if a weight or slant is asked of a
/// file.
Face face_named(const WantedFace& wanted, const std::filesystem::path& folder);

} // namespace coldbrick::tool
