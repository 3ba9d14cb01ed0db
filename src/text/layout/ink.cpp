#include "text/layout/ink.hpp"

#include "text/faces/glyph_masks.hpp"
#include "text/faces/letter_paths.hpp"

#include <algorithm>
#include <cmath>
#include <span>
#include <utility>

namespace coldbrick::text {

namespace {

/// Adds coverages to others: no more than all of a pixel is covered.
void add_row(const std::uint8_t* from, std::size_t count, std::uint8_t* to) {
    for (std::size_t i = 0; i < count; ++i) to[i] = static_cast<std::uint8_t>(std::min(255, to[i] + from[i]));
}

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
        add_row(from, static_cast<std::size_t>(right - left), to);
    }
}

/// A letter as a path, turned as the text is.
LetterPaths turned_letter(const Layout& layout, const PlacedGlyph& glyph) {
    LetterPaths result;
    const Position at = layout.drawn_at(glyph);
    add(result, layout.faces.at(glyph.face).outline(glyph.glyph, layout.glyph_style),
        Transform::move(at.x, at.y).then(Transform::turn(layout.style.turn)));
    return result;
}

/// The box of pixels about what has these sides.
Box pixels_of(const geometry::Extent& extent) {
    const auto x = static_cast<std::int64_t>(std::floor(extent.left + 0.5));
    const auto y = static_cast<std::int64_t>(std::floor(extent.top + 0.5));
    return {x, y, static_cast<std::int64_t>(std::ceil(extent.right + 0.5)) - x,
            static_cast<std::int64_t>(std::ceil(extent.bottom + 0.5)) - y};
}

/// The pixels that a letter may have, and some more.
Box reach_of(const LetterPaths& letter, double grown) {
    const auto extent = extent_of(letter);
    return extent ? pixels_of(extent->grown(grown + 1)) : Box{};
}

void add_coverage(const Image& more, Image& image) {
    for (std::int32_t y = 0; y < image.height(); ++y) {
        const auto* from = reinterpret_cast<const std::uint8_t*>(more.view().row(y).data());
        auto* to = reinterpret_cast<std::uint8_t*>(image.view().row(y).data());
        add_row(from, static_cast<std::size_t>(image.width()), to);
    }
}

/// A letter that may be seen, and which one of its text it is.
struct SeenLetter {
    std::size_t number;
    LetterPaths paths;
};

/// Letters that are painted from their paths: as one path, so that overlaps count once. Of very many, so many
/// at a time are, the same ones whatever is seen.
Image coverage_of_paths(std::span<const SeenLetter> letters, Edges edges, double grown, const Box& box) {
    constexpr std::size_t most_at_once = 1024;
    const Size size{static_cast<std::int32_t>(box.width), static_cast<std::int32_t>(box.height)};
    Image result(size, PixelFormat::gray8);
    for (auto begin = letters.begin(); begin != letters.end();) {
        LetterPaths all;
        auto end = begin;
        while (end != letters.end() && end->number / most_at_once == begin->number / most_at_once)
            append(all, (end++)->paths);
        Image part(size, PixelFormat::gray8);
        paint_coverage(part, moved(all, -box.x, -box.y), edges, grown);
        if (begin == letters.begin())
            result = std::move(part);
        else
            add_coverage(part, result);
        begin = end;
    }
    return result;
}

Image coverage_of_masks(const Ink& ink, const Box& box) {
    Image result({static_cast<std::int32_t>(box.width), static_cast<std::int32_t>(box.height)},
                 PixelFormat::gray8);
    for (const PlacedMask& placed : ink.masks) add_mask(placed, result, box);
    return result;
}

/// True if letters are painted by masks of their own: others would take memory for all that a wide stroke
/// reaches, whatever is seen.
bool has_masks(const Layout& layout, double grown) {
    constexpr double widest = 64;
    return layout.level() && layout.glyph_style.stroke_width / 2 + grown <= widest;
}

Ink ink_of(const Layout& layout, double grown) {
    Ink result;
    if (!has_masks(layout, grown)) {
        for (const PlacedGlyph& glyph : layout.glyphs)
            result.box = result.box.united(
                covered_bounds(turned_letter(layout, glyph), layout.glyph_style.edges, grown));
        return result;
    }
    result.masks = glyph_masks(layout, grown);
    for (const PlacedMask& placed : result.masks)
        result.box = result.box.united(placed.mask->box.moved(placed.x, placed.y));
    return result;
}

} // namespace

std::optional<CoveredPart> covered_part(const Layout& layout, double grown, const Box& within) {
    if (has_masks(layout, grown)) {
        const auto part_of = [&within](const Ink& ink) -> std::optional<CoveredPart> {
            const Box box = ink.box.intersection(within);
            if (box.empty()) return std::nullopt;
            return CoveredPart{coverage_of_masks(ink, box), box};
        };
        return grown == 0 ? part_of(layout.ink()) : part_of(layout.grown_ink(grown));
    }
    Box box;
    std::vector<SeenLetter> seen;
    for (std::size_t i = 0; i < layout.glyphs.size(); ++i) {
        LetterPaths letter = turned_letter(layout, layout.glyphs[i]);
        const Box reach = reach_of(letter, grown).intersection(within);
        if (reach.empty()) continue;
        box = box.united(reach);
        seen.push_back({i, std::move(letter)});
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
    const Position first = turn({left, top});
    geometry::Extent extent{first.x, first.y, first.x, first.y};
    for (const Position corner : {Position{right, top}, {left, bottom}, {right, bottom}})
        extent.include(turn(corner));
    return pixels_of(extent);
}

LetterPaths Layout::paths() const {
    LetterPaths result;
    for (const PlacedGlyph& glyph : glyphs) append(result, turned_letter(*this, glyph));
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
