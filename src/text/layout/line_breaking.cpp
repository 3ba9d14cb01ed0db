#include "text/layout/line_breaking.hpp"

#include <algorithm>
#include <limits>

namespace coldbrick::text {

namespace {

bool is_space(char32_t character) {
    return character == U' ' || character == U'\u3000' || (character >= 0x2000 && character <= 0x200B);
}

/// The paragraphs of a text, with tabulators as spaces. Lines end at \n, \r\n, \r and the line separator.
std::vector<std::u32string> split(std::u32string_view characters) {
    std::vector<std::u32string> result(1);
    for (std::size_t i = 0; i < characters.size(); ++i) {
        const char32_t character = characters[i];
        if (character == U'\r' && i + 1 < characters.size() && characters[i + 1] == U'\n') continue;
        if (character == U'\n' || character == U'\r' || character == U'\u2028' || character == U'\u2029')
            result.emplace_back();
        else if (character == U'\t')
            result.back().append(4, U' ');
        else
            result.back().push_back(character);
    }
    return result;
}

} // namespace

/// Sets the lines of one paragraph.
class Paragraphs::LineSetter {
  public:
    /// @param width what lines have room for, if they are to be broken
    LineSetter(const Paragraph& paragraph, const FaceList& faces, const GlyphStyle& style, double spacing,
               double width)
        : paragraph_(paragraph), faces_(faces), style_(style), spacing_(spacing), width_(width),
          advances_(paragraph.characters().size()), begins_(paragraph.characters().size()),
          whole_(set(0, paragraph.characters().size())) {
        for (const SetGlyph& glyph : whole_) {
            advances_[glyph.character] += glyph.advance;
            begins_[glyph.character] = true;
        }
        if (width < std::numeric_limits<double>::infinity()) breaks_ = paragraph.breaks();
    }

    [[nodiscard]] std::size_t length() const { return advances_.size(); }

    /// A line, and where it ends.
    struct Line {
        SetLine line;
        std::size_t end;
    };

    /// The line that begins at a character: as many words as there is room for, or letters of a word that is
    /// too long, one at least.
    [[nodiscard]] Line line_from(std::size_t begin) const {
        Line result{{}, end_of_line(begin)};
        result.line = line(begin, result.end);
        // Set apart, its last letter may be wider: it stood closer to the next one.
        while (result.line.width > width_ + rounding && next_letter(begin) < result.end) {
            result.end = end_before(begin, result.end);
            result.line = line(begin, result.end);
        }
        return result;
    }

    /// A line that ends in an ellipsis, with as much text before it as there is room for.
    [[nodiscard]] SetLine cut_line(std::size_t begin) const {
        const std::u32string dots = ellipsis();
        double used = 0;
        std::size_t end = begin;
        while (end < length() && used + advances_[end] <= width_) used += advances_[end++];
        while (true) {
            end = without_spaces(begin, std::max(begin, letter_begin(end)));
            const auto direction =
                paragraph_.right_to_left() ? Direction::right_to_left : Direction::left_to_right;
            const Paragraph part(paragraph_.characters().substr(begin, end - begin) + dots, direction,
                                 faces_);
            SetLine result =
                finished(spaced(part.set(0, part.characters().size(), style_)), part.right_to_left());
            if (end == begin || result.width <= width_) return result;
            --end;
        }
    }

  private:
    static constexpr double rounding = 1e-6; ///< of sums in another order

    [[nodiscard]] std::size_t end_of_line(std::size_t begin) const {
        if (breaks_.empty()) return length();
        double used = 0;
        std::size_t last_break = begin;
        for (std::size_t i = begin; i < length(); ++i) {
            used += advances_[i];
            if (used - spacing_ > width_ + rounding && !is_space(paragraph_.characters()[i])) {
                if (last_break > begin) return last_break;
                return std::max(letter_begin(i), next_letter(begin));
            }
            if (breaks_[i] != 0) last_break = i + 1;
        }
        return length();
    }

