/// @file
/// The words that have a meaning of their own in sheets.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/blend.hpp>
#include <coldbrick/line_style.hpp>
#include <coldbrick/paint.hpp>

#include <algorithm>
#include <array>
#include <cstddef>
#include <span>
#include <string_view>

namespace coldbrick::sheet {

/// The words that begin a statement.
inline constexpr auto first_words =
    std::to_array<std::string_view>({"sheet", "let", "palette", "image", "dots", "line", "path", "arc", "box",
                                     "circle", "ellipse", "sector", "segment", "polygon", "star"});

/// The other words with a meaning of their own, which cannot be names either.
inline constexpr auto further_words = std::to_array<std::string_view>(
    {"on",      "at",     "to",      "radius",   "radii", "size",    "rounded", "turned",
     "from",    "sweep",  "corners", "tips",     "notch", "ring",    "closed",  "fill",
     "nonzero", "tiling", "stroke",  "cap",      "join",  "limit",   "inside",  "outside",
     "dashes",  "offset", "along",   "around",   "hatch", "spacing", "wide",    "opacity",
     "blend",   "anchor", "cover",   "mirrored", "key"});

inline bool contains(std::span<const std::string_view> words, std::string_view word) {
    return std::ranges::find(words, word) != words.end();
}

/// True if the word has a meaning of its own.
inline bool is_reserved(std::string_view word) {
    return contains(first_words, word) || contains(further_words, word);
}

/// A name that a bracket makes a function, and how many values it takes.
struct Function {
    std::string_view name;
    std::size_t least;
    std::size_t most;
};
inline constexpr Function functions[] = {
    {"rgb", 3, 4}, {"hsl", 3, 4}, {"mix", 2, 3}, {"lighter", 2, 2}, {"darker", 2, 2}};

/// The words of an enumeration's values.
template <class Value>
struct Choice {
    std::string_view word;
    Value value;
};
inline constexpr Choice<Cap> caps[] = {{"butt", Cap::butt}, {"square", Cap::square}, {"round", Cap::round}};
inline constexpr Choice<Hatch::Direction> directions[] = {
    {"level", Hatch::Direction::level},   {"upright", Hatch::Direction::upright},
    {"rising", Hatch::Direction::rising}, {"falling", Hatch::Direction::falling},
    {"grid", Hatch::Direction::grid},     {"lattice", Hatch::Direction::lattice}};
inline constexpr Choice<Anchor> anchors[] = {{"top_left", Anchor::top_left},
                                             {"top", Anchor::top},
                                             {"top_right", Anchor::top_right},
                                             {"left", Anchor::left},
                                             {"centre", Anchor::centre},
                                             {"right", Anchor::right},
                                             {"bottom_left", Anchor::bottom_left},
                                             {"bottom", Anchor::bottom},
                                             {"bottom_right", Anchor::bottom_right}};
inline constexpr Choice<BlendMode> modes[] = {{"over", BlendMode::source_over},
                                              {"copy", BlendMode::copy},
                                              {"clear", BlendMode::clear},
                                              {"under", BlendMode::destination_over},
                                              {"in", BlendMode::source_in},
                                              {"mask", BlendMode::destination_in},
                                              {"out", BlendMode::source_out},
                                              {"cut", BlendMode::destination_out},
                                              {"atop", BlendMode::source_atop},
                                              {"beneath", BlendMode::destination_atop},
                                              {"exclusive", BlendMode::exclusive_or},
                                              {"sum", BlendMode::lighter},
                                              {"multiply", BlendMode::multiply},
                                              {"screen", BlendMode::screen},
                                              {"overlay", BlendMode::overlay},
                                              {"darken", BlendMode::darken},
                                              {"lighten", BlendMode::lighten},
                                              {"dodge", BlendMode::colour_dodge},
                                              {"burn", BlendMode::colour_burn},
                                              {"hard_light", BlendMode::hard_light},
                                              {"soft_light", BlendMode::soft_light},
                                              {"difference", BlendMode::difference},
                                              {"exclusion", BlendMode::exclusion},
                                              {"hue", BlendMode::hue},
                                              {"saturation", BlendMode::saturation},
                                              {"colour", BlendMode::colour},
                                              {"luminosity", BlendMode::luminosity},
                                              {"invert", BlendMode::invert},
                                              {"bits_and", BlendMode::bits_and},
                                              {"bits_or", BlendMode::bits_or},
                                              {"bits_xor", BlendMode::bits_xor}};
inline constexpr Choice<Join> joins[] = {
    {"mitre", Join::mitre}, {"bevel", Join::bevel}, {"round", Join::round}};

} // namespace coldbrick::sheet
