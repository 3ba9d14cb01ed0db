/// @file
/// What the texts of both built-in faces have in common.
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::text {

/// The number of what stands for characters that a face lacks. Characters are their own numbers.
constexpr std::uint32_t missing_glyph = 0xFFFFFFFF;

/// A line `CHARACTER = BASE MARK` in a face's text.
struct Composition {
    std::string_view character;
    std::string_view base;
    std::string_view mark;
};

/// A line's words, which spaces are between.
std::vector<std::string_view> words_of(std::string_view line);

/// The lines of a face's text without comments, in order; empty ones are there, as ends of blocks.
std::vector<std::string_view> lines_of(std::string_view text);

/// The composition that a line is, if it is one.
std::optional<Composition> composition_of(std::span<const std::string_view> words);

/// What a glyph's name stands for: one character, or one of the names.
std::uint32_t glyph_number(std::string_view name);

} // namespace coldbrick::text
