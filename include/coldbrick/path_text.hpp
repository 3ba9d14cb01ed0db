/// @file
/// Paths as text.
#pragma once

#include <coldbrick/path.hpp>

#include <string>      // what is written
#include <string_view> // what is read

namespace [[gnu::visibility("default")]] coldbrick {

/// Reads the path data of the W3C recommendation Scalable Vector Graphics 2, section 9.3: the commands M, L,
/// H, V, C, S, Q, T, A and Z and their relative forms in small letters. (0, 0) is the centre of pixel (0, 0).
/// @throws ArgumentError with the place of an error, counted from 1, and what was expected there; and if a
/// position is outside the range of paths. An empty text is an empty path.
[[nodiscard]] Path read_path(std::string_view text);

/// Writes a path in the same form: absolute commands, and as few digits as bring back the same path; of an
/// arc, its radii and its turn are rounded to doubles.
[[nodiscard]] std::string path_text(const Path& path);

} // namespace coldbrick
