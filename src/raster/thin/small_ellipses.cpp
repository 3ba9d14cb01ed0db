#include "raster/thin/small_ellipses.hpp"

#include "raster/thin/thin_ellipse_steps.hpp"

namespace coldbrick::raster {

namespace {

/// Walks along one axis and notes the pixels.
struct NotingPen {
    QuarterOutline* outline;
    std::int64_t along; ///< how far the pixel is from the box's side on the axis of the walk
    bool along_x;
    std::int64_t in = 0; ///< and on the other one

    constexpr void visit_and_go_outwards() {
        const auto one = static_cast<std::uint8_t>(along--);
        const auto other = static_cast<std::uint8_t>(in);
        outline->pixels[outline->count++] = along_x ? QuarterPixel{one, other} : QuarterPixel{other, one};
    }
    constexpr void go_inwards(std::int64_t mask) { in += mask & 1; }
};

constexpr QuarterOutline outline_of(std::int64_t a, std::int64_t b) {
    QuarterOutline result;
    walk_ellipse_columns(a, b, NotingPen{&result, a / 2, true});
    walk_ellipse_columns(b, a, NotingPen{&result, b / 2, false});
    return result;
}

} // namespace

constexpr std::array<std::array<QuarterOutline, tabled_axes>, tabled_axes> small_ellipses = [] {
    std::array<std::array<QuarterOutline, tabled_axes>, tabled_axes> result;
    for (std::size_t a = 0; a < tabled_axes; ++a)
        for (std::size_t b = 0; b < tabled_axes; ++b)
            result[a][b] = outline_of(smallest_tabled_axis + static_cast<std::int64_t>(a),
                                      smallest_tabled_axis + static_cast<std::int64_t>(b));
    return result;
}();

} // namespace coldbrick::raster
