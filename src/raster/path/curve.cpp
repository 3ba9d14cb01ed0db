#include "raster/path/curve.hpp"

#include <algorithm>
#include <cmath>
#include <concepts>
#include <numbers>

namespace coldbrick::raster {

namespace {

/// The length to which a parameter is looked for, in sub-pixels.
constexpr double exact_enough = 1.0 / 64;

constexpr double radians_per_degree = std::numbers::pi / 180;

struct CosineAndSine {
    double cosine;
    double sine;
};

/// Of an angle, from its difference to the nearest multiple of a quarter turn: alike in every eighth of a
/// turn, so that whole ellipses are symmetric.
CosineAndSine at_degrees(double degrees) {
    const double quarters = std::nearbyint(degrees / 90);
    const double rest = (degrees - 90 * quarters) * radians_per_degree;
    const double cosine = std::cos(rest);
    const double sine = std::sin(rest);
    switch (static_cast<std::int64_t>(quarters) & 3) {
    case 0: return {cosine, sine};
    case 1: return {-sine, cosine};
    case 2: return {-cosine, -sine};
    default: return {sine, -cosine};
    }
}

CosineAndSine on_arc(const ArcForm& arc, double t) {
    return at_degrees(arc.start.in_degrees() + arc.sweep.in_degrees() * t);
}

/// A sixth of the second derivative of a Bezier curve at its beginning or end.
SubVector bend(SubVector a, SubVector b, SubVector c) {
    return a - 2.0 * b + c;
}

/// The other way round. Positions are whole sub-pixels, so that control points, those of degree 2 included,
/// are whole thirds of one.
CubicForm reversed(const CubicForm& form) {
    const auto in_thirds = [](SubVector step) {
        return SubVector{std::nearbyint(3 * step.x) / 3, std::nearbyint(3 * step.y) / 3};
    };
    const auto& [a, b, c] = form.points;
    return {{in_thirds(b - c), in_thirds(a - c), -c}};
}

bool comes_before(SubVector a, SubVector b) {
    return a.x != b.x ? a.x < b.x : a.y < b.y;
}

} // namespace

Curve::Curve(SubPoint from, const CubicForm& form, SubPoint to)
    : from_(from), to_(to), start_(from), form_(form) {
    const CubicForm other = reversed(form);
    const SubVector way = form.points[2];
    reversed_ = comes_before(way, {}) || (way.length() == 0 && comes_before(other.points[0], form.points[0]));
    if (!reversed_) return;
    start_ = to;
    form_ = other;
}

Curve::Curve(SubPoint from, const ArcForm& form, SubPoint to)
    : from_(from), to_(to), start_(from), form_(form),
      longest_radius_(std::hypot(form.across.length(), form.down.length())) {
    // The half diameters of a circle or of an upright ellipse are its axes.
    if (dot(form.across, form.down) == 0)
        longest_radius_ = std::max(form.across.length(), form.down.length());
    reversed_ = form.sweep < Angle();
    if (!reversed_) return;
    start_ = to;
    form_ = ArcForm{form.centre - SubVector::between(from, to), form.across, form.down,
                    form.start + form.sweep, -form.sweep};
}

SubVector Curve::step(double t) const {
    return std::visit(
        [t]<class Form>(const Form& form) -> SubVector {
            if constexpr (std::same_as<Form, StraightForm>) return t * form.way;
            if constexpr (std::same_as<Form, ArcForm>) {
                const auto [cosine, sine] = on_arc(form, t);
                return form.centre + (cosine * form.across + sine * form.down);
            }
            if constexpr (std::same_as<Form, CubicForm>) {
                const double s = 1 - t;
                return 3 * s * s * t * form.points[0] + 3 * s * t * t * form.points[1] +
                       t * t * t * form.points[2];
            }
        },
        form_);
}

SubPoint Curve::point(double t) const {
    if (t <= 0) return from_;
    if (t >= 1) return to_;
    return start_ + step(as_worked_out(t));
}

SubVector Curve::velocity(double at) const {
    const double t = as_worked_out(at);
    const SubVector result = std::visit(
        [t]<class Form>(const Form& form) -> SubVector {
            if constexpr (std::same_as<Form, StraightForm>) return form.way;
            if constexpr (std::same_as<Form, ArcForm>) {
                const auto [cosine, sine] = on_arc(form, t);
                const double speed = form.sweep.in_degrees() * radians_per_degree;
                return speed * (cosine * form.down - sine * form.across);
            }
            if constexpr (std::same_as<Form, CubicForm>) {
                const double s = 1 - t;
                const auto& [a, b, c] = form.points;
                return 3 * s * s * a + 6 * s * t * (b - a) + 3 * t * t * (c - b);
            }
        },
        form_);
    return reversed_ ? -result : result;
}

SubVector Curve::direction(double t) const {
    SubVector way = velocity(t);
    if (const auto* const cubic = std::get_if<CubicForm>(&form_); cubic != nullptr && way.length() == 0) {
        // Control points at the end itself are left out.
        const auto& [a, b, c] = cubic->points;
        const bool at_start = as_worked_out(t) < 0.5;
        const SubVector next = at_start ? b : c - a;
        way = next.length() == 0 ? c : next;
        if (reversed_) way = -way;
    }
    const double length = way.length();
    return length == 0 ? SubVector() : (1 / length) * way;
}

double Curve::longest() const {
    if (const auto* const arc = std::get_if<ArcForm>(&form_))
        return std::abs(arc->sweep.in_degrees()) * radians_per_degree * longest_radius_;
    if (const auto* const cubic = std::get_if<CubicForm>(&form_)) {
        const auto& [a, b, c] = cubic->points;
        return a.length() + (b - a).length() + (c - b).length();
    }
    return std::get<StraightForm>(form_).way.length();
}

double Curve::furthest_from_chord(double from, double to) const {
    const double square = (to - from) * (to - from) / 8;
    if (const auto* const arc = std::get_if<ArcForm>(&form_)) {
        const double speed = arc->sweep.in_degrees() * radians_per_degree;
        return square * speed * speed * longest_radius_;
    }
    if (const auto* const cubic = std::get_if<CubicForm>(&form_)) {
        // The second derivative changes evenly, so that it is largest at an end.
        const auto& [a, b, c] = cubic->points;
        const SubVector first = bend({}, a, b);
        const SubVector last = bend(a, b, c);
        const auto at = [&](double t) { return ((1 - t) * first + t * last).length(); };
        return square * 6 * std::max(at(as_worked_out(from)), at(as_worked_out(to)));
    }
    return 0;
}

CurveLength::CurveLength(const Curve& curve) : curve_(curve) {
    constexpr int pieces = 64;
    ends_.push_back(0);
    if (curve.is_straight()) {
        ends_.push_back(SubVector::between(curve.from(), curve.to()).length());
        return;
    }
    for (int i = 0; i < pieces; ++i)
        ends_.push_back(ends_.back() + between(static_cast<double>(i) / pieces, (i + 1.0) / pieces));
}

double CurveLength::between(double begin, double end) const {
    struct Place {
        double at; ///< from the middle, in halves of the distance
        double weight;
    };
    static constexpr std::array<Place, 5> places{{{0, 128.0 / 225},
                                                  {0.5384693101056831, 0.4786286704993665},
                                                  {-0.5384693101056831, 0.4786286704993665},
                                                  {0.9061798459386640, 0.2369268850561891},
                                                  {-0.9061798459386640, 0.2369268850561891}}};
    const double half = (end - begin) / 2;
    double sum = 0;
    for (const Place& place : places)
        sum += place.weight * curve_.velocity(begin + half * (1 + place.at)).length();
    return half * sum;
}

double CurveLength::up_to(double t) const {
    if (t >= 1) return whole();
    const auto pieces = static_cast<double>(ends_.size() - 1);
    const auto piece = static_cast<std::size_t>(t * pieces);
    if (ends_.size() == 2) return t * whole();
    return ends_[piece] + between(static_cast<double>(piece) / pieces, t);
}

/// The length grows with the parameter: by Newton's method, or by halving where that would leave the piece.
double CurveLength::parameter_at(double length) const {
    if (length <= 0 || whole() == 0) return 0;
    if (length >= whole()) return 1;
    if (ends_.size() == 2) return length / whole();
    const auto after = std::ranges::upper_bound(ends_, length) - ends_.begin();
    const auto pieces = static_cast<double>(ends_.size() - 1);
    double low = static_cast<double>(after - 1) / pieces;
    double high = static_cast<double>(after) / pieces;
    const double begin = low;
    const double wanted = length - ends_[static_cast<std::size_t>(after - 1)];
    double t = (low + high) / 2;
    constexpr int most_steps = 60;
    for (int i = 0; i < most_steps && low < t && t < high; ++i) {
        const double missing = wanted - between(begin, t);
        (missing > 0 ? low : high) = t;
        const double speed = curve_.velocity(t).length();
        const double next = speed > 0 ? t + missing / speed : (low + high) / 2;
        if (std::abs(missing) < exact_enough) return t;
        t = next > low && next < high ? next : (low + high) / 2;
    }
    return t;
}

} // namespace coldbrick::raster