    /// The last place before the end of a line at which it may end: behind a word, or behind a letter if
    /// there is but one.
    [[nodiscard]] std::size_t end_before(std::size_t begin, std::size_t end) const {
        for (std::size_t i = end - 1; i > begin; --i)
            if (breaks_[i - 1] != 0) return i;
        return std::max(letter_begin(end - 1), next_letter(begin));
    }

    /// A line without the spaces at its end.
    [[nodiscard]] SetLine line(std::size_t begin, std::size_t end) const {
        end = without_spaces(begin, end);
        const bool all = begin == 0 && end == length();
        return finished(all ? whole_ : set(begin, end), paragraph_.right_to_left());
    }

    [[nodiscard]] std::u32string ellipsis() const {
        return faces_.face_of(U'\u2026') != faces_.face_for_missing() ? U"\u2026" : U"...";
    }

    [[nodiscard]] std::size_t without_spaces(std::size_t begin, std::size_t end) const {
        while (end > begin && is_space(paragraph_.characters()[end - 1])) --end;
        return end;
    }

    /// The first character of what is set as one with a character; at the end, the end.
    [[nodiscard]] std::size_t letter_begin(std::size_t character) const {
        while (character > 0 && character < length() && !begins_[character]) --character;
        return character;
    }
    [[nodiscard]] std::size_t next_letter(std::size_t character) const {
        do ++character;
        while (character < length() && !begins_[character]);
        return character;
    }

    [[nodiscard]] std::vector<SetGlyph> spaced(std::vector<SetGlyph> glyphs) const {
        if (spacing_ != 0)
            for (SetGlyph& glyph : glyphs)
                if (glyph.advance != 0) glyph.advance += spacing_;
        return glyphs;
    }

    [[nodiscard]] std::vector<SetGlyph> set(std::size_t begin, std::size_t end) const {
        return spaced(paragraph_.set(begin, end, style_));
    }

    [[nodiscard]] SetLine finished(std::vector<SetGlyph> glyphs, bool right_to_left) const {
        SetLine result{std::move(glyphs), 0, right_to_left};
        for (const SetGlyph& glyph : result.glyphs) result.width += glyph.advance;
        if (!result.glyphs.empty()) result.width -= spacing_; // which is between letters only
        return result;
    }

    const Paragraph& paragraph_;
    const FaceList& faces_;
    const GlyphStyle& style_;
    double spacing_;
    double width_;
    std::vector<double> advances_; ///< of each character that glyphs begin with
    std::vector<bool> begins_;     ///< true of those
    std::vector<SetGlyph> whole_;  ///< all of them
    std::vector<char> breaks_;     ///< of each character, if lines are to be broken
};

Paragraphs::Paragraphs(std::u32string_view characters, const TextStyle& style, const FaceList& faces)
    : faces_(faces), letter_spacing_(style.letter_spacing) {
    for (std::u32string& paragraph : split(characters))
        paragraphs_.emplace_back(std::move(paragraph), style.direction, faces);
}

SetText Paragraphs::set(const GlyphStyle& style, const LineLimits& limits) const {
    SetText result;
    for (const Paragraph& paragraph : paragraphs_) {
        result.missing += paragraph.missing();
        const LineSetter setter(paragraph, faces_, style, letter_spacing_, limits.width);
        std::size_t begin = 0;
        do {
            if (result.lines.size() == limits.most_lines) { // a paragraph is left over
                result.cut = true;
                break;
            }
            LineSetter::Line next = setter.line_from(begin);
            const bool last = result.lines.size() + 1 == limits.most_lines;
            const bool more = next.end < setter.length() || &paragraph != &paragraphs_.back();
            if (last && more) {
                result.lines.push_back(setter.cut_line(begin));
                result.cut = true;
                break;
            }
            result.lines.push_back(std::move(next.line));
            begin = next.end;
        } while (begin < setter.length());
        if (result.cut) break;
    }
    std::ranges::sort(result.missing);
    result.missing.erase(std::unique(result.missing.begin(), result.missing.end()), result.missing.end());
    return result;
}

} // namespace coldbrick::text
