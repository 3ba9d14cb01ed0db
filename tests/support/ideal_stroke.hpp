/// @file
/// What strokes of curves ideally are, decided for single places: slowly and obviously, from very many short
/// lines that stand for each curve. Shares no code with the library.
#pragma once

#include <coldbrick/line_style.hpp>
#include <coldbrick/position.hpp>

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <functional>
#include <span>
#include <vector>

namespace coldbrick::test {

inline Position operator+(Position a, Position b) {
    return {a.x + b.x, a.y + b.y};
}
inline Position operator-(Position a, Position b) {
    return {a.x - b.x, a.y - b.y};
}
inline Position operator*(double factor, Position a) {
    return {factor * a.x, factor * a.y};
}
inline double dot(Position a, Position b) {
    return a.x * b.x + a.y * b.y;
}
inline double cross(Position a, Position b) {
    return a.x * b.y - a.y * b.x;
}
inline double length_of(Position a) {
    return std::hypot(a.x, a.y);
}
inline Position unit(Position a) {
    return 1 / length_of(a) * a;
}
/// Turned clockwise on the screen, to the right of a direction.
inline Position right_of(Position a) {
    return {-a.y, a.x};
}

/// A curve: many places along it, and its directions there.
class IdealCurve {
  public:
    static IdealCurve line(Position from, Position to) {
        return IdealCurve({from, to}, {unit(to - from), unit(to - from)});
    }
    /// @param at,velocity by a parameter of 0..1
    static IdealCurve of(const std::function<Position(double)>& at,
                         const std::function<Position(double)>& velocity, int count = 240) {
        std::vector<Position> places;
        std::vector<Position> directions;
        for (int i = 0; i <= count; ++i) {
            places.push_back(at(static_cast<double>(i) / count));
            directions.push_back(unit(velocity(static_cast<double>(i) / count)));
        }
        return IdealCurve(std::move(places), std::move(directions));
    }

    [[nodiscard]] const std::vector<Position>& places() const { return places_; }
    [[nodiscard]] Position leaving() const { return directions_.front(); }
    [[nodiscard]] Position arriving() const { return directions_.back(); }
    [[nodiscard]] double longest_step() const { return longest_step_; }

    [[nodiscard]] double length() const {
        double sum = 0;
        for (std::size_t i = 1; i < places_.size(); ++i) sum += length_of(places_[i] - places_[i - 1]);
        return sum;
    }
    /// The part between two lengths.
    [[nodiscard]] IdealCurve between(double from, double to) const {
        std::vector<Position> places;
        std::vector<Position> directions;
        double at = 0;
        for (std::size_t i = 1; i < places_.size(); ++i) {
            const double step = length_of(places_[i] - places_[i - 1]);
            const auto add = [&](double along) {
                const double share = std::clamp((along - at) / step, 0.0, 1.0);
                places.push_back(places_[i - 1] + share * (places_[i] - places_[i - 1]));
                directions.push_back(
                    unit(directions_[i - 1] + share * (directions_[i] - directions_[i - 1])));
            };
            if (at <= from && (from < at + step || i + 1 == places_.size())) add(from);
            if (!places.empty()) add(to);
            if (to <= at + step) break;
            at += step;
        }
        return IdealCurve(std::move(places), std::move(directions));
    }

  private:
    IdealCurve(std::vector<Position> places, std::vector<Position> directions)
        : places_(std::move(places)), directions_(std::move(directions)) {
        for (std::size_t i = 1; i < places_.size(); ++i)
            longest_step_ = std::max(longest_step_, length_of(places_[i] - places_[i - 1]));
    }

    std::vector<Position> places_;
    std::vector<Position> directions_; ///< of length 1
    double longest_step_ = 0;
};

struct IdealPen {
    double right;
    double left;
    Cap cap = Cap::butt;
    Join join = Join::mitre;
    double mitre_limit = 4;
    double longer = 0; ///< butt ends go on by so much
};

/// Curves one after the other.
class IdealStroke {
  public:
    IdealStroke(std::vector<IdealCurve> curves, bool closed, const IdealPen& pen)
        : curves_(std::move(curves)), closed_(closed), pen_(pen) {}

    [[nodiscard]] bool contains(Position p) const {
        for (std::size_t i = 0; i < curves_.size(); ++i) {
            if (beside(curves_[i], p)) return true;
            const bool last = i + 1 == curves_.size();
            if ((!last || closed_) && in_join(curves_[i], curves_[last ? 0 : i + 1], p)) return true;
        }
        return !closed_ &&
               (in_cap(curves_.front().places().front(), -1 * curves_.front().leaving(), true, p) ||
                in_cap(curves_.back().places().back(), curves_.back().arriving(), false, p));
    }

    /// The stroke's dashes, each a stroke of its own. @param offset how far into the lengths the path begins
    [[nodiscard]] std::vector<IdealStroke> dashed(std::span<const double> lengths, double offset) const {
        std::vector<IdealStroke> result;
        double whole = 0;
        for (const IdealCurve& curve : curves_) whole += curve.length();
        double period = 0;
        for (const double length : lengths) period += length;
        double from = -std::fmod(offset, 2 * period) - 2 * period;
        for (std::size_t i = 0; from < whole; i = (i + 1) % (2 * lengths.size())) {
            const double to = from + lengths[i % lengths.size()];
            if (i % 2 == 0 && to > 0 && (from < to || from >= 0))
                result.push_back(part(from, std::min(to, whole)));
            from = to;
        }
        return result;
    }

