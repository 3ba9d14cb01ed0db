// Paths: how they are built, mapped, measured, reversed and joined, and their text, with every message.

#include "support/errors.hpp"

#include <coldbrick/path.hpp>
#include <coldbrick/path_text.hpp>
#include <coldbrick/transform.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <limits>
#include <string>

namespace coldbrick::test {

namespace {

Path kite() {
    return Path()
        .move_to({1, 2})
        .line_to({5.5, 2})
        .quadratic_to({8, 4}, {5, 7})
        .cubic_to({4, 8}, {2, 8}, {1, 5})
        .close();
}

double apart(Position a, Position b) {
    return std::hypot(a.x - b.x, a.y - b.y);
}

} // namespace

TEST(Path, GoesOnWhereItIs) {
    // After closing, and at the very beginning, a contour begins by itself.
    const Path path = Path().line_to({3, 0}).line_to({3, 3}).close().line_to({9, 9});
    ASSERT_EQ(path.contours().size(), 2U);
    EXPECT_EQ(path.contours()[0].start, Position());
    EXPECT_TRUE(path.contours()[0].closed);
    EXPECT_EQ(path.contours()[1], (Contour{{0, 0}, {PathLine{{9, 9}}}, false}));
    // Positions are kept to 1/65536.
    EXPECT_EQ(Path().move_to({1.0 / 3, -1.0 / 3}).contours()[0].start,
              (Position{21845.0 / 65536, -21845.0 / 65536}));
}

TEST(Path, BoundsAreThoseOfItsCurves) {
    EXPECT_EQ(Path().bounds(), Box());
    EXPECT_EQ(kite().bounds(), (Box{1, 2, 7, 7}));
    EXPECT_EQ(Path().move_to({0, 0}).quadratic_to({10, 20}, {20, 0}).bounds(), (Box{0, 0, 21, 11}));
    EXPECT_EQ(Path().arc_about({10, 10}, {6, 3}, degrees(0), degrees(360)).bounds(), (Box{4, 7, 13, 7}));
    EXPECT_EQ(Path().arc_about({10, 10}, {6, 6}, degrees(45), degrees(-90)).bounds(), (Box{14, 6, 3, 9}));
    EXPECT_EQ(kite().placed(Anchor::top_left, {20, 30}).bounds(), (Box{20, 30, 7, 7}));
    EXPECT_TRUE(kite().contains({3, 4}));
    EXPECT_FALSE(kite().contains({0, 4}));
}

TEST(Path, ArcsAreThoseOfTheRecommendation) {
    // The four arcs of radius 5 between (0, 0) and (6, 0), by their bounds.
    const auto arc = [](bool large, bool clockwise) {
        return Path().move_to({0, 0}).arc_to({5, 5}, Angle(), {large, clockwise}, {6, 0}).bounds();
    };
    EXPECT_EQ(arc(false, true), (Box{0, -1, 7, 2}));
    EXPECT_EQ(arc(false, false), (Box{0, 0, 7, 2}));
    EXPECT_EQ(arc(true, true), (Box{-2, -9, 11, 10}));
    EXPECT_EQ(arc(true, false), (Box{-2, 0, 11, 10}));
    // Radii that do not reach are scaled up; without one it is a line, and without a way nothing.
    EXPECT_EQ(Path().arc_to({1, -1}, Angle(), {false, true}, {6, 0}).bounds(), (Box{0, -3, 7, 4}));
    EXPECT_EQ(Path().arc_to({0, 9}, Angle(), {}, {6, 0}), Path().line_to({6, 0}));
    EXPECT_TRUE(Path().arc_to({3, 9}, Angle(), {}, {0, 0}).empty());
}

TEST(Path, TransformsMapWhatTheyAreMadeOf) {
    EXPECT_EQ(Transform::move(2, -3)({1, 1}), (Position{3, -2}));
    EXPECT_EQ(Transform::turn(degrees(90), {1, 1})({3, 1}), (Position{1, 3}));
    EXPECT_EQ(Transform::scale(2, -1, {1, 1})({3, 4}), (Position{5, -2}));
    EXPECT_EQ(Transform::shear(2, 0, {0, 1})({3, 4}), (Position{9, 4}));
    const Transform both = Transform::move(1, 0).then(Transform::scale(2, 2));
    EXPECT_EQ(both({3, 4}), (Position{8, 8}));
    const Path turned = kite().transformed(Transform::turn(degrees(90)));
    EXPECT_EQ(turned.contours()[0].start, (Position{-2, 1}));
    EXPECT_EQ(turned.transformed(Transform::turn(degrees(-90))), kite());
    // An arc stays one: a circle of radius 2 becomes an ellipse.
    const Path circle = Path().arc_about({0, 0}, {2, 2}, Angle(), degrees(360));
    EXPECT_EQ(circle.transformed(Transform::scale(3, 1)).bounds(), (Box{-6, -2, 13, 5}));
}

TEST(Path, ReversedAndJoined) {
    EXPECT_EQ(kite().reversed().reversed(), kite());
    EXPECT_EQ(kite().reversed().bounds(), kite().bounds());
    const Path ends = Path().move_to({0, 0}).line_to({1, 1}).cubic_to({2, 2}, {3, 3}, {4, 0});
    EXPECT_EQ(ends.reversed(), Path().move_to({4, 0}).cubic_to({3, 3}, {2, 2}, {1, 1}).line_to({0, 0}));
    Path joined = ends;
    joined.join(Path().move_to({4, 0}).line_to({9, 9})).join(kite());
    EXPECT_EQ(joined.contours().size(), 1U);
    EXPECT_TRUE(joined.contours()[0].closed);
    EXPECT_EQ(joined.contours()[0].pieces.size(), 7U); // 2 and 1, the way to the kite, and its 3
}

TEST(Path, RefusesWhatIsOutOfRange) {
    const double nan = std::numeric_limits<double>::quiet_NaN();
    const double infinite = std::numeric_limits<double>::infinity();
    expect_errors<ArgumentError>(
        {{[&] {
              Path().move_to({3e9, 0});
          },
          "position x 3000000000 is outside -2147483648..2147483647"},
         {[&] {
              Path().line_to({0, nan});
          },
          "position y nan is outside -2147483648..2147483647"},
         {[&] { static_cast<void>(kite().transformed(Transform::scale(infinite, 1))); },
          "transform's number inf is not a finite number"},
         {[&] { static_cast<void>(kite().transformed(Transform::scale(1e10, 1))); },
          "position x 10000000000 is outside -2147483648..2147483647"},
         {[&] {
              Path().arc_to({nan, 1}, Angle(), {}, {1, 1});
          },
          "arc radius nan is not a finite number"},
         {[&] {
              Path().arc_about({0, 0}, {-1, 1}, Angle(), degrees(90));
          },
          "arc radii -1 and 1 are not both 0 and up"},
         {[&] {
              Path().arc_about({0, 0}, {1, 1}, Angle(), degrees(400));
          },
          "an arc's sweep of 400 degrees is outside -360..360"}});
}

TEST(PathText, ReadsEveryCommand) {
    const struct {
        const char* text;
        Path path;
    } rows[] = {
        {"", Path()},
        {"M1 2L3,4", Path().move_to({1, 2}).line_to({3, 4})},
        {"m 1 2 3 4 -1-1", Path().move_to({1, 2}).line_to({4, 6}).line_to({3, 5})},
        {"M.5.25 5 6", Path().move_to({.5, .25}).line_to({5, 6})},
        {"M1e1,+2E-1", Path().move_to({10, .2})},
        {"M0 0H5V6h-1v-1z l1 1", Path()
                                     .move_to({0, 0})
                                     .line_to({5, 0})
                                     .line_to({5, 6})
                                     .line_to({4, 6})
                                     .line_to({4, 5})
                                     .close()
                                     .line_to({1, 1})},
        {"M0 0Q1 2 3 4T7 8t1 1", Path()
                                     .move_to({0, 0})
                                     .quadratic_to({1, 2}, {3, 4})
                                     .quadratic_to({5, 6}, {7, 8})
                                     .quadratic_to({9, 10}, {8, 9})},
        {"M0 0c1 1 2 2 3 0s2 2 3 0L0 0S1 1 2 0", Path()
                                                     .move_to({0, 0})
                                                     .cubic_to({1, 1}, {2, 2}, {3, 0})
                                                     .cubic_to({4, -2}, {5, 2}, {6, 0})
                                                     .line_to({0, 0})
                                                     .cubic_to({0, 0}, {1, 1}, {2, 0})},
        {"M0 0A5 5 0 0110 0a5 5 0 11-10 0", Path()
                                                .move_to({0, 0})
                                                .arc_to({5, 5}, Angle(), {false, true}, {10, 0})
                                                .arc_to({5, 5}, Angle(), {true, true}, {0, 0})},
    };
    for (const auto& row : rows) EXPECT_EQ(read_path(row.text), row.path) << row.text;
}

TEST(PathText, FaultsAreToldWithTheirPlace) {
    const struct {
        const char* text;
        const char* message;
    } rows[] = {
        {"L 1 2", "path text, place 1: expected M or m, found \"L 1 2\""},
        {"5 6", "path text, place 1: expected M or m, found \"5 6\""},
        {"M 1", "path text, place 4: expected a number, the text ends"},
        {"M 1 2 X", "path text, place 7: expected one of M L H V C S Q T A Z or a small letter, found \"X\""},
        {"M 1 2 L 3 q", "path text, place 11: expected a number, found \"q\""},
        {"M 1 2 A 1 1 0 2 0 3 3", "path text, place 15: expected 0 or 1, found \"2 0 3 3\""},
        {"M 1 2 L 1e999 3", "path text, place 9: expected a number that is not too large, found \"1e999 3\""},
        {"M nan 2", "path text, place 3: expected a number, found \"nan 2\""},
        {"M 1 +-2", "path text, place 5: expected a number, found \"+-2\""},
        {"M 1 3e9", "position y 3000000000 is outside -2147483648..2147483647"},
    };
    for (const auto& row : rows)
        expect_errors<ArgumentError>({{[&] { static_cast<void>(read_path(row.text)); }, row.message}});
}

TEST(PathText, WritesWhatItReads) {
    EXPECT_EQ(path_text(Path()), "");
    EXPECT_EQ(path_text(kite()), "M 1 2 L 5.5 2 Q 8 4 5 7 C 4 8 2 8 1 5 Z");
    EXPECT_EQ(read_path(path_text(kite())), kite());
    const Path arc = Path().move_to({0, 0}).arc_to({5, 3}, degrees(30), {true, true}, {4, 1});
    const Path again = read_path(path_text(arc));
    const auto& first = std::get<PathArc>(arc.contours()[0].pieces[0]);
    const auto& second = std::get<PathArc>(again.contours()[0].pieces[0]);
    EXPECT_LT(apart(first.centre, second.centre), 1e-3);
    EXPECT_NEAR(first.sweep.in_degrees(), second.sweep.in_degrees(), 1e-2);
    EXPECT_EQ(read_path(path_text(Path().arc_about({9, 9}, {4, 2}, Angle(), degrees(360)))).bounds(),
              (Box{5, 7, 9, 5}));
}

} // namespace coldbrick::test
