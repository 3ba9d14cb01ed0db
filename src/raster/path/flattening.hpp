/// @file
/// Curves as straight lines.
#pragma once

#include "base/clip.hpp"
#include "geometry/path_line_count.hpp"
#include "raster/coverage/sub_pixels.hpp"
#include "raster/path/curve.hpp"

#include <algorithm>
#include <cstdint>
#include <limits>

namespace coldbrick::raster {

/// How far straight lines may lie from the curve that they stand for, in sub-pixels.
constexpr double flatness = geometry::path_flatness * real_sub_pixels;

/// Lines that stand for parts of strokes are not made shorter, in sub-pixels.
constexpr double shortest_line = 8;

/// True where a curve turns in next to no length, so that its stroke goes around an arc there.
/// @param leaving,arriving its directions at a line's ends @param width of its stroke to one side
inline bool turns_at_once(SubPoint from, SubPoint to, SubVector leaving, SubVector arriving, double width) {
    if (SubVector::between(from, to).length() > 2 * shortest_line) return false;
    const double turn = cross(leaving, arriving);
    return dot(leaving, arriving) < 0 || width * turn * turn / 8 > 2 * flatness;
}

/// What of a stroke, or of an inside, can be seen.
class VisibleArea {
  public:
    /// @param reach how far from its path a stroke may reach, in sub-pixels; 0 for an inside
    VisibleArea(const base::Clip& clip, double reach)
        : left_(clip.left * sub_pixels - margin), top_(clip.top * sub_pixels - margin),
          right_(clip.right * sub_pixels + margin), bottom_(clip.bottom * sub_pixels + margin),
          reach_(reach) {}

    /// True if nothing can be seen of what lies within `off` of the straight line, or of its stroke.
    [[nodiscard]] bool hides(SubPoint a, SubPoint b, double off) const {
        return hides_near(a, b, off + reach_);
    }

    /// The same of the line alone.
    [[nodiscard]] bool hides_near(SubPoint a, SubPoint b, double off) const {
        constexpr double furthest = 0x1p60;
        const auto far = static_cast<std::int64_t>(std::min(std::ceil(off), furthest));
        return std::max(a.x, b.x) + far < left_ || std::min(a.x, b.x) - far > right_ ||
               std::max(a.y, b.y) + far < top_ || std::min(a.y, b.y) - far > bottom_;
    }

    /// True if the stroke of a curve that lies within `off` of the straight line between its ends runs beside
    /// all that can be seen, however far it reaches. Its tangents turn from that line by a sine of 4 off /
    /// length at most.
    [[nodiscard]] bool passes_beside(SubPoint a, SubPoint b, double off) const {
        const SubVector way = SubVector::between(a, b);
        const double length = way.length();
        if (!(4 * off < length)) return false;
        const double beyond = off + reach_ * (4 * off / length);
        const Part shown = along(a, b);
        return shown.end * length < -beyond || shown.begin * length > length + beyond;
    }

    /// Which part of the infinite line lies beside what can be seen, as shares of the way between two points.
    struct Part {
        double begin;
        double end;
    };
    [[nodiscard]] Part along(SubPoint a, SubPoint b) const {
        const SubVector way = SubVector::between(a, b);
        const double square = dot(way, way);
        Part result{std::numeric_limits<double>::infinity(), -std::numeric_limits<double>::infinity()};
        for (const std::int64_t x : {left_, right_})
            for (const std::int64_t y : {top_, bottom_}) {
                const double at = dot(SubVector::between(a, {x, y}), way) / square;
                result = {std::min(result.begin, at), std::max(result.end, at)};
            }
        return result;
    }

  private:
    static constexpr std::int64_t margin = 2 * sub_pixels;

    std::int64_t left_;
    std::int64_t top_;
    std::int64_t right_;
    std::int64_t bottom_;
    double reach_;
};

/// Curves as straight lines, halved until they are near enough. What is not to be seen stays one line, which
/// is not to be seen either: where the others' ends lie does not depend on that.
class Flattening {
  public:
    enum class Purpose : std::uint8_t {
        inside,
        stroke ///< parallel curves, too, come within the flatness of lines between their places
    };

    /// @param width how far away parallel curves lie, in sub-pixels
    Flattening(const VisibleArea& visible, Purpose purpose, double width = 0)
        : visible_(visible), purpose_(purpose), width_(width) {}

    /// Calls visit(point, t) for the end of each line from the parameter `begin` to `end`, in order.
    template <class Visit>
    void flatten(const Curve& curve, double begin, double end, const Visit& visit) const {
        if (curve.is_straight()) return visit(curve.point(end), end);
        halve(curve, {0, 1, curve.from(), curve.to()}, begin, end, visit);
    }

    [[nodiscard]] const VisibleArea& visible() const { return visible_; }

  private:
    struct Stretch {
        double begin;
        double end;
        SubPoint from;
        SubPoint to;
    };

    template <class Visit>
    void halve(const Curve& curve, const Stretch& whole, double begin, double end, const Visit& visit) const {
        if (whole.end <= begin || whole.begin >= end) return;
        const double off = curve.furthest_from_chord(whole.begin, whole.end);
        const bool has_end = whole.begin <= begin || whole.end >= end;
        if (is_line(curve, whole, off, has_end) || whole.end - whole.begin < 0x1p-40) {
            return whole.end >= end ? visit(curve.point(end), end) : visit(whole.to, whole.end);
        }
        const double middle = (whole.begin + whole.end) / 2;
        const SubPoint point = curve.point(middle);
        halve(curve, {whole.begin, middle, whole.from, point}, begin, end, visit);
        halve(curve, {middle, whole.end, point, whole.to}, begin, end, visit);
    }

    [[nodiscard]] bool is_line(const Curve& curve, const Stretch& stretch, double off, bool has_end) const {
        const auto& [begin, end, from, to] = stretch;
        if (purpose_ == Purpose::inside) return off <= flatness || visible_.hides(from, to, off);
        const double length = SubVector::between(from, to).length();
        // Where a curve turns back it does so in next to no length.
        if (std::max(length, off) <= shortest_line) return true;
        // The tangents turn by so much at most, and parallel curves go around an arc of it more.
        const double turn = 8 * off / std::max(length, 1.0);
        const double beyond = off + width_ * turn * turn / 8;
        if (beyond <= flatness) return true;
        if (off <= flatness && turn < 1 && hides_parallels(curve, stretch, beyond)) return true;
        return !has_end && (visible_.hides(from, to, off) || visible_.passes_beside(from, to, off));
    }

    [[nodiscard]] bool hides_parallels(const Curve& curve, const Stretch& stretch, double off) const {
        const SubVector begin = width_ * curve.direction(stretch.begin).turned();
        const SubVector end = width_ * curve.direction(stretch.end).turned();
        return visible_.hides_near(stretch.from + begin, stretch.to + end, off) &&
               visible_.hides_near(stretch.from + -begin, stretch.to + -end, off);
    }

    VisibleArea visible_;
    Purpose purpose_;
    double width_;
};

} // namespace coldbrick::raster
