#include "text/ink.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/draw.hpp>

#include <algorithm>
#include <cmath>
#include <map>
#include <span>

namespace coldbrick::text {

namespace {

const Colour white(255, 255, 255);

/// Of all letters of a text that is painted from their outlines.
constexpr std::size_t most_lines = std::size_t{1} << 26;

Fill whole_letters(Edges edges) {
    return {.paint = white, .rule = FillRule::non_zero, .extent = FillExtent::tiling, .edges = edges};
}

Stroke round_stroke(double width, Edges edges) {
    return {.paint = white, .width = width, .cap = Cap::round, .join = Join::round, .edges = edges};
}

/// Bounds of positions.
struct Extent {
    double left = std::numeric_limits<double>::infinity();
    double top = left;
    double right = -left;
    double bottom = right;

    void add(Position position) {
        left = std::min(left, position.x);
        top = std::min(top, position.y);
        right = std::max(right, position.x);
        bottom = std::max(bottom, position.y);
    }
    void grow(double by) {
        left -= by;
        top -= by;
        right += by;
        bottom += by;
    }
    [[nodiscard]] bool empty() const { return left > right; }
};

struct AddPiece {
    Extent& extent;

    void operator()(const PathLine& piece) const { extent.add(piece.to); }
    void operator()(const PathQuadratic& piece) const {
        extent.add(piece.control);
        extent.add(piece.to);
    }
    void operator()(const PathCubic& piece) const {
        extent.add(piece.first_control);
        extent.add(piece.second_control);
        extent.add(piece.to);
    }
    void operator()(const PathArc& piece) const { // which no face has
        const double reach =
            std::hypot(piece.across.x, piece.across.y) + std::hypot(piece.down.x, piece.down.y);
        extent.add({piece.centre.x - reach, piece.centre.y - reach});
        extent.add({piece.centre.x + reach, piece.centre.y + reach});
    }
};

/// Bounds that the control points of curves are inside.
void add(const Path& path, Extent& extent) {
    for (const Contour& contour : path.contours()) {
        extent.add(contour.start);
        for (const PathPiece& piece : contour.pieces) std::visit(AddPiece{extent}, piece);
    }
}

Extent extent_of(const LetterPaths& letters) {
    Extent result;
    add(letters.middle_lines, result);
    if (!result.empty()) result.grow(letters.stroke_width / 2);
    add(letters.outlines, result);
    return result;
}

void add(LetterPaths& letters, const GlyphShape& shape, const Transform& transform) {
    const Path path = shape.path.transformed(transform);
    if (shape.stroke_width > 0) {
        letters.middle_lines.append(path);
        letters.stroke_width = shape.stroke_width;
    } else {
        letters.outlines.append(path);
    }
}

void append(LetterPaths& letters, const LetterPaths& more) {
    letters.outlines.append(more.outlines);
    letters.middle_lines.append(more.middle_lines);
    if (!more.middle_lines.empty()) letters.stroke_width = more.stroke_width;
}

/// The rows and columns of an image that are not all black; empty if all are.
Box covered_box(const Image& image) {
    Box result;
    for (std::int32_t y = 0; y < image.height(); ++y) {
        const auto row = image.view().row(y);
        const auto bare = [](std::byte one) { return one == std::byte{}; };
        const auto first = std::find_if_not(row.begin(), row.end(), bare);
        const auto end = std::find_if_not(row.rbegin(), std::reverse_iterator(first), bare).base();
        result = result.united({first - row.begin(), y, end - first, 1});
    }
    return result;
}

/// Paints letters in white, grown on all sides. @param view of the format gray8
void paint_coverage(const ImageView& view, const LetterPaths& letters, Edges edges, double grown) {
    draw(view, letters.middle_lines, round_stroke(letters.stroke_width + 2 * grown, edges));
    if (grown > 0) draw(view, letters.outlines, round_stroke(2 * grown, edges));
    draw(view, letters.outlines, whole_letters(edges));
}

GlyphCache::Mask mask_of(const LetterPaths& letters, Edges edges, double grown) {
    auto result = std::make_shared<GlyphMask>();
    Extent extent = extent_of(letters);
    if (extent.empty()) return result;
    extent.grow(grown);
    result->left = extent.left;
    result->top = extent.top;
    result->right = extent.right;
    result->bottom = extent.bottom;
    // A crisp stroke's pixels may be a little further than its edge.
    const auto x = static_cast<std::int32_t>(std::floor(extent.left)) - 1;
    const auto y = static_cast<std::int32_t>(std::floor(extent.top)) - 1;
    Image image({static_cast<std::int32_t>(std::ceil(extent.right)) + 2 - x,
                 static_cast<std::int32_t>(std::ceil(extent.bottom)) + 2 - y},
                PixelFormat::gray8);
    LetterPaths moved = letters;
    moved.outlines = letters.outlines.moved(-x, -y);
    moved.middle_lines = letters.middle_lines.moved(-x, -y);
    paint_coverage(image, moved, edges, grown);
    const Box covered = covered_box(image);
    result->box = covered.empty() ? covered : covered.moved(x, y);
    result->coverages.reserve(static_cast<std::size_t>(covered.width * covered.height));
    for (std::int64_t row = covered.y; row < covered.end_y(); ++row) {
        const auto bytes = image.view().row(static_cast<std::int32_t>(row));
        const auto* first = reinterpret_cast<const std::uint8_t*>(bytes.data()) + covered.x;
        result->coverages.insert(result->coverages.end(), first, first + covered.width);
    }
    return result;
}

GlyphKey key_of(std::uint32_t glyph, const GlyphStyle& style) {
    return {.glyph = glyph,
            .size = static_cast<float>(style.size),
            .stroke_width = static_cast<float>(style.stroke_width),
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
    /// Quarters of a pixel.
    static constexpr double phases = 4;
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
            const Letterforms& face = layout_.faces.at(glyph.face);
            const bool whole =
                layout_.glyph_style.edges == Edges::crisp || face.on_whole_columns(layout_.glyph_style);
            const double x = whole ? std::floor(glyph.x + 0.5) : std::floor(glyph.x * phases + 0.5) / phases;
            const double phase = x - std::floor(x);
            GlyphKey key = key_of(glyph.glyph, layout_.glyph_style);
            key.phase = static_cast<std::uint8_t>(phase * phases);
            key.grown = static_cast<float>(grown_);
            auto mask = face.cache().get<GlyphCache::Mask>(
                key, [&] { return mask_of(letter(glyph, phase, 0), layout_.glyph_style.edges, grown_); });
            letters_.push_back({{std::move(mask), static_cast<std::int64_t>(std::floor(x)),
                                 static_cast<std::int64_t>(std::floor(glyph.y + 0.5))},
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
        Extent extent;
        for (const std::size_t i : group) {
            extent.add({letters_[i].left(), letters_[i].top()});
            extent.add({letters_[i].right(), letters_[i].bottom()});
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

/// Adds what a mask covers, which an image shows a part of.
/// @param shown the box that the image shows
void add_mask(const PlacedMask& placed, Image& image, const Box& shown) {
    const Box& box = placed.mask->box;
    const auto x = placed.x + box.x - shown.x;
    const auto y = placed.y + box.y - shown.y;
    const auto left = std::max<std::int64_t>(x, 0);
    const auto right = std::min<std::int64_t>(x + box.width, image.width());
    const auto bottom = std::min<std::int64_t>(y + box.height, image.height());
    if (left >= right) return;
    for (auto row = std::max<std::int64_t>(y, 0); row < bottom; ++row) {
        const std::uint8_t* from = placed.mask->coverages.data() + (row - y) * box.width + (left - x);
        auto* to =
            reinterpret_cast<std::uint8_t*>(image.view().row(static_cast<std::int32_t>(row)).data()) + left;
        for (auto i = right - left; i > 0; --i, ++from, ++to)
            *to = static_cast<std::uint8_t>(std::min(255, *from + *to));
    }
}

/// A letter as a path, turned as the text is.
LetterPaths turned_letter(const Layout& layout, const PlacedGlyph& glyph) {
    LetterPaths result;
    add(result, layout.faces.at(glyph.face).outline(glyph.glyph, layout.glyph_style),
        Transform::move(glyph.x, glyph.y).then(Transform::turn(layout.style.turn)));
    return result;
}

/// The pixels that a letter may have, and some more.
Box reach_of(const LetterPaths& letter, double grown) {
    Extent extent = extent_of(letter);
    if (extent.empty()) return {};
    extent.grow(grown + 1);
    const auto x = static_cast<std::int64_t>(std::floor(extent.left));
    const auto y = static_cast<std::int64_t>(std::floor(extent.top));
    return {x, y, static_cast<std::int64_t>(std::ceil(extent.right)) + 1 - x,
            static_cast<std::int64_t>(std::ceil(extent.bottom)) + 1 - y};
}

/// What of a letter that is painted from its path is painted.
Box ink_box(const LetterPaths& letter, Edges edges, double grown) {
    Box result = bounds(letter.middle_lines, round_stroke(letter.stroke_width + 2 * grown, edges))
                     .united(bounds(letter.outlines, whole_letters(edges)));
    if (grown > 0) result = result.united(bounds(letter.outlines, round_stroke(2 * grown, edges)));
    return result;
}

void add_coverage(const Image& more, Image& image) {
    for (std::int32_t y = 0; y < image.height(); ++y) {
        const auto* from = reinterpret_cast<const std::uint8_t*>(more.view().row(y).data());
        auto* to = reinterpret_cast<std::uint8_t*>(image.view().row(y).data());
        for (std::int32_t x = 0; x < image.width(); ++x)
            to[x] = static_cast<std::uint8_t>(std::min(255, to[x] + from[x]));
    }
}

/// Letters that are painted from their paths: as one path, so that overlaps count once, or as several where
/// there are very many.
Image coverage_of_paths(std::span<const LetterPaths> letters, Edges edges, double grown, const Box& box) {
    constexpr std::size_t most_at_once = 1024;
    const Size size{static_cast<std::int32_t>(box.width), static_cast<std::int32_t>(box.height)};
    Image result(size, PixelFormat::gray8);
    for (std::size_t begin = 0; begin < letters.size(); begin += most_at_once) {
        LetterPaths all;
        for (const LetterPaths& one : letters.subspan(begin, std::min(most_at_once, letters.size() - begin)))
            append(all, one);
        all.outlines = all.outlines.moved(-box.x, -box.y);
        all.middle_lines = all.middle_lines.moved(-box.x, -box.y);
        if (begin == 0) {
            paint_coverage(result, all, edges, grown);
            continue;
        }
        Image more(size, PixelFormat::gray8);
        paint_coverage(more, all, edges, grown);
        add_coverage(more, result);
    }
    return result;
}

Image coverage_of_masks(const Ink& ink, const Box& box) {
    Image result({static_cast<std::int32_t>(box.width), static_cast<std::int32_t>(box.height)},
                 PixelFormat::gray8);
    for (const PlacedMask& placed : ink.masks) add_mask(placed, result, box);
    return result;
}

Ink ink_of(const Layout& layout, double grown) {
    Ink result;
    if (!layout.level()) {
        for (const PlacedGlyph& glyph : layout.glyphs)
            result.box =
                result.box.united(ink_box(turned_letter(layout, glyph), layout.glyph_style.edges, grown));
        return result;
    }
    result.masks = MaskSetter(layout, grown).masks();
    for (const PlacedMask& placed : result.masks)
        result.box = result.box.united(placed.mask->box.moved(placed.x, placed.y));
    return result;
}

} // namespace

std::optional<CoveredPart> covered_part(const Layout& layout, double grown, const Box& within) {
    if (layout.level()) {
        const auto part_of = [&within](const Ink& ink) -> std::optional<CoveredPart> {
            const Box box = ink.box.intersection(within);
            if (box.empty()) return std::nullopt;
            return CoveredPart{coverage_of_masks(ink, box), box};
        };
        return grown == 0 ? part_of(layout.ink()) : part_of(layout.grown_ink(grown));
    }
    Box box;
    std::vector<LetterPaths> seen;
    for (const PlacedGlyph& glyph : layout.glyphs) {
        LetterPaths letter = turned_letter(layout, glyph);
        const Box reach = reach_of(letter, grown).intersection(within);
        if (reach.empty()) continue;
        box = box.united(reach);
        seen.push_back(std::move(letter));
    }
    if (box.empty()) return std::nullopt;
    return CoveredPart{coverage_of_paths(seen, layout.glyph_style.edges, grown, box), box};
}

Box Layout::turned(const Box& box) const {
    if (style.turn == Angle()) return box;
    const Transform turn = Transform::turn(style.turn);
    const auto left = static_cast<double>(box.x) - 0.5; // sides, not pixels' centres
    const auto top = static_cast<double>(box.y) - 0.5;
    const double right = left + static_cast<double>(box.width);
    const double bottom = top + static_cast<double>(box.height);
    Extent extent;
    for (const Position corner : {Position{left, top}, {right, top}, {left, bottom}, {right, bottom}})
        extent.add(turn(corner));
    const auto x = static_cast<std::int64_t>(std::floor(extent.left + 0.5));
    const auto y = static_cast<std::int64_t>(std::floor(extent.top + 0.5));
    return {x, y, static_cast<std::int64_t>(std::ceil(extent.right + 0.5)) - x,
            static_cast<std::int64_t>(std::ceil(extent.bottom + 0.5)) - y};
}

LetterPaths Layout::paths() const {
    LetterPaths result;
    for (const PlacedGlyph& glyph : glyphs) append(result, turned_letter(*this, glyph));
    result.outlines.limit_lines(most_lines);
    result.middle_lines.limit_lines(most_lines);
    return result;
}

const Ink& Layout::ink() const {
    std::call_once(once_, [this] { ink_ = ink_of(*this, 0); });
    return ink_;
}

Ink Layout::grown_ink(double by) const {
    return ink_of(*this, by);
}

} // namespace coldbrick::text
