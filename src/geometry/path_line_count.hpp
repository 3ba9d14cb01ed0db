/// @file
/// How many straight lines a path is drawn with.
#pragma once

#include <coldbrick/path.hpp>

#include <cstddef>

namespace coldbrick::geometry {

/// How far the straight lines that stand for a curve may lie from it, in pixels: so near that coverages come
/// out right to 2/255 together with their rounding.
constexpr double path_flatness = 1.0 / 256;

/// Returns a number of lines that all curves of a path can be drawn with, at most twice as many as they need.
/// Stops counting beyond `most`. Time as the number of pieces.
[[nodiscard]] std::size_t line_count(const Path& path, std::size_t most);

} // namespace coldbrick::geometry
