#include "fonts/font_face.hpp"

#include "base/shared_state.hpp"

#include <coldbrick/transform.hpp>

#include <algorithm>
#include <cmath>
#include <utility>

#include FT_OUTLINE_H
#include FT_TRUETYPE_TABLES_H

namespace coldbrick::fonts {

namespace {

/// True of contours whose positions all lie on one line: fonts hold marks like these, which are no part of a
/// letter, but would show when it is outlined.
bool is_flat(const Contour& contour) {
    Position furthest = contour.start;
    const auto for_each_position = [&contour](const auto& visit) {
        for (const PathPiece& piece : contour.pieces) {
            if (const auto* const line = std::get_if<PathLine>(&piece)) visit(line->to);
            if (const auto* const curve = std::get_if<PathQuadratic>(&piece))
                for (const Position& at : {curve->control, curve->to}) visit(at);
            if (const auto* const curve = std::get_if<PathCubic>(&piece))
                for (const Position& at : {curve->first_control, curve->second_control, curve->to}) visit(at);
        }
    };
    for_each_position([&](const Position& at) {
        if (furthest == contour.start) furthest = at;
    });
    bool result = true;
    for_each_position([&](const Position& at) {
        const double across = (furthest.x - contour.start.x) * (at.y - contour.start.y) -
                              (furthest.y - contour.start.y) * (at.x - contour.start.x);
        result = result && across == 0;
    });
    return result;
}

/// Puts the library's outline into a path, with y downwards.
class OutlineReader {
    static constexpr int shift = 6; ///< so that the middle between two points is not rounded
    static constexpr double parts_of_unit = 1 << shift;

  public:
    static Path read(FT_Outline& outline) {
        OutlineReader reader;
        const FT_Outline_Funcs functions{move_to, line_to, conic_to, cubic_to, shift, 0};
        if (FT_Outline_Decompose(&outline, &functions, &reader) != 0) return {};
        Path path;
        for (const Contour& contour : reader.path_.contours()) {
            if (is_flat(contour)) continue;
            path.move_to(contour.start);
            for (const PathPiece& piece : contour.pieces) path.add(piece);
            path.close();
        }
        // Those of other files turn the other way: letters that overlap must not cancel each other.
        return FT_Outline_Get_Orientation(&outline) == FT_ORIENTATION_POSTSCRIPT ? path.reversed() : path;
    }

  private:
    static Path& path_of(void* reader) { return static_cast<OutlineReader*>(reader)->path_; }
    static Position position(const FT_Vector* at) {
        return {static_cast<double>(at->x) / parts_of_unit, -static_cast<double>(at->y) / parts_of_unit};
    }

    static int move_to(const FT_Vector* to, void* reader) {
        path_of(reader).move_to(position(to));
        return 0;
    }
    static int line_to(const FT_Vector* to, void* reader) {
        path_of(reader).line_to(position(to));
        return 0;
    }
    static int conic_to(const FT_Vector* control, const FT_Vector* to, void* reader) {
        path_of(reader).quadratic_to(position(control), position(to));
        return 0;
    }
    static int cubic_to(const FT_Vector* first, const FT_Vector* second, const FT_Vector* to, void* reader) {
        path_of(reader).cubic_to(position(first), position(second), position(to));
        return 0;
    }

    Path path_;
};

/// The script that a run's characters from a place on belong to, and where the next one begins. Characters of
/// no script of their own go with what is before them, or after them at the beginning.
std::pair<hb_script_t, std::size_t> script_run(std::u32string_view run, std::size_t begin) {
    hb_script_t script = HB_SCRIPT_COMMON;
    std::size_t end = begin;
    for (; end < run.size(); ++end) {
        const hb_script_t own = hb_unicode_script(hb_unicode_funcs_get_default(), run[end]);
        if (own == HB_SCRIPT_COMMON || own == HB_SCRIPT_INHERITED || own == HB_SCRIPT_UNKNOWN ||
            own == script)
            continue;
        if (script != HB_SCRIPT_COMMON) break;
        script = own;
    }
    return {script, end};
}

class FontFace final : public text::Letterforms {
  public:
    explicit FontFace(std::unique_ptr<const Font> font) : font_(std::move(font)) { find_metrics(); }

    [[nodiscard]] std::string_view name() const override { return font_->name(); }

    [[nodiscard]] bool has(char32_t character) const override {
        hb_codepoint_t glyph = 0;
        return hb_font_get_nominal_glyph(font_->shaper(), character, &glyph) != 0 && glyph != 0;
    }

    [[nodiscard]] text::LineMetrics metrics(const text::GlyphStyle& style) const override {
        return {metrics_.ascent * style.size, metrics_.descent * style.size, metrics_.gap * style.size,
                metrics_.cap_height * style.size};
    }

    [[nodiscard]] bool on_whole_columns(const text::GlyphStyle&) const override { return false; }

    [[nodiscard]] std::vector<text::ShapedGlyph> shape(std::u32string_view run, bool right_to_left,
                                                       const text::GlyphStyle& style) const override {
        std::vector<std::vector<text::ShapedGlyph>> pieces;
        for (std::size_t begin = 0; begin < run.size();) {
            const auto [script, end] = script_run(run, begin);
            pieces.push_back(shape(run, begin, end, script, right_to_left, style));
            begin = end;
        }
        if (right_to_left) std::ranges::reverse(pieces);
        std::vector<text::ShapedGlyph> result;
        for (const auto& piece : pieces) result.insert(result.end(), piece.begin(), piece.end());
        return result;
    }

