/// @file
/// The words that have a meaning of their own in sheets: all that the parser takes, messages name and the
/// manual explains.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/blend.hpp>
#include <coldbrick/line_style.hpp>
#include <coldbrick/pattern.hpp>
#include <coldbrick/text_style.hpp>

#include <array>
#include <cstddef>
#include <cstdint>
#include <span>
#include <string_view>

namespace coldbrick::sheet {

/// The words, each by its own name. None of them can be the name of a value.
enum class Word : std::uint8_t {
    // These begin a statement.
    sheet,
    frames,
    let,
    palette,
    style,
    image,
    text,
    dots,
    line,
    path,
    arc,
    box,
    circle,
    ellipse,
    sector,
    segment,
    polygon,
    star,
    if_,
    repeat,
    motif,
    place,
    layer,
    clip,
    data,
    include,
    // These begin a line, too, but end a block or part of it.
    else_,
    end,
    // These cannot.
    on,
    at,
    to,
    radius,
    diameter,
    radii,
    size,
    rounded,
    turned,
    from,
    sweep,
    corners,
    tips,
    notch,
    ring,
    closed,
    fill,
    nonzero,
    tiling,
    stroke,
    cap,
    join,
    limit,
    inside,
    outside,
    dashes,
    offset,
    along,
    around,
    hatch,
    spacing,
    wide,
    opacity,
    blend,
    anchor,
    contain,
    cover,
    mirrored,
    key,
    rate,
    curve,
    smooth,
    crisp,
    linear,
    face,
    weight,
    slanted,
    capitals,
    aligned,
    leading,
    within,
    lines,
    fit,
    thick,
    plate,
    padding,
    border,
    axis,
    stipple,
    texture,
    mask,
    like,
    named,
    above,
    below,
    left_of,
    right_of,
    gap,
    scaled,
    seed,
    by,
    in,
    then,
    and_,
    or_,
    not_,
    true_,
    false_,
    none, ///< a word without a meaning of its own
};

inline constexpr std::size_t statement_count = static_cast<std::size_t>(Word::else_);

/// The words as they are written, in the order of the enumeration.
inline constexpr auto word_texts = std::to_array<std::string_view>(
    {"sheet",   "frames", "let",      "palette",  "style",    "image",    "text",    "dots",    "line",
     "path",    "arc",    "box",      "circle",   "ellipse",  "sector",   "segment", "polygon", "star",
     "if",      "repeat", "motif",    "place",    "layer",    "clip",     "data",    "include", "else",
     "end",     "on",     "at",       "to",       "radius",   "diameter", "radii",   "size",    "rounded",
     "turned",  "from",   "sweep",    "corners",  "tips",     "notch",    "ring",    "closed",  "fill",
     "nonzero", "tiling", "stroke",   "cap",      "join",     "limit",    "inside",  "outside", "dashes",
     "offset",  "along",  "around",   "hatch",    "spacing",  "wide",     "opacity", "blend",   "anchor",
     "contain", "cover",  "mirrored", "key",      "rate",     "curve",    "smooth",  "crisp",   "linear",
     "face",    "weight", "slanted",  "capitals", "aligned",  "leading",  "within",  "lines",   "fit",
     "thick",   "plate",  "padding",  "border",   "axis",     "stipple",  "texture", "mask",    "like",
     "named",   "above",  "below",    "left_of",  "right_of", "gap",      "scaled",  "seed",    "by",
     "in",      "then",   "and",      "or",       "not",      "true",     "false"});
static_assert(word_texts.size() == static_cast<std::size_t>(Word::none) &&
              word_texts[static_cast<std::size_t>(Word::end)] == "end" &&
              word_texts[static_cast<std::size_t>(Word::false_)] == "false");

constexpr std::string_view text_of(Word word) {
    return word_texts[static_cast<std::size_t>(word)];
}

/// The texts of the words that begin a statement.
constexpr std::span<const std::string_view> statement_texts() {
    return std::span(word_texts).first(statement_count);
}

/// The word with this text, or none.
Word word_of(std::string_view text);

/// True if the word cannot begin a statement: its line goes on with the one before.
constexpr bool continues_statement(Word word) {
    return word >= Word::on && word != Word::none;
}

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
inline constexpr Choice<TextColumn> text_columns[] = {
    {"left", TextColumn::left}, {"centre", TextColumn::centre}, {"right", TextColumn::right}};
/// Of texts: those of shapes, and those of letters' own heights.
inline constexpr Choice<TextAnchor> text_anchors[] = {
    {"baseline_left", {TextColumn::left, TextRow::baseline}},
    {"baseline", {TextColumn::centre, TextRow::baseline}},
    {"baseline_right", {TextColumn::right, TextRow::baseline}},
    {"capitals_left", {TextColumn::left, TextRow::cap_height}},
    {"capitals", {TextColumn::centre, TextRow::cap_height}},
    {"capitals_right", {TextColumn::right, TextRow::cap_height}},
    {"top_left", {TextColumn::left, TextRow::top}},
    {"top", {TextColumn::centre, TextRow::top}},
    {"top_right", {TextColumn::right, TextRow::top}},
    {"left", {TextColumn::left, TextRow::middle}},
    {"centre", {TextColumn::centre, TextRow::middle}},
    {"right", {TextColumn::right, TextRow::middle}},
    {"bottom_left", {TextColumn::left, TextRow::bottom}},
    {"bottom", {TextColumn::centre, TextRow::bottom}},
    {"bottom_right", {TextColumn::right, TextRow::bottom}}};
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
