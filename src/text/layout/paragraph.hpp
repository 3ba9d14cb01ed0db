/// @file
/// A paragraph's characters: which way they run, where lines may break, which faces have them.
#pragma once

#include "text/faces/letterforms.hpp"

#include <coldbrick/face.hpp>
#include <coldbrick/text_style.hpp>

#include <cstddef>
#include <cstdint>
#include <span>
#include <string>
#include <vector>

namespace coldbrick::text {

/// True of characters that only steer what is beside them: they are neither seen nor missing.
bool is_invisible(char32_t character);

/// A glyph of a line, from its left end on.
struct SetGlyph {
    std::uint16_t face = 0;
    std::uint32_t glyph = 0;
    std::size_t character = 0; ///< the first one in the paragraph that it stands for
    double advance = 0;
    double dx = 0;
    double dy = 0;
};

/// The faces that a text is set in: the style's own, its fallbacks, and one whose box stands for what none of
/// them has.
class FaceList {
  public:
    explicit FaceList(const TextStyle& style);

    [[nodiscard]] const Letterforms& at(std::size_t face) const { return faces_[face].letterforms(); }
    [[nodiscard]] std::uint16_t face_for_missing() const {
        return static_cast<std::uint16_t>(faces_.size() - 1);
    }

    /// The first face that has the character, or the one for what is missing.
    [[nodiscard]] std::uint16_t face_of(char32_t character) const;

  private:
    std::vector<Face> faces_;
};

/// A paragraph can be set in pieces: its lines.
class Paragraph {
  public:
    /// @param characters without line ends @param faces outlive this
    Paragraph(std::u32string characters, Direction direction, const FaceList& faces);

    [[nodiscard]] const std::u32string& characters() const { return characters_; }
    [[nodiscard]] bool right_to_left() const { return base_level_ % 2 != 0; }

    /// Of each character, whether a line may end behind it, by the Unicode Line Breaking Algorithm (Unicode
    /// Standard Annex 14).
    [[nodiscard]] std::vector<char> breaks() const;

    /// The characters that no face has.
    [[nodiscard]] std::u32string missing() const;

    /// The glyphs of some characters, by the Unicode Bidirectional Algorithm (Unicode Standard Annex 9) in
    /// the order in which they are seen.
    [[nodiscard]] std::vector<SetGlyph> set(std::size_t begin, std::size_t end,
                                            const GlyphStyle& style) const;

  private:
    /// Characters that are shaped together.
    struct Run {
        std::size_t begin;
        std::size_t end;
        std::uint16_t face;
        std::int8_t level; ///< odd ones run from right to left
    };

    void find_levels(Direction direction);
    void find_faces();
    [[nodiscard]] std::vector<Run> runs(std::size_t begin, std::size_t end) const;

    const FaceList& faces_;
    std::u32string characters_;
    std::vector<std::int8_t> levels_; ///< none if all characters run from left to right
    std::vector<std::uint16_t> face_of_;
    std::int8_t base_level_ = 0;
};

} // namespace coldbrick::text
