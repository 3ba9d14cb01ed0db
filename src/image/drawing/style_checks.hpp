/// @file
/// Checks of styles' values, each with the message that its failure carries.
#pragma once

#include "base/limits.hpp"
#include "base/range_checks.hpp"
#include "geometry/shape_checks.hpp"
#include "paint/blending/composite_colour.hpp"

#include <coldbrick/fill.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <cmath>
#include <concepts>
#include <cstdint>

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] image {

// Every draw call passes some of these: what is short is inlined.

/// Throws ArgumentError unless all values lie in the ranges that Dashes documents.
void check(const Dashes& dashes);

[[noreturn]] void throw_mitre_below_1(double limit);

/// Throws ArgumentError unless a mitre limit is 1 and up.
inline void check_mitre_limit(double limit) {
    if (!(limit >= 1)) throw_mitre_below_1(limit); // so that NaN is refused, too
}

/// True of a number of whole pixels.
inline bool is_whole(double width) {
    return width == std::floor(width);
}

/// Throws ArgumentError unless the width is one that some stroke may have.
[[noreturn]] void throw_no_width(double width);
inline void check_width(const Stroke& stroke) {
    if (!(stroke.width > 0 && stroke.width <= base::last_coordinate)) throw_no_width(stroke.width);
}

/// Throws ArgumentError unless strokes of shapes on pixels may have a width that is not whole.
void check_may_have_fractions(const Stroke& stroke);

/// Throws ArgumentError unless all values lie in the ranges that Stroke documents.
inline void check(const Stroke& stroke) {
    check_width(stroke);
    base::check_choice("cap", stroke.cap, Cap::round);
    base::check_choice("join", stroke.join, Join::round);
    base::check_choice("alignment", stroke.alignment, Alignment::outside);
    base::check_choice("edges", stroke.edges, Edges::smooth);
    check_mitre_limit(stroke.mitre_limit);
    if (!stroke.dashes.lengths.empty()) check(stroke.dashes);
}

/// Throws ArgumentError unless all values lie in the ranges that Fill documents.
inline void check(const Fill& fill) {
    base::check_choice("fill rule", fill.rule, FillRule::non_zero);
    base::check_choice("fill extent", fill.extent, FillExtent::tiling);
    base::check_choice("edges", fill.edges, Edges::smooth);
}

/// Throws ArgumentError: this shape has no inside to align a stroke to, or to fill.
[[noreturn]] void throw_no_inside();
[[noreturn]] void throw_not_filled();

/// Throws ArgumentError unless a shape of this type can have the style.
template <class S>
void check_suits(const Fill&) {
    if constexpr (OpenShape<S>) throw_not_filled();
}
template <class S>
void check_suits(const Stroke& stroke) {
    if constexpr (!std::same_as<S, Path>)
        if (!is_whole(stroke.width)) check_may_have_fractions(stroke);
    if constexpr (OpenShape<S>)
        if (stroke.alignment != Alignment::centred) throw_no_inside();
}

/// Throws ArgumentError unless a shape and its style have values in their ranges and suit each other.
template <class S, class Style>
void check_styled(const S& shape, const Style& style) {
    geometry::check(shape);
    check(style);
    check_suits<S>(style);
}

/// Throws ArgumentError if the format is one whose bits no mode may change.
void check_has_bits(PixelFormat format);

/// Throws ArgumentError unless mode and space are of their enumerations.
inline void check(const Blending& blending) {
    base::check_choice("blend mode", blending.mode, BlendMode::bits_xor);
    base::check_choice("blend space", blending.space, BlendSpace::linear);
}

/// Throws ArgumentError also unless the mode suits the format.
inline void check(const Blending& blending, PixelFormat format) {
    check(blending);
    if (paint::is_for_bits(blending.mode)) check_has_bits(format);
}

} // namespace image

} // namespace coldbrick
