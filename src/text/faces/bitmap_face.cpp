// The bitmap face: pixels from src/text/faces/bitmap.txt, as boxes of a ninth of the size.

#include "text/faces/built_in_faces.hpp"
#include "text/faces/character_face.hpp"
#include "text/faces/face_text.hpp"

#include "base/shared_state.hpp"

#include <algorithm>
#include <optional>

namespace coldbrick::text {

namespace {

constexpr double pixels_in_em = 9;
constexpr int baseline_row = 7; ///< the first row below it
constexpr int small_row = 2;    ///< the first one of small letters
constexpr int cap_rows = 7;
constexpr int depth_rows = 2;
constexpr int accent_rows = 10;

/// Pixels of a row that lie side by side.
struct PixelRun {
    int row;
    int begin;
    int end;
};

struct PixelGlyph {
    int width = 0;
    std::vector<PixelRun> runs;
};

void add_row(PixelGlyph& glyph, int row, std::string_view pixels) {
    glyph.width = static_cast<int>(pixels.size());
    for (std::size_t i = pixels.find('#'); i < pixels.size(); i = pixels.find('#', i)) {
        const std::size_t end = std::min(pixels.find('.', i), pixels.size());
        glyph.runs.push_back({row, static_cast<int>(i), static_cast<int>(end)});
        i = end;
    }
}

int top_of(const PixelGlyph& glyph) {
    int result = baseline_row;
    for (const PixelRun& run : glyph.runs) result = std::min(result, run.row);
    return result;
}

/// A glyph with a mark over or under its middle; a free row is between what is over a letter and the letter.
PixelGlyph composed(const PixelGlyph& base, const PixelGlyph& mark) {
    PixelGlyph result = base;
    const int right = (base.width - mark.width + 1) / 2;
    const bool over = top_of(mark) < small_row;
    const int down = over ? std::min(top_of(base), small_row) - small_row - 1 : 0;
    for (const PixelRun& run : mark.runs)
        result.runs.push_back({run.row + down, run.begin + right, run.end + right});
    const auto left = std::ranges::min_element(result.runs, {}, &PixelRun::begin)->begin;
    for (PixelRun& run : result.runs) {
        run.begin -= std::min(left, 0);
        run.end -= std::min(left, 0);
        result.width = std::max(result.width, run.end);
    }
    return result;
}

class BitmapFace final : public CharacterFace<PixelGlyph> {
  public:
    BitmapFace() : CharacterFace("bitmap") {
        std::map<std::string, PixelGlyph> marks;
        std::vector<Composition> compositions;
        std::vector<std::string_view> names;
        bool are_marks = false;
        std::vector<PixelGlyph> block;
        int row = 0;
        const auto end_block = [&] {
            for (std::size_t i = 0; i < names.size(); ++i)
                if (are_marks)
                    marks.emplace(names[i], std::move(block[i]));
                else
                    add(glyph_number(names[i]), std::move(block[i]));
            names.clear();
        };
        for (const std::string_view line : lines_of(bitmap_face_text)) {
            const auto words = words_of(line);
            if (words.empty()) {
                end_block();
            } else if (words[0] == "glyphs" || words[0] == "marks") {
                are_marks = words[0] == "marks";
                names.assign(words.begin() + 1, words.end());
                block.assign(names.size(), {});
                row = 0;
            } else if (const auto composition = composition_of(words)) {
                compositions.push_back(*composition);
            } else {
                for (std::size_t i = 0; i < names.size(); ++i) add_row(block[i], row, words.at(i));
                ++row;
            }
        }
        end_block();
        for (const Composition& one : compositions)
            add(glyph_number(one.character),
                composed(glyph(glyph_number(one.base)), marks.at(std::string(one.mark))));
    }

    [[nodiscard]] LineMetrics metrics(const GlyphStyle& style) const override {
        const double pixel = style.size / pixels_in_em;
        return {accent_rows * pixel, depth_rows * pixel, 0, cap_rows * pixel};
    }

    [[nodiscard]] bool on_whole_columns(const GlyphStyle& style) const override { return style.fitted; }

    [[nodiscard]] GlyphShape outline(std::uint32_t number, const GlyphStyle& style) const override {
        const double pixel = style.size / pixels_in_em;
        GlyphShape result;
        for (const PixelRun& run : glyph(number).runs) {
            const double left = run.begin * pixel - 0.5;
            const double right = run.end * pixel - 0.5;
            const double top = (run.row - baseline_row) * pixel - 0.5;
            const double bottom = (run.row + 1 - baseline_row) * pixel - 0.5;
            result.path.move_to({left, top})
                .line_to({right, top})
                .line_to({right, bottom})
                .line_to({left, bottom});
            result.path.close();
        }
        return result;
    }

  private:
    [[nodiscard]] double advance(const PixelGlyph& glyph, const GlyphStyle& style) const override {
        return (glyph.width + 1) * style.size / pixels_in_em;
    }
};

} // namespace

detail::SharedState<Letterforms> make_bitmap_face() {
    return base::share<Letterforms, BitmapFace>();
}

} // namespace coldbrick::text
