/// @file
/// A text's lines, each with its glyphs.
#pragma once

#include "text/layout/paragraph.hpp"

#include <coldbrick/text_style.hpp>

#include <cstddef>
#include <string>
#include <vector>

namespace coldbrick::text {

struct SetLine {
    std::vector<SetGlyph> glyphs;
    double width = 0; ///< without spaces at its end
    bool right_to_left = false;
};

struct SetText {
    std::vector<SetLine> lines;
    bool cut = false;       ///< true if an ellipsis stands for more
    std::u32string missing; ///< each once
};

/// What lines may come to.
struct LineLimits {
    double width; ///< infinite if there is none
    std::size_t most_lines;
};

/// A text's paragraphs, which can be set at several sizes.
class Paragraphs {
  public:
    /// @param faces outlive this
    Paragraphs(std::u32string_view characters, const TextStyle& style, const FaceList& faces);

    [[nodiscard]] SetText set(const GlyphStyle& style, const LineLimits& limits) const;

  private:
    class LineSetter;

    std::vector<Paragraph> paragraphs_;
    const FaceList& faces_;
    double letter_spacing_;
};

} // namespace coldbrick::text