    [[nodiscard]] text::GlyphShape outline(std::uint32_t glyph,
                                           const text::GlyphStyle& style) const override {
        using Outline = text::GlyphCache::Outline;
        const text::GlyphKey key{.glyph = glyph, .outline = 1};
        const Outline units =
            cache().get<Outline>(key, [&] { return base::share<Path>(outline_in_units(glyph)); });
        const double scale = style.size / font_->units_per_em();
        // Pixel (0, 0) has the origin at its corner, and its centre at position (0, 0).
        return {units->transformed(Transform::scale(scale, scale).then(Transform::move(-0.5, -0.5)))};
    }

  private:
    [[nodiscard]] std::vector<text::ShapedGlyph> shape(std::u32string_view run, std::size_t begin,
                                                       std::size_t end, hb_script_t script,
                                                       bool right_to_left,
                                                       const text::GlyphStyle& style) const {
        const Owned<hb_buffer_t> buffer(hb_buffer_create());
        hb_buffer_add_utf32(buffer.get(), reinterpret_cast<const std::uint32_t*>(run.data()),
                            static_cast<int>(run.size()), static_cast<unsigned>(begin),
                            static_cast<int>(end - begin));
        hb_buffer_set_direction(buffer.get(), right_to_left ? HB_DIRECTION_RTL : HB_DIRECTION_LTR);
        hb_buffer_set_script(buffer.get(), script);
        hb_buffer_set_language(buffer.get(), hb_language_from_string("und", -1));
        const hb_feature_t apart[] = {{HB_TAG('l', 'i', 'g', 'a'), 0, 0, HB_FEATURE_GLOBAL_END},
                                      {HB_TAG('c', 'l', 'i', 'g'), 0, 0, HB_FEATURE_GLOBAL_END}};
        hb_shape(font_->shaper(), buffer.get(), apart, style.spaced ? 2 : 0);
        unsigned count = 0;
        const hb_glyph_info_t* const infos = hb_buffer_get_glyph_infos(buffer.get(), &count);
        const hb_glyph_position_t* const positions = hb_buffer_get_glyph_positions(buffer.get(), &count);
        const double scale = style.size / (font_->units_per_em() * Font::parts_of_unit);
        std::vector<text::ShapedGlyph> result;
        result.reserve(count);
        for (unsigned i = 0; i < count; ++i)
            result.push_back({infos[i].codepoint, infos[i].cluster,
                              within_em(positions[i].x_advance * scale, style),
                              within_em(positions[i].x_offset * scale, style),
                              within_em(-positions[i].y_offset * scale, style)});
        return result;
    }

    /// Damaged fonts may ask for any distance.
    static double within_em(double distance, const text::GlyphStyle& style) {
        constexpr double most = 64;
        return std::clamp(distance, -most * style.size, most * style.size);
    }

    /// The outline of a glyph; none of one that is damaged.
    [[nodiscard]] Path outline_in_units(std::uint32_t glyph) const {
        const Path path = font_->with_face([&](FT_Face face) -> Path {
            constexpr FT_Int32 bare = FT_LOAD_NO_SCALE | FT_LOAD_NO_HINTING | FT_LOAD_NO_BITMAP;
            if (FT_Load_Glyph(face, glyph, bare) != 0 || face->glyph->format != FT_GLYPH_FORMAT_OUTLINE)
                return {};
            return OutlineReader::read(face->glyph->outline);
        });
        return is_plausible(path) ? path : Path();
    }

    /// False of outlines that only a damaged font has: its letters would fill whole pictures at small sizes.
    [[nodiscard]] bool is_plausible(const Path& path) const {
        constexpr double furthest = 32; // in ems; the longest ligatures have about 12
        constexpr double largest = 48;  // in squares of an em
        const double em = font_->units_per_em();
        const Box bounds = path.bounds();
        const auto reach =
            static_cast<double>(std::max({-bounds.x, -bounds.y, bounds.end_x(), bounds.end_y()}));
        return reach <= furthest * em &&
               static_cast<double>(bounds.width) * static_cast<double>(bounds.height) <= largest * em * em;
    }

    /// In parts of the em, kept to what a sound font may have.
    void find_metrics() {
        const double em = font_->units_per_em();
        font_->with_face([&](FT_Face face) {
            metrics_ = {face->ascender / em, -face->descender / em,
                        (face->height - face->ascender + face->descender) / em, 0};
            const auto* const table = static_cast<const TT_OS2*>(FT_Get_Sfnt_Table(face, FT_SFNT_OS2));
            if (table != nullptr && table->version != 0xFFFF && table->version >= 2)
                metrics_.cap_height = table->sCapHeight / em;
        });
        if (metrics_.cap_height <= 0) metrics_.cap_height = height_of(U'H') / em;
        if (metrics_.cap_height <= 0) metrics_.cap_height = 0.7;
        if (metrics_.ascent + metrics_.descent <= 0) metrics_ = {0.8, 0.2, 0, metrics_.cap_height};
        metrics_.ascent = std::clamp(metrics_.ascent, 0.1, 8.0);
        metrics_.descent = std::clamp(metrics_.descent, 0.0, 8.0);
        metrics_.gap = std::clamp(metrics_.gap, 0.0, 8.0);
        metrics_.cap_height = std::clamp(metrics_.cap_height, 0.1, 8.0);
    }

    [[nodiscard]] double height_of(char32_t character) const {
        hb_codepoint_t glyph = 0;
        if (hb_font_get_nominal_glyph(font_->shaper(), character, &glyph) == 0) return 0;
        return -static_cast<double>(outline_in_units(glyph).bounds().y);
    }

    std::unique_ptr<const Font> font_;
    text::LineMetrics metrics_;
};

} // namespace

detail::SharedState<text::Letterforms> make_font_face(std::unique_ptr<const Font> font) {
    return base::share<text::Letterforms, FontFace>(std::move(font));
}

} // namespace coldbrick::fonts
