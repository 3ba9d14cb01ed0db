#include "text/faces/glyph_masks.hpp"

#include "base/shared_state.hpp"
#include "text/faces/letter_paths.hpp"

#include <coldbrick/image.hpp>
#include <coldbrick/measure.hpp>

#include <algorithm>
#include <cmath>
#include <map>

namespace coldbrick::text {

namespace {

GlyphCache::Mask mask_of(const LetterPaths& letters, Edges edges, double grown) {
    GlyphMask result;
    const auto bare = extent_of(letters);
    if (!bare) return base::share<GlyphMask>(std::move(result));
    const geometry::Extent extent = bare->grown(grown);
    result.left = extent.left;
    result.top = extent.top;
    result.right = extent.right;
    result.bottom = extent.bottom;
    // A crisp stroke's pixels may be a little further than its edge.
    const auto x = static_cast<std::int32_t>(std::floor(extent.left)) - 1;
    const auto y = static_cast<std::int32_t>(std::floor(extent.top)) - 1;
    Image image({static_cast<std::int32_t>(std::ceil(extent.right)) + 2 - x,
                 static_cast<std::int32_t>(std::ceil(extent.bottom)) + 2 - y},
                PixelFormat::gray8);
    paint_coverage(image, moved(letters, -x, -y), edges, grown);
    const Box covered = extent_of_content(image, Colour(0, 0, 0));
    result.box = covered.empty() ? covered : covered.moved(x, y);
    result.coverages.reserve(static_cast<std::size_t>(covered.width * covered.height));
    for (std::int64_t row = covered.y; row < covered.end_y(); ++row) {
        const auto bytes = image.view().row(static_cast<std::int32_t>(row));
        const auto* first = reinterpret_cast<const std::uint8_t*>(bytes.data()) + covered.x;
        result.coverages.insert(result.coverages.end(), first, first + covered.width);
    }
    return base::share<GlyphMask>(std::move(result));
}

GlyphKey key_of(std::uint32_t glyph, const GlyphStyle& style) {
    return {.glyph = glyph,
            .size = style.size,
            .stroke_width = style.stroke_width,
            .crisp = style.edges == Edges::crisp ? std::uint8_t{1} : std::uint8_t{0},
            .fitted = style.fitted ? std::uint8_t{1} : std::uint8_t{0}};
}

/// Puts the letters of level texts onto masks.
class MaskSetter {
  public:
    MaskSetter(const Layout& layout, double grown) : layout_(layout), grown_(grown) {}

    std::vector<PlacedMask> masks() {
        place_all();
        join_overlapping();
        std::vector<std::size_t> sizes(letters_.size());
        for (std::size_t i = 0; i < letters_.size(); ++i) ++sizes[first_of(i)];
        std::map<std::size_t, std::vector<std::size_t>> groups; // of more than one letter
        std::vector<PlacedMask> result;
        for (std::size_t i = 0; i < letters_.size(); ++i)
            if (sizes[first_of(i)] > 1)
                groups[first_of(i)].push_back(i);
            else if (!letters_[i].empty())
                result.push_back(letters_[i].placed);
        for (const auto& [first, group] : groups) add(group, result);
        return result;
    }

  private:
    // Overlapping letters that fill a larger box than this, or are more, are not joined: they add up. So do
    // those that reach over more than so many others. Only texts that are made to be a burden have such.
    static constexpr double largest_joined_area = 1 << 26;
    static constexpr std::size_t most_joined = 256;
    static constexpr std::size_t most_reaching = 64;

    struct Letter {
        PlacedMask placed;
        double phase; ///< of its origin, in the column
        std::size_t parent;
        [[nodiscard]] bool empty() const { return placed.mask->box.empty(); }
        [[nodiscard]] double left() const { return static_cast<double>(placed.x) + placed.mask->left; }
        [[nodiscard]] double right() const { return static_cast<double>(placed.x) + placed.mask->right; }
        [[nodiscard]] double top() const { return static_cast<double>(placed.y) + placed.mask->top; }
        [[nodiscard]] double bottom() const { return static_cast<double>(placed.y) + placed.mask->bottom; }
    };

    void place_all() {
        letters_.reserve(layout_.glyphs.size());
        for (const PlacedGlyph& glyph : layout_.glyphs) {
            const Position at = layout_.drawn_at(glyph);
            const double column = std::floor(at.x);
            const double phase = at.x - column;
            GlyphKey key = key_of(glyph.glyph, layout_.glyph_style);
            key.phase = static_cast<std::uint8_t>(phase * column_phases);
            key.grown = grown_;
            auto mask = layout_.faces.at(glyph.face).cache().get<GlyphCache::Mask>(key, [&] {
                return mask_of(letter(glyph, phase, 0), layout_.glyph_style.edges, grown_);
            });
            letters_.push_back(
                {{std::move(mask), static_cast<std::int64_t>(column), static_cast<std::int64_t>(at.y)},
                 phase,
                 letters_.size()});
        }
    }

