// The stroke face: middle lines from src/text/faces/stroke.txt, moved so that every width of stroke ends at
// the same heights and, where letters are fitted, begins on whole pixels.

#include "text/faces/built_in_faces.hpp"
#include "text/faces/character_face.hpp"
#include "text/faces/face_text.hpp"
#include "text/layout/utf8.hpp"

#include "base/contract.hpp"
#include "base/shared_state.hpp"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <map>
#include <utility>

namespace coldbrick::text {

namespace {

// The heights of the text's units.
constexpr double units_in_em = 24;
constexpr double cap_top = 0;
constexpr double small_top = 5;
constexpr double baseline = 16;
constexpr double foot = 21;
// The heights that letters have with their stroke, from the baseline.
constexpr double cap_height = 18;
constexpr double small_height = 13;
constexpr double depth = 6;
constexpr double accent_height = 23;

constexpr double usual_stroke = 2;
constexpr double gap_between_letters = 3.5;

/// A place on a stroke, or a corner that the stroke rounds off.
struct Place {
    double x;
    double y;
    bool corner;
};

using Places = std::vector<Place>;

struct StrokeGlyph {
    double width = 0;
    std::vector<Places> strokes;
};

double number_of(std::string_view& text) {
    double result = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), result);
    COLDBRICK_ASSERT(error == std::errc());
    text.remove_prefix(static_cast<std::size_t>(end - text.data()));
    return result;
}

Place place_of(std::string_view word) {
    const bool corner = word.front() == '(';
    if (corner) word.remove_prefix(1);
    const double x = number_of(word);
    word.remove_prefix(1); // the comma
    return {x, number_of(word), corner};
}

StrokeGlyph glyph_of(std::span<const std::string_view> words) {
    std::string_view width = words[1];
    StrokeGlyph result{number_of(width), {}};
    if (words.size() > 2) result.strokes.emplace_back();
    for (const std::string_view word : words.subspan(2))
        if (word == "|")
            result.strokes.emplace_back();
        else
            result.strokes.back().push_back(place_of(word));
    return result;
}

double top_of(const StrokeGlyph& glyph) {
    double result = baseline;
    for (const Places& places : glyph.strokes)
        for (const Place& place : places) result = std::min(result, place.y);
    return result;
}

void move_right(Places& places, double by) {
    for (Place& place : places) place.x += by;
}

/// A glyph with a mark over or under its middle, and wide enough for it.
StrokeGlyph composed(const StrokeGlyph& base, const StrokeGlyph& mark) {
    constexpr double overhang = 1; // on each side
    StrokeGlyph result = base;
    const double widened = std::max(0.0, (mark.width - base.width) / 2 - overhang);
    result.width += 2 * widened;
    for (Places& places : result.strokes) move_right(places, widened);
    const double right = (result.width - mark.width) / 2;
    const bool over = top_of(mark) < small_top;
    const double down = over ? std::min(0.0, top_of(base) - small_top) : 0;
    for (Places places : mark.strokes) {
        move_right(places, right);
        for (Place& place : places) place.y += down;
        result.strokes.push_back(std::move(places));
    }
    return result;
}

/// Where units come to lie at a size.
class Grid {
  public:
    explicit Grid(const GlyphStyle& style)
        : unit_(style.size / units_in_em), width_(style.stroke_width), style_(style) {
        if (width_ == 0) width_ = std::max(1.0, usual_stroke * unit_);
        if (style.edges == Edges::crisp) width_ = std::max(1.0, std::round(width_));
        const double half = width_ / 2;
        heights_ = {{{cap_top, half - whole(cap_height * unit_)},
                     {small_top, half - whole(small_height * unit_)},
                     {baseline, -half},
                     {foot, whole(depth * unit_) - half}}};
        gap_ = style.fitted ? std::max(1.0, std::round(gap_between_letters * unit_))
                            : gap_between_letters * unit_;
        left_ = style.fitted ? std::ceil(gap_ / 2) : gap_ / 2;
    }

    [[nodiscard]] double stroke_width() const { return width_; }
    [[nodiscard]] bool crisp() const { return style_.edges == Edges::crisp; }

    [[nodiscard]] double x(double units) const { return on_grid(left_ + width_ / 2 + units * unit_); }

    [[nodiscard]] double y(double units) const {
        std::size_t after = 1;
        while (after + 1 < heights_.size() && units > heights_[after].first) ++after;
        const auto& [from, from_y] = heights_[after - 1];
        const auto& [to, to_y] = heights_[after];
        if (units == to) return to_y; // where the stroke's outer edge is on whole pixels already
        if (units < from) return on_grid(from_y + (units - from) * unit_); // marks over capitals
        return on_grid(from_y + (units - from) * (to_y - from_y) / (to - from));
    }

    /// @param empty true of spaces, which have no stroke
    [[nodiscard]] double advance(double width, bool empty) const {
        if (empty) return whole((width + gap_between_letters) * unit_);
        return whole(width * unit_ + width_) + gap_;
    }

  private:
    [[nodiscard]] double whole(double length) const {
        return style_.fitted ? std::max(1.0, std::round(length)) : length;
    }

