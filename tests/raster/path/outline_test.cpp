// The area of strokes along straight lines: at random places, whether edges wind around them is what the
// definitions of lines, joins and caps say.

#include "raster/path/outline.hpp"
#include "raster/spans/span_queries.hpp"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <vector>

namespace coldbrick::raster {

namespace {

/// How near to an edge nothing is asked: flattened arcs and rounded corners lie so far off at most.
constexpr double doubt = 2 * flatness + 8;

/// How deep in an area a place lies: above 0 inside, below 0 outside, in sub-pixels or less.
using Depth = double;

Depth in_disc(SubPoint p, SubPoint centre, double radius) {
    return radius - SubVector::between(centre, p).length();
}

/// Between two parallel lines, so far ahead of the beginning and behind the end.
Depth in_rectangle(SubPoint p, SubPoint from, SubPoint to, double radius, double before, double after) {
    const SubVector way = SubVector::between(from, to);
    const SubVector unit = (1 / way.length()) * way;
    const SubVector at = SubVector::between(from, p);
    return std::min(
        {radius - std::abs(cross(unit, at)), dot(unit, at) + before, way.length() + after - dot(unit, at)});
}

Depth in_triangle(SubPoint p, SubPoint a, SubVector to_b, SubVector to_c) {
    const double area = cross(to_b, to_c);
    if (std::abs(area) < 1) return -1e9;
    const SubVector at = SubVector::between(a, p);
    const double sign = area > 0 ? 1 : -1;
    const SubVector bc = to_c - to_b;
    return std::min({sign * cross(to_b, at) / to_b.length(), sign * cross(at, to_c) / to_c.length(),
                     sign * cross(bc, at - to_b) / bc.length()});
}

/// What a join adds to the two lines.
Depth in_join(SubPoint p, SubPoint before, SubPoint node, SubPoint after, const OutlinePen& pen) {
    const double radius = pen.right;
    if (pen.join == Join::round) return in_disc(p, node, radius);
    const SubVector in = SubVector::between(before, node);
    const SubVector out = SubVector::between(node, after);
    const SubVector u = (1 / in.length()) * in;
    const SubVector v = (1 / out.length()) * out;
    const double side = cross(u, v) < 0 ? 1 : -1; // the outer one
    const SubVector first = side * radius * u.turned();
    const SubVector second = side * radius * v.turned();
    Depth depth = in_triangle(p, node, first, second);
    const double away = std::sqrt(2 / std::max(1 + dot(u, v), 1e-12));
    if (pen.join == Join::mitre && away <= pen.mitre_limit) {
        const SubVector sum = first + second;
        const SubVector tip = away * radius / sum.length() * sum;
        depth = std::max({depth, in_triangle(p, node, first, tip), in_triangle(p, node, tip, second)});
    }
    return depth;
}

Depth in_stroke(SubPoint p, const std::vector<OutlineNode>& nodes, const OutlinePen& pen) {
    const double radius = pen.right;
    const double further = pen.cap == Cap::square ? radius : 0;
    Depth depth = -1e9;
    for (std::size_t i = 0; i + 1 < nodes.size(); ++i)
        depth = std::max(depth, in_rectangle(p, nodes[i].at, nodes[i + 1].at, radius, i == 0 ? further : 0,
                                             i + 2 == nodes.size() ? further : 0));
    for (std::size_t i = 1; i + 1 < nodes.size(); ++i)
        depth = std::max(depth, in_join(p, nodes[i - 1].at, nodes[i].at, nodes[i + 1].at, pen));
    if (pen.cap == Cap::round)
        depth = std::max({depth, in_disc(p, nodes.front().at, radius), in_disc(p, nodes.back().at, radius)});
    return depth;
}

/// How often edges wind around a place.
int winding(SubPoint p, const CoveredArea& area) {
    int result = 0;
    for (const AreaEdge& edge : area.edges()) {
        const std::int64_t y = p.y + half_a_pixel;
        if (y < edge.top_y || y >= edge.bottom_y) continue;
        if (edge.x_at(y) <= p.x + half_a_pixel) result += edge.direction;
    }
    return result;
}

/// Places far from each other for the width, so that joins lie outside the other lines.
std::vector<OutlineNode> any_nodes(double radius) {
    std::vector<OutlineNode> nodes;
    const int count = *rc::gen::inRange(2, 5);
    const auto spacing = static_cast<std::int64_t>(4 * radius);
    while (static_cast<int>(nodes.size()) < count) {
        SubPoint at{*rc::gen::inRange<std::int64_t>(-9, 10) * spacing,
                    *rc::gen::inRange<std::int64_t>(-9, 10) * spacing};
        if (!nodes.empty() && at == nodes.back().at) at.x += spacing;
        nodes.push_back({at, true});
    }
    return nodes;
}

} // namespace

RC_GTEST_PROP(Outline, WindsAroundWhatLinesJoinsAndCapsHave, ()) {
    const double radius = *rc::gen::inRange(40, 400) / 100.0 * real_sub_pixels;
    const OutlinePen pen{radius, radius, *rc::gen::element(Cap::butt, Cap::square, Cap::round),
                         *rc::gen::element(Join::mitre, Join::bevel, Join::round),
                         *rc::gen::inRange(10, 60) / 10.0};
    const std::vector<OutlineNode> nodes = any_nodes(radius);
    CoveredArea area(everywhere);
    Outliner(pen, area, AreaPart::stroke).add_open(nodes, {});
    for (int i = 0; i < 40; ++i) {
        // Near one of the nodes, where something is decided.
        const OutlineNode& near = nodes[static_cast<std::size_t>(i) % nodes.size()];
        const auto off = [&] {
            return static_cast<std::int64_t>(*rc::gen::inRange(-300, 301) / 100.0 * radius);
        };
        const SubPoint p{near.at.x + off(), near.at.y + off()};
        const Depth depth = in_stroke(p, nodes, pen);
        if (std::abs(depth) < doubt) continue;
        RC_ASSERT((winding(p, area) != 0) == (depth > 0));
    }
}

TEST(Outline, OfADotIsWhatCapsMakeOfIt) {
    for (const Cap cap : {Cap::butt, Cap::square, Cap::round}) {
        const double radius = 4 * real_sub_pixels;
        CoveredArea area(everywhere);
        Outliner({radius, radius, cap, Join::mitre, 4}, area, AreaPart::stroke).add_dot({0, 0}, {1, 0}, {});
        const SubPoint inside{3 * sub_pixels, 0};
        const SubPoint corner{3 * sub_pixels, 3 * sub_pixels};
        EXPECT_EQ(winding(inside, area) != 0, cap != Cap::butt);
        EXPECT_EQ(winding(corner, area) != 0, cap == Cap::square);
    }
}

} // namespace coldbrick::raster