  private:
    [[nodiscard]] IdealStroke part(double from, double to) const {
        std::vector<IdealCurve> parts;
        double at = 0;
        for (const IdealCurve& curve : curves_) {
            const double length = curve.length();
            if (std::max(from, at) < std::min(to, at + length))
                parts.push_back(curve.between(std::max(from - at, 0.0), std::min(to - at, length)));
            at += length;
        }
        return {std::move(parts), false, pen_};
    }

    /// Within half the width at right angles from any place of the curve.
    [[nodiscard]] bool beside(const IdealCurve& curve, Position p) const {
        const double most = std::max(pen_.right, pen_.left);
        const std::size_t last = curve.places().size() - 1;
        bool after_line = false; // beyond the end of the line before
        for (std::size_t i = 0; i < last; ++i) {
            const Position off = p - curve.places()[i];
            // What is too far away is passed over.
            const double spare = (length_of(off) - most) / curve.longest_step() - 1;
            if (spare > 1) {
                i += static_cast<std::size_t>(spare) - 1;
                after_line = false;
                continue;
            }
            const Position way = curve.places()[i + 1] - curve.places()[i];
            const double share = dot(off, way) / dot(way, way);
            const double aside = cross(way, off) / length_of(way);
            const double reach = aside > 0 ? pen_.right : pen_.left;
            const bool is_beside =
                (share >= 0 || (i == 0 && dot(off, curve.leaving()) >= 0)) &&
                (share <= 1 || (i + 1 == last && dot(p - curve.places()[last], curve.arriving()) <= 0));
            if (is_beside && std::abs(aside) <= reach) return true;
            if (after_line && share < 0 && length_of(off) <= reach) return true;
            after_line = share > 1;
        }
        return false;
    }

    [[nodiscard]] bool in_join(const IdealCurve& in, const IdealCurve& out, Position p) const {
        const Position at = in.places().back();
        const double turn = cross(in.arriving(), out.leaving());
        const double cosine = dot(in.arriving(), out.leaving());
        const double reach = turn > 0 ? pen_.left : pen_.right; // of the outer side
        const Position way = p - at;
        // Where the sides are not as wide as each other, a disc has two radii.
        if (pen_.join == Join::round)
            return length_of(way) <= reach && (pen_.right == pen_.left || is_outer(in, out, way));
        if (std::abs(turn) < 1e-9) return false; // straight on, or straight back
        const double side = turn > 0 ? -1 : 1;
        const Position first = side * reach * right_of(in.arriving());
        const Position second = side * reach * right_of(out.leaving());
        const Position middle = first + second;
        const bool mitred = pen_.join == Join::mitre && std::sqrt(2 / (1 + cosine)) <= pen_.mitre_limit;
        // Beyond the vertex and beside both lines, up to the tip or the line between the corners.
        if (!is_outer(in, out, way)) return false;
        if (mitred) return dot(way, first) <= reach * reach && dot(way, second) <= reach * reach;
        return dot(way, middle) <= dot(first, middle);
    }

    /// True if a place lies between the ends of two bands that meet, on the outer side.
    [[nodiscard]] static bool is_outer(const IdealCurve& in, const IdealCurve& out, Position way) {
        const double turn = cross(in.arriving(), out.leaving());
        const double side = turn > 0 ? -1 : 1;
        return dot(way, in.arriving()) >= 0 && dot(way, out.leaving()) <= 0 &&
               side * dot(way, right_of(in.arriving()) + right_of(out.leaving())) >= 0;
    }

    [[nodiscard]] bool in_cap(Position at, Position outwards, bool begins, Position p) const {
        const double half = (pen_.right + pen_.left) / 2;
        const double shift = (begins ? -1 : 1) * (pen_.right - pen_.left) / 2;
        const Position way = p - at - shift * right_of(outwards);
        if (pen_.cap == Cap::round) return length_of(way) <= half;
        const double further = pen_.cap == Cap::square ? half : pen_.longer;
        const double along = dot(way, outwards);
        return along >= 0 && along <= further && std::abs(dot(way, right_of(outwards))) <= half;
    }

    std::vector<IdealCurve> curves_;
    bool closed_;
    IdealPen pen_;
};

/// How many parts of 255 of a pixel are inside, from places of a Fibonacci lattice (S. K. Zaremba, "Good
/// lattice points, discrepancy, and numerical integration", 1966), whose share errs by 2/255 at most. A
/// pixel whose first places are alike is taken to be so everywhere.
inline double lattice_coverage(const std::function<bool(Position)>& inside, int x, int y) {
    constexpr int few = 9;
    constexpr double wide = 1.2; // what is near to the pixel counts as well
    int first = 0;
    for (int i = 0; i < few * few; ++i)
        first +=
            inside({x + wide * ((i % few) / (few - 1.0) - 0.5), y + wide * ((i / few) / (few - 1.0) - 0.5)});
    if (first == 0 || first == few * few) return first == 0 ? 0 : 255;
    constexpr int count = 1597;
    constexpr int step = 987;
    int found = 0;
    for (int i = 0; i < count; ++i) {
        const double across = (i + 0.5) / count;
        const double down = static_cast<double>(i * step % count) / count;
        found += inside({x - 0.5 + across, y - 0.5 + down});
    }
    return 255.0 * found / count;
}

} // namespace coldbrick::test
