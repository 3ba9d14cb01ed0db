#include "raster/shapes/path.hpp"

#include "base/exact_arithmetic.hpp"
#include "raster/coverage/covered_area.hpp"
#include "raster/path/flat_lines.hpp"
#include "raster/path/path_area.hpp"
#include "raster/path/shape_contours.hpp"
#include "raster/path/tiled_stroke.hpp"
#include "raster/spans/span_queries.hpp"
#include "raster/spans/span_union.hpp"
#include "raster/stroke/dash_pattern.hpp"

#include <algorithm>
#include <cmath>

namespace coldbrick::raster {

namespace {

ContourPen pen_of(const RealPen& pen) {
    const double half = pen.width / 2 * real_sub_pixels;
    return {{half, half, pen.cap, pen.join, pen.mitre_limit}, pen.dashes, pen.dash_offset, false, false};
}

/// Adds the pixels nearest to lines: on every column, or every row where lines are longer along y, whose
/// centre a line reaches. Where the way along which they go changes, and at a path's own positions, the
/// nearest pixel belongs to them as well, so that there is no gap. Of dashes, those pixels whose place on the
/// path is on.
class ThinLines {
  public:
    ThinLines(const DashPattern& dashes, SpanSink& parts) : dashes_(dashes), parts_(parts) {}

    void add(const FlatLine& line) {
        const Way way = Way::of(line.from, line.to);
        if (line.begins_contour || way != way_) add_pixel(line.from, line.from_position);
        way_ = way;
        add_line(line);
        if (line.ends_curve) add_pixel(line.to, line.to_position);
    }

  private:
    /// Along which axis a line goes, and which way.
    struct Way {
        bool along_y;
        bool forwards;

        static Way of(SubPoint from, SubPoint to) {
            const SubPoint way = to - from;
            const bool along_y = std::abs(way.y) > std::abs(way.x);
            return {along_y, (along_y ? way.y : way.x) > 0};
        }
        friend bool operator==(Way, Way) = default;
    };

    void add_line(const FlatLine& line) {
        const bool along_y = Way::of(line.from, line.to).along_y;
        const auto begin = static_cast<double>(along_y ? line.from.y : line.from.x);
        const auto length = static_cast<double>(along_y ? line.to.y : line.to.x) - begin;
        const double speed = length == 0 ? 0 : (line.to_position - line.from_position) / length;
        const auto put_at = [&](std::int64_t x, std::int64_t y) {
            const auto along = static_cast<double>((along_y ? y : x) * sub_pixels);
            put(x, y, line.from_position + speed * (along - begin));
        };
        const base::Clip& clip = parts_.clip();
        if (along_y)
            walk({line.from.y, line.from.x}, {line.to.y, line.to.x}, clip.top, clip.bottom,
                 [&](std::int64_t y, std::int64_t x) { put_at(x, y); });
        else
            walk(line.from, line.to, clip.left, clip.right, put_at);
    }

    /// Calls visit(along, across) for the pixels of a line along x, or one that lies so, that are shown.
    template <class Visit>
    static void walk(SubPoint from, SubPoint to, std::int64_t shown_from, std::int64_t shown_to,
                     Visit visit) {
        if (from.x > to.x) std::swap(from, to);
        const std::int64_t first = std::max((from.x + sub_pixels - 1) >> sub_pixel_bits, shown_from);
        const std::int64_t end = std::min((to.x >> sub_pixel_bits) + 1, shown_to);
        const base::Int128 length = to.x - from.x;
        for (std::int64_t along = first; along < end; ++along) {
            const base::Int128 rise = base::Int128{to.y - from.y} * (along * sub_pixels - from.x);
            const base::Int128 middle = base::Int128{from.y + half_a_pixel} * length + rise;
            visit(along, length == 0
                             ? (from.y + half_a_pixel) >> sub_pixel_bits
                             : static_cast<std::int64_t>(base::floor_div(middle, length * sub_pixels)));
        }
    }

    void add_pixel(SubPoint at, double position) {
        put((at.x + half_a_pixel) >> sub_pixel_bits, (at.y + half_a_pixel) >> sub_pixel_bits, position);
    }

    void put(std::int64_t x, std::int64_t y, double position) {
        const base::Clip& clip = parts_.clip();
        if (y < clip.top || y >= clip.bottom || x < clip.left || x >= clip.right) return;
        if (dashes_.period() == 0 || finder_.on(position / real_sub_pixels))
            parts_.add(static_cast<std::int32_t>(y), x, x + 1);
    }

    const DashPattern& dashes_;
    DashFinder finder_{dashes_};
    SpanSink& parts_;
    Way way_{};
};

void add_thin(const Contours& contours, const RealPen& pen, SpanSink& parts) {
    const DashPattern dashes(pen.dashes, pen.dash_offset);
    ThinLines lines(dashes, parts);
    const Flattening flattening(VisibleArea(parts.clip(), real_sub_pixels), Flattening::Purpose::inside);
    for_each_line(contours, flattening, !pen.dashes.empty(), [&](const FlatLine& line) { lines.add(line); });
}

constexpr RealPen thin_outline{1, Cap::butt, Join::mitre, 4, {}, 0};

} // namespace

void fill(const Path& path, const InsideRule& rule, SpanSink& sink) {
    CoveredArea area(sink.clip());
    const Flattening flattening(VisibleArea(sink.clip(), 0), Flattening::Purpose::inside);
    const Contours contours = closed(contours_of(path));
    add_inside(contours, flattening, area, AreaPart::inside);
    const AreaRule inside{AreaRule::Kind::filled, rule.rule};
    if (rule.extent == FillExtent::tiling) return area.give_centres(inside, sink);
    SpanUnion all(sink.clip());
    area.give_centres(inside, all.parts());
    add_thin(contours, thin_outline, all.parts());
    all.give(sink);
}

void stroke(const Path& path, const RealPen& pen, SpanSink& sink) {
    if (pen.width == 1) {
        SpanUnion all(sink.clip());
        add_thin(contours_of(path), pen, all.parts());
        return all.give(sink);
    }
    const Contours contours = contours_of(path);
    const ContourPen contour_pen = pen_of(pen);
    if (pen.dashes.empty() && is_crowded(contours, contour_pen.outline, true))
        return tiled_stroke(contours, contour_pen.outline, true, sink);
    CoveredArea area(sink.clip());
    add_stroke(contours, contour_pen, area, AreaPart::stroke);
    area.give_centres({AreaRule::Kind::stroked}, sink);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool Path::contains(Point pixel) const {
    return raster::shows(pixel, [this](raster::SpanSink& sink) { raster::fill(*this, {}, sink); });
}

} // namespace coldbrick