    /// A letter that stands alone, with its origin at a place.
    [[nodiscard]] LetterPaths letter(const PlacedGlyph& glyph, double x, double y) const {
        LetterPaths result;
        text::add(result, layout_.faces.at(glyph.face).outline(glyph.glyph, layout_.glyph_style),
                  Transform::move(x, y));
        return result;
    }

    std::size_t first_of(std::size_t i) {
        while (letters_[i].parent != i) i = letters_[i].parent = letters_[letters_[i].parent].parent;
        return i;
    }

    /// The letters and rows of a line.
    struct LineReach {
        std::size_t begin;
        std::size_t end;
        double top = std::numeric_limits<double>::infinity();
        double bottom = -top;
    };

    [[nodiscard]] std::vector<LineReach> lines() const {
        std::vector<LineReach> result;
        std::size_t begin = 0;
        for (const std::size_t end : layout_.line_ends) {
            LineReach line{begin, end};
            for (std::size_t i = begin; i < end; ++i) {
                if (letters_[i].empty()) continue;
                line.top = std::min(line.top, letters_[i].top());
                line.bottom = std::max(line.bottom, letters_[i].bottom());
            }
            result.push_back(line);
            begin = end;
        }
        return result;
    }

    void join_overlapping() {
        const std::vector<LineReach> all = lines();
        for (std::size_t i = 0; i < all.size(); ++i) {
            join_overlapping(all[i], {});
            for (std::size_t j = i + 1; j < all.size() && all[j].top < all[i].bottom; ++j)
                join_overlapping(all[i], all[j]);
        }
    }

    /// Compares letters of two lines from left to right, each with those to its left that reach so far.
    void join_overlapping(const LineReach& line, const LineReach& other) {
        std::vector<std::size_t> order;
        for (const LineReach* one : {&line, &other})
            for (std::size_t i = one->begin; i < one->end; ++i)
                if (!letters_[i].empty()) order.push_back(i);
        std::ranges::sort(order, {}, [&](std::size_t i) { return letters_[i].left(); });
        std::vector<std::size_t> reaching;
        for (const std::size_t i : order) {
            const Letter& letter = letters_[i];
            std::erase_if(reaching, [&](std::size_t j) { return letters_[j].right() <= letter.left(); });
            for (const std::size_t j : reaching)
                if (letter.top() < letters_[j].bottom() && letters_[j].top() < letter.bottom())
                    letters_[first_of(i)].parent = first_of(j);
            if (reaching.size() == most_reaching) reaching.erase(reaching.begin());
            reaching.push_back(i);
        }
    }

    /// Adds letters that overlap, as one.
    void add(const std::vector<std::size_t>& group, std::vector<PlacedMask>& masks) const {
        if (group.size() <= most_joined && area_of(group) <= largest_joined_area) {
            masks.push_back(joined(group));
            return;
        }
        for (const std::size_t i : group)
            if (!letters_[i].empty()) masks.push_back(letters_[i].placed);
    }

    [[nodiscard]] double area_of(const std::vector<std::size_t>& group) const {
        const Letter& first = letters_[group.front()];
        geometry::Extent extent{first.left(), first.top(), first.right(), first.bottom()};
        for (const std::size_t i : group) {
            extent.include({letters_[i].left(), letters_[i].top()});
            extent.include({letters_[i].right(), letters_[i].bottom()});
        }
        return (extent.right - extent.left) * (extent.bottom - extent.top);
    }

    [[nodiscard]] PlacedMask joined(const std::vector<std::size_t>& group) const {
        const PlacedMask& first = letters_[group.front()].placed;
        LetterPaths all;
        for (const std::size_t i : group) {
            const Letter& one = letters_[i];
            append(all, letter(layout_.glyphs[i], static_cast<double>(one.placed.x - first.x) + one.phase,
                               static_cast<double>(one.placed.y - first.y)));
        }
        return {mask_of(all, layout_.glyph_style.edges, grown_), first.x, first.y};
    }

    const Layout& layout_;
    double grown_;
    std::vector<Letter> letters_;
};

} // namespace

std::vector<PlacedMask> glyph_masks(const Layout& layout, double grown) {
    return MaskSetter(layout, grown).masks();
}

} // namespace coldbrick::text
