/// @file
/// Faces in which each character is a glyph, one beside the other.
#pragma once

#include "text/faces/face_text.hpp"
#include "text/faces/letterforms.hpp"
#include "text/layout/paragraph.hpp"

#include <array>
#include <cstdint>
#include <string_view>
#include <unordered_map>
#include <utility>
#include <vector>

namespace coldbrick::text {

/// @tparam Glyph what the face keeps of a glyph
template <class Glyph>
class CharacterFace : public Letterforms {
  public:
    [[nodiscard]] std::string_view name() const override { return name_; }
    [[nodiscard]] bool has(char32_t character) const override {
        return glyphs_.contains(drawn_as(character));
    }

    [[nodiscard]] std::vector<ShapedGlyph> shape(std::u32string_view run, bool right_to_left,
                                                 const GlyphStyle& style) const override {
        std::vector<ShapedGlyph> result;
        result.reserve(run.size());
        for (std::uint32_t i = 0; i < run.size(); ++i) {
            const auto character = static_cast<std::uint32_t>(right_to_left ? run.size() - 1 - i : i);
            if (is_invisible(run[character])) continue;
            const char32_t drawn = drawn_as(run[character]);
            const std::uint32_t number = glyphs_.contains(drawn) ? drawn : missing_glyph;
            if (!result.empty()) result.back().advance -= closer(result.back().glyph, number, style);
            result.push_back({number, character, advance(glyph(number), style)});
        }
        return result;
    }

  protected:
    explicit CharacterFace(std::string_view name) : name_(name) {}

    void add(std::uint32_t number, Glyph glyph) { glyphs_.insert_or_assign(number, std::move(glyph)); }
    [[nodiscard]] const Glyph* find(std::uint32_t number) const { return &glyphs_.at(number); }
    [[nodiscard]] const Glyph& glyph(std::uint32_t number) const { return glyphs_.at(number); }

  private:
    /// How much closer two glyphs stand than others, in pixels.
    [[nodiscard]] virtual double closer(std::uint32_t, std::uint32_t, const GlyphStyle&) const { return 0; }

    [[nodiscard]] virtual double advance(const Glyph& glyph, const GlyphStyle& style) const = 0;

    /// The character that a face of single characters draws for another one: spaces and hyphens that only say
    /// where lines may break look like the plain ones.
    static char32_t drawn_as(char32_t character) {
        switch (character) {
        case U'\u00A0': return U' ';
        case U'\u2010':
        case U'\u2011': return U'-';
        case U'\u2212': return U'\u2013';
        case U'\u03BC': return U'\u00B5';
        default: return character;
        }
    }

    std::string_view name_;
    std::unordered_map<std::uint32_t, Glyph> glyphs_;
};

inline constexpr std::array<std::string_view, 7> mark_names{"grave",     "acute", "circumflex", "tilde",
                                                            "diaeresis", "ring",  "cedilla"};

} // namespace coldbrick::text
