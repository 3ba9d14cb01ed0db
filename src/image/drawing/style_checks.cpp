#include "image/drawing/style_checks.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/pixel_format.hpp>

#include <fmt/core.h>

namespace coldbrick::image {

void check(const Dashes& dashes) {
    const auto check_length = [](const char* name, double value, double low, double high) {
        if (!(value >= low && value <= high)) // so that NaN is refused, too
            throw ArgumentError(fmt::format("{} {} is outside {}..{:.0f}", name, value, low, high));
    };
    check_length("dash offset", dashes.offset, -largest_dash_sum, largest_dash_sum);
    double sum = 0;
    for (const double length : dashes.lengths) {
        check_length("dash length", length, 0, largest_dash_sum);
        sum += length;
    }
    check_length("sum of the dash lengths", sum, smallest_dash_sum, largest_dash_sum);
}

void throw_no_width(double width) {
    throw ArgumentError(fmt::format("stroke width {} is outside {}..{}", width,
                                    is_whole(width) ? "1" : "above 0", base::last_coordinate));
}

void check_may_have_fractions(const Stroke& stroke) {
    if (stroke.edges == Edges::crisp)
        throw ArgumentError(
            fmt::format("stroke width {} is not whole: only smooth strokes and those of paths may "
                        "have fractions",
                        double{stroke.width}));
    if (stroke.alignment != Alignment::centred && stroke.width < 1)
        throw ArgumentError(fmt::format(
            "stroke width {} is below 1, which strokes inside and outside cannot be", double{stroke.width}));
}

void throw_mitre_below_1(double limit) {
    throw ArgumentError(fmt::format("mitre limit {} is below 1", limit));
}

void throw_no_inside() {
    throw ArgumentError("dots, lines, polylines and arcs have no inside: their strokes are centred");
}

void throw_not_filled() {
    throw ArgumentError("dots, lines, polylines and arcs have no inside to fill: use a stroke");
}

void check_has_bits(PixelFormat format) {
    if (layout(format).kind == PixelLayout::Kind::floats)
        throw ArgumentError(
            fmt::format("a blend mode for bits cannot paint the floats of {}", layout(format).name));
}

} // namespace coldbrick::image
