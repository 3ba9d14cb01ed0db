#include "text/layout/paragraph.hpp"

#include <fribidi.h>
#include <linebreak.h>

#include <algorithm>
#include <mutex>
#include <new>

namespace coldbrick::text {

namespace {

/// The first character that may run from right to left, or steer what does.
constexpr char32_t first_for_bidi = 0x590;

/// A character of no kind, which no face has.
constexpr char32_t nothing = 0xFFFF;

bool is_mark(char32_t character) {
    return character >= 0x300 && FRIBIDI_IS_EXPLICIT_OR_BN_OR_NSM(fribidi_get_bidi_type(character));
}

/// Rule L2 of Annex 9: from the highest level to the lowest odd one, runs of at least that level are turned
/// round.
template <class Runs>
void put_in_visual_order(Runs& runs) {
    std::int8_t highest = 0;
    for (const auto& run : runs) highest = std::max(highest, run.level);
    for (std::int8_t level = highest; level > 0; --level)
        for (auto from = runs.begin(); from != runs.end();) {
            const auto below = [level](const auto& run) { return run.level < level; };
            from = std::find_if_not(from, runs.end(), below);
            const auto to = std::find_if(from, runs.end(), below);
            std::reverse(from, to);
            from = to;
        }
}

} // namespace

bool is_invisible(char32_t character) {
    // Default_Ignorable_Code_Point of the Unicode Character Database, without what letters are made of.
    return character == 0xAD || character == 0x34F || character == 0x61C ||
           (character >= 0x200B && character <= 0x200F) || (character >= 0x202A && character <= 0x202E) ||
           (character >= 0x2060 && character <= 0x206F) || (character >= 0xFE00 && character <= 0xFE0F) ||
           character == 0xFEFF || (character >= 0xE0000 && character <= 0xE0FFF);
}

FaceList::FaceList(const TextStyle& style) : faces_{style.face} {
    faces_.insert(faces_.end(), style.fallbacks.begin(), style.fallbacks.end());
    faces_.push_back(Face::stroke());
}

std::uint16_t FaceList::face_of(char32_t character) const {
    std::uint16_t face = 0;
    while (face < face_for_missing() && !at(face).has(character)) ++face;
    return face;
}

Paragraph::Paragraph(std::u32string characters, Direction direction, const FaceList& faces)
    : faces_(faces), characters_(std::move(characters)) {
    find_levels(direction);
    find_faces();
}

void Paragraph::find_levels(Direction direction) {
    base_level_ = direction == Direction::right_to_left ? 1 : 0;
    const auto may_turn = [](char32_t character) { return character >= first_for_bidi; };
    if (base_level_ == 0 && std::ranges::none_of(characters_, may_turn)) return;
    const auto length = static_cast<FriBidiStrIndex>(characters_.size());
    std::vector<FriBidiChar> text(characters_.begin(), characters_.end());
    std::vector<FriBidiCharType> types(characters_.size());
    std::vector<FriBidiBracketType> brackets(characters_.size());
    fribidi_get_bidi_types(text.data(), length, types.data());
    fribidi_get_bracket_types(text.data(), length, types.data(), brackets.data());
    FriBidiParType base = direction == Direction::by_text         ? FRIBIDI_PAR_ON
                          : direction == Direction::left_to_right ? FRIBIDI_PAR_LTR
                                                                  : FRIBIDI_PAR_RTL;
    std::vector<FriBidiLevel> levels(characters_.size());
    if (length > 0 &&
        fribidi_get_par_embedding_levels_ex(types.data(), brackets.data(), length, &base, levels.data()) == 0)
        throw std::bad_alloc();
    base_level_ = FRIBIDI_IS_RTL(base) ? 1 : 0;
    levels_.assign(levels.begin(), levels.end());
}

std::vector<char> Paragraph::breaks() const {
    static std::once_flag once;
    std::call_once(once, init_linebreak);
    std::vector<char> result(characters_.size());
    const std::vector<utf32_t> text(characters_.begin(), characters_.end());
    set_linebreaks_utf32(text.data(), text.size(), "", result.data());
    for (char& one : result) one = one == LINEBREAK_ALLOWBREAK ? 1 : 0;
    return result;
}

void Paragraph::find_faces() {
    face_of_.resize(characters_.size());
    for (std::size_t i = 0; i < characters_.size(); ++i) {
        const char32_t character = characters_[i];
        const bool goes_with_last =
            i > 0 &&
            (is_invisible(character) || (is_mark(character) && faces_.at(face_of_[i - 1]).has(character)));
        face_of_[i] = goes_with_last            ? face_of_[i - 1]
                      : is_invisible(character) ? std::uint16_t{0}
                                                : faces_.face_of(character);
    }
}

std::u32string Paragraph::missing() const {
    std::u32string result;
    for (std::size_t i = 0; i < characters_.size(); ++i)
        if (face_of_[i] == faces_.face_for_missing() && !is_invisible(characters_[i]))
            result.push_back(characters_[i]);
    return result;
}

std::vector<Paragraph::Run> Paragraph::runs(std::size_t begin, std::size_t end) const {
    // More marks on one letter than any text has take shaping a time that grows with their square.
    constexpr int most_marks = 64;
    int marks = 0;
    std::vector<Run> result;
    for (std::size_t i = begin; i < end; ++i) {
        const std::int8_t level = levels_.empty() ? std::int8_t{0} : levels_[i];
        marks = is_mark(characters_[i]) ? marks + 1 : 0;
        const bool goes_on = marks <= most_marks;
        if (!goes_on) marks = 0;
        if (goes_on && !result.empty() && result.back().face == face_of_[i] && result.back().level == level)
            result.back().end = i + 1;
        else
            result.push_back({i, i + 1, face_of_[i], level});
    }
    put_in_visual_order(result);
    return result;
}

std::vector<SetGlyph> Paragraph::set(std::size_t begin, std::size_t end, const GlyphStyle& style) const {
    std::vector<SetGlyph> result;
    result.reserve(end - begin);
    for (const Run& run : runs(begin, end)) {
        const std::u32string boxes(run.face == faces_.face_for_missing() ? run.end - run.begin : 0, nothing);
        const std::u32string_view shaped =
            boxes.empty() ? std::u32string_view(characters_).substr(run.begin, run.end - run.begin) : boxes;
        for (const ShapedGlyph& glyph : faces_.at(run.face).shape(shaped, run.level % 2 != 0, style))
            result.push_back(
                {run.face, glyph.glyph, run.begin + glyph.character, glyph.advance, glyph.dx, glyph.dy});
    }
    return result;
}

} // namespace coldbrick::text