    /// The middle of a stroke whose upper or left edge is on whole pixels.
    [[nodiscard]] double on_grid(double middle) const {
        return style_.fitted ? std::round(middle - width_ / 2) + width_ / 2 : middle;
    }

    double unit_;
    double width_;
    GlyphStyle style_;
    std::array<std::pair<double, double>, 4> heights_; ///< units and where they are
    double gap_;
    double left_;
};

Position between(Position from, Position to, double part) {
    return {from.x + (to.x - from.x) * part, from.y + (to.y - from.y) * part};
}

/// Adds a quarter of an ellipse that touches the lines from its ends to a corner, as a Bezier curve: of a
/// circle's quarter, it lies within 0.03 % of the radius (M. Goldapp, "Approximation of circular arcs by
/// cubic polynomials", Computer Aided Geometric Design 8, 1991).
void add_quarter(Path& path, Position from, Position corner, Position to) {
    constexpr double part = 0.5522847498307936;
    path.cubic_to(between(from, corner, part), between(to, corner, part), to);
}

/// Adds what becomes a dot a little wider than the stroke; a crisp one is as wide.
void add_dot(Path& path, Position middle, const Grid& grid) {
    const double reach = grid.crisp() ? 0 : grid.stroke_width() / 8;
    path.move_to({middle.x - reach, middle.y - reach}).line_to({middle.x + reach, middle.y - reach});
    path.line_to({middle.x + reach, middle.y + reach}).line_to({middle.x - reach, middle.y + reach}).close();
}

void add_stroke(Path& path, const Places& places, const Grid& grid) {
    // Pixel (0, 0) has the origin at its corner, and its centre at position (0, 0).
    const auto position = [&](const Place& place) {
        return Position{grid.x(place.x) - 0.5, grid.y(place.y) - 0.5};
    };
    const Position start = position(places.front());
    if (places.size() == 1) return add_dot(path, start, grid);
    path.move_to(start);
    Position from = start;
    for (std::size_t i = 1; i < places.size(); ++i) {
        if (places[i].corner) {
            const Position to = position(places[i + 1]);
            add_quarter(path, from, position(places[i]), to);
            from = to;
            ++i;
        } else {
            path.line_to(from = position(places[i]));
        }
    }
    if (places.size() > 2 && from == start) path.close();
}

class StrokeFace final : public CharacterFace<StrokeGlyph> {
  public:
    StrokeFace() : CharacterFace("stroke") {
        for (const std::string_view line : lines_of(stroke_face_text)) read(words_of(line));
        for (const Composition& one : compositions_)
            add(glyph_number(one.character),
                composed(*find(glyph_number(one.base)), marks_.at(std::string(one.mark))));
    }

    [[nodiscard]] LineMetrics metrics(const GlyphStyle& style) const override {
        const double unit = style.size / units_in_em;
        LineMetrics result{accent_height * unit, depth * unit, 0, cap_height * unit};
        if (!style.fitted) return result;
        for (double* height : {&result.ascent, &result.descent, &result.cap_height})
            *height = std::max(1.0, std::round(*height));
        return result;
    }

    [[nodiscard]] bool on_whole_columns(const GlyphStyle& style) const override { return style.fitted; }

    [[nodiscard]] GlyphShape outline(std::uint32_t number, const GlyphStyle& style) const override {
        const Grid grid(style);
        GlyphShape result{{}, grid.stroke_width()};
        for (const Places& places : glyph(number).strokes) add_stroke(result.path, places, grid);
        return result;
    }

  private:
    [[nodiscard]] double advance(const StrokeGlyph& glyph, const GlyphStyle& style) const override {
        return Grid(style).advance(glyph.width, glyph.strokes.empty());
    }

    [[nodiscard]] double closer(std::uint32_t left, std::uint32_t right,
                                const GlyphStyle& style) const override {
        const auto found = closer_.find({left, right});
        if (found == closer_.end()) return 0;
        const double pixels = found->second * style.size / units_in_em;
        return style.fitted ? std::round(pixels) : pixels;
    }

    void read_pairs(std::span<const std::string_view> words) {
        std::string_view units = words[3];
        const double by = number_of(units);
        for (const char32_t left : decode_utf8(words[1]).characters)
            for (const char32_t right : decode_utf8(words[2]).characters)
                closer_.insert_or_assign({left, right}, by);
    }

    void read(std::span<const std::string_view> words) {
        if (words.empty()) return;
        if (words[0] == "closer") return read_pairs(words);
        if (const auto composition = composition_of(words)) {
            compositions_.push_back(*composition);
        } else if (std::ranges::find(mark_names, words[0]) != mark_names.end()) {
            marks_.emplace(words[0], glyph_of(words));
        } else {
            add(glyph_number(words[0]), glyph_of(words));
        }
    }

    std::vector<Composition> compositions_;
    std::map<std::string, StrokeGlyph> marks_;
    std::map<std::pair<std::uint32_t, std::uint32_t>, double> closer_; ///< in units, by left and right glyph
};

} // namespace

detail::SharedState<Letterforms> make_stroke_face() {
    return base::share<Letterforms, StrokeFace>();
}

} // namespace coldbrick::text
