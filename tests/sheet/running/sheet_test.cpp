// Sheets: what their statements draw, arithmetic, settings, and every message with its place.

#include "support/errors.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/path.hpp>
#include <coldbrick/regular_polygon.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/sheet.hpp>

#include <gtest/gtest.h>

#include <limits>
#include <string>

namespace coldbrick::test {

namespace {

Sheet read(const std::string& text, const std::vector<Setting>& settings = {}) {
    return read_sheet(text, "quay.brick", {.settings = settings});
}

/// An item of the sheet's drawing that is a shape.
const Drawing::StyledShape& styled(const Sheet& sheet, std::size_t i) {
    return std::get<Drawing::StyledShape>(sheet.drawing.items().at(i));
}

/// The value of an expression as the x of a line's end.
int worked_out(const std::string& expression) {
    const Sheet sheet =
        read("sheet 9 x 9\nlet p = (3, 4)\nlet two = 2\nline (" + expression + ", 0) to (0, 0) stroke red");
    return std::get<Line>(styled(sheet, 0).shape).from.x;
}

} // namespace

TEST(Sheet, DrawsWhatTheCallsDraw) {
    const Sheet sheet = read(R"(// the quay at low water
sheet 60 x 40 on #0b1d2e
let beacon = (32, 12)
let r = 9 // the light
let tint = #ffd70080
box (0, 30) to (59, 39)            fill #2f6f5e
box (3, 3) size 2 * r x r          fill teal stroke white 2
circle at beacon radius r          fill tint
circle at beacon + (2, 3) radius r / 2 stroke gold
circle at (beacon.x, beacon.y) radius r stroke gold 3  fill black
line beacon to (50,
                35)                stroke red
)");
    EXPECT_EQ(sheet.size, (Size{60, 40}));
    EXPECT_EQ(sheet.ground, colour("#0b1d2e"));
    Image expected({60, 40}, PixelFormat::rgba8, colour("#0b1d2e"));
    draw(expected, Box{0, 30, 60, 10}, Fill{colour("#2f6f5e")});
    draw(expected, Box{3, 3, 18, 9}, Fill{colour("teal")}, Stroke{colour("white"), 2});
    draw(expected, Circle{{32, 12}, 9}, Fill{colour("#ffd70080")});
    draw(expected, Circle{{34, 15}, 5}, Stroke{colour("gold")}); // 4.5 is rounded up
    draw(expected, Circle{{32, 12}, 9}, Fill{colour("black")}, Stroke{colour("gold"), 3});
    draw(expected, Line{{32, 12}, {50, 35}}, Stroke{colour("red")});
    const Image drawn = sheet.render();
    for (int i = 0; i < 60 * 40; ++i)
        ASSERT_EQ(drawn.pixel({i % 60, i / 60}), expected.pixel({i % 60, i / 60}));
    EXPECT_EQ(read("sheet 3 x 2").ground, colour("white"));
}

TEST(Sheet, DrawsPathsAndPolygonsWithTheirStyles) {
    const Sheet sheet = read(R"(sheet 60 x 40
path (5, 5), (50, 9), // the breakwater
     (30, 30) closed                       stroke gold 5 cap square join bevel
path (5, 35), (30, 20), (55, 35)           stroke teal 6 limit 1.5 cap round
line (3, 3) to (40, 12)                    stroke red 4 cap round
polygon (10, 10), (50, 12), (30, 38)

    ring (25, 15), (35, 15), (30, 25)  fill navy tiling stroke white 2 join round
polygon (0, 0), (20, 0), (0, 20), (20, 20) fill #ff00ff80 nonzero
)");
    ASSERT_EQ(sheet.drawing.items().size(), 5U);
    EXPECT_EQ(std::get<Polyline>(styled(sheet, 0).shape), (Polyline{{{5, 5}, {50, 9}, {30, 30}}, true}));
    EXPECT_EQ(styled(sheet, 0).stroke, (Stroke{colour("gold"), 5, Cap::square, Join::bevel}));
    EXPECT_EQ(std::get<Polyline>(styled(sheet, 1).shape), (Polyline{{{5, 35}, {30, 20}, {55, 35}}}));
    EXPECT_EQ(styled(sheet, 1).stroke, (Stroke{colour("teal"), 6, Cap::round, Join::mitre, 1.5}));
    EXPECT_EQ(styled(sheet, 2).stroke, (Stroke{colour("red"), 4, Cap::round}));
    const std::vector<std::vector<Point>> rings{{{10, 10}, {50, 12}, {30, 38}},
                                                {{25, 15}, {35, 15}, {30, 25}}};
    EXPECT_EQ(std::get<Polygon>(styled(sheet, 3).shape), Polygon(rings));
    EXPECT_EQ(styled(sheet, 3).fill, (Fill{colour("navy"), FillRule::even_odd, FillExtent::tiling}));
    EXPECT_EQ(styled(sheet, 3).stroke, (Stroke{colour("white"), 2, Cap::butt, Join::round}));
    EXPECT_EQ(styled(sheet, 4).fill, (Fill{colour("#ff00ff80"), FillRule::non_zero, FillExtent::whole}));
}

TEST(Sheet, DrawsEllipsesInBoxesAndAboutCentres) {
    const Sheet sheet = read("sheet 60 x 40\nellipse at (30, 20) radii 9 x 4 fill teal\n"
                             "ellipse (3, 2) to (12, 30) stroke gold 3\nellipse (5, 6) size 12 x 7 fill red");
    ASSERT_EQ(sheet.drawing.items().size(), 3U);
    EXPECT_EQ(std::get<Ellipse>(styled(sheet, 0).shape), Ellipse::about({30, 20}, 9, 4));
    EXPECT_EQ(std::get<Ellipse>(styled(sheet, 1).shape), (Ellipse{{3, 2, 10, 29}}));
    EXPECT_EQ(std::get<Ellipse>(styled(sheet, 2).shape), (Ellipse{{5, 6, 12, 7}}));
    expect_errors<SheetError>(
        {{[] { (void)read("sheet 9 x 9\nellipse at (1, 1) radii 3 fill red"); },
          "quay.brick:2:27: expected \"x\", found \"fill\"\nellipse at (1, 1) radii 3 fill red\n"
          "                          ^"}});
}

TEST(Sheet, DrawsCurvesAnglesAndDashes) {
    const Sheet sheet = read(R"(sheet 60 x 40
let up = -90
arc at (30, 20) radius 9 from up - 20 sweep 40           stroke gold 3 cap round
sector at (30, 20) radii 9 x 4 turned 30 from 0 sweep -75 fill teal stroke white inside
segment (3, 2) to (12, 30) from 10.5 sweep 400           fill teal
ellipse (5, 6) size 12 x 7 turned up / 2                 stroke red
box (5, 6) size 12 x 7 rounded 3                         stroke red 2 outside dashes 4, 2.5 offset -1
dots (1, 2), (3, 4)                                      stroke red
polygon at (30, 20) radius 9 corners 6                   fill red
star at (30, 20) radius 9 notch 4 tips 5 turned 36       fill red
)");
    ASSERT_EQ(sheet.drawing.items().size(), 8U);
    EXPECT_EQ(std::get<Arc>(styled(sheet, 0).shape), Arc::about({30, 20}, 9, degrees(-110), degrees(40)));
    EXPECT_EQ(std::get<Sector>(styled(sheet, 1).shape),
              (Sector{Ellipse::about({30, 20}, 9, 4, degrees(30)), degrees(0), degrees(-75)}));
    EXPECT_EQ(styled(sheet, 1).stroke->alignment, Alignment::inside);
    EXPECT_EQ(std::get<Segment>(styled(sheet, 2).shape),
              (Segment{{{3, 2, 10, 29}}, degrees(10.5), degrees(400)}));
    EXPECT_EQ(std::get<Ellipse>(styled(sheet, 3).shape), (Ellipse{{5, 6, 12, 7}, degrees(-45)}));
    EXPECT_EQ(std::get<RoundedBox>(styled(sheet, 4).shape), (RoundedBox{{5, 6, 12, 7}, 3}));
    EXPECT_EQ(styled(sheet, 4).stroke, (Stroke{colour("red"), 2, Cap::butt, Join::mitre, 4,
                                               Alignment::outside, Dashes{{4, 2.5}, -1}}));
    EXPECT_EQ(std::get<Dots>(styled(sheet, 5).shape), (Dots{{{1, 2}, {3, 4}}}));
    EXPECT_EQ(std::get<Polygon>(styled(sheet, 6).shape), regular_polygon({30, 20}, 9, 6));
    EXPECT_EQ(std::get<Polygon>(styled(sheet, 7).shape), star({30, 20}, 9, 4, 5, degrees(-54)));
    const auto fault = [](const std::string& line, const std::string& message) {
        return FailingCall{[line] { (void)read("sheet 9 x 9\n" + line); }, "quay.brick:2:" + message};
    };
    expect_errors<SheetError>({
        fault("arc at (1, 1) radius 3 sweep 4 stroke red",
              "24: expected \"from\", found \"sweep\"\narc at (1, 1) radius 3 sweep 4 stroke red\n"
              "                       ^"),
        fault("arc at (1, 1) width 3",
              "15: expected \"radius\", \"radii\" or \"size\", found \"width\"; a width follows the stroke's "
              "colour: stroke navy 3\narc at (1, 1) width 3\n              ^"),
        fault("line (0, 0) to (1, 1) stroke red inside",
              "23: dots, lines, polylines and arcs have no inside: their strokes are centred\nline (0, 0) to "
              "(1, 1) stroke red inside\n"
              "                      ^"),
        fault("dots (0, 0) stroke red dashes 1, -2",
              "31: dash length -2 is outside 0..1099511627776\ndots (0, 0) stroke red dashes 1, -2\n"
              "                              ^"),
        fault("dots (0, 0) stroke red dashes 0, 0",
              "31: sum of the dash lengths 0 is outside 0.125..1099511627776\ndots (0, 0) stroke red dashes "
              "0, 0\n"
              "                              ^"),
        fault("dots (0, 0) stroke red offset 3",
              "31: there are no dashes to offset\ndots (0, 0) stroke red offset 3\n"
              "                              ^"),
        fault("star at (4, 4) radius 3 notch 1 tips 0 fill red",
              "38: number of tips 0 is outside 1..1000000\nstar at (4, 4) radius 3 notch 1 tips 0 fill red\n"
              "                                     ^"),
    });
}

TEST(Sheet, PathsHaveCurvesAndContours) {
    const Sheet sheet = read(R"(sheet 60 x 40
path (1, 2), (10.5, 3.25) curve (20, 0) to (30, 5), (31, 9) around (31, 19) sweep 90 to (50, 19)
   curve (55, 25), (40, 30) to (35.5, 30)   fill red nonzero
path (1, 1), (9, 1), (5, 8) ring (3, 2), (6, 2), (5, 4) closed   fill red
path (1.4, 1), (9, 1)     stroke red
path (1.4, 1), (9, 1)     stroke red 1.5 smooth
path "M 1 1 h 8 l -4 7 z" at (3, 0.5)   fill red
)");
    Path curved;
    curved.move_to({1, 2}).line_to({10.5, 3.25}).quadratic_to({20, 0}, {30, 5}).line_to({31, 9});
    curved.add(PathArc{{31, 19}, {0, -10}, {10, 0}, degrees(0), degrees(90), {41, 19}});
    curved.line_to({50, 19}).cubic_to({55, 25}, {40, 30}, {35.5, 30});
    EXPECT_EQ(std::get<Path>(styled(sheet, 0).shape), curved);
    EXPECT_EQ(styled(sheet, 0).fill->rule, FillRule::non_zero);
    Path ringed;
    ringed.move_to({1, 1}).line_to({9, 1}).line_to({5, 8}).close();
    EXPECT_EQ(std::get<Path>(styled(sheet, 4).shape), ringed.transformed(Transform::move(3, 0.5)));
    ringed.move_to({3, 2}).line_to({6, 2}).line_to({5, 4}).close();
    EXPECT_EQ(std::get<Path>(styled(sheet, 1).shape), ringed);
    EXPECT_EQ(std::get<Polyline>(styled(sheet, 2).shape), (Polyline{{{1, 1}, {9, 1}}}));
    EXPECT_EQ(std::get<Path>(styled(sheet, 3).shape), Path().move_to({1.4, 1}).line_to({9, 1}));
    EXPECT_EQ(styled(sheet, 3).stroke->width, 1.5);
}

TEST(Sheet, EdgesAndLightAreStyleWordsAndSmoothMayBeTheSheets) {
    const std::string shapes = R"(
circle at (9, 9) radius 5  fill red  stroke white 2 linear
circle at (9, 9) radius 5  fill red smooth  stroke white 2 crisp
)";
    const Sheet crisp = read("sheet 60 x 40" + shapes);
    const Sheet smooth = read("sheet 60 x 40 on white smooth" + shapes);
    EXPECT_EQ(styled(crisp, 0).fill->edges, Edges::crisp);
    EXPECT_EQ(styled(smooth, 0).fill->edges, Edges::smooth);
    EXPECT_EQ(styled(crisp, 0).stroke->edges, Edges::crisp);
    EXPECT_EQ(styled(smooth, 0).stroke->edges, Edges::smooth);
    for (const Sheet& sheet : {crisp, smooth}) {
        EXPECT_EQ(styled(sheet, 0).stroke->blending.space, BlendSpace::linear);
        EXPECT_EQ(styled(sheet, 0).fill->blending.space, BlendSpace::encoded);
        EXPECT_EQ(styled(sheet, 1).fill->edges, Edges::smooth);
        EXPECT_EQ(styled(sheet, 1).stroke->edges, Edges::crisp);
    }
}

TEST(Sheet, ArithmeticBindsAsInSchool) {
    const std::pair<const char*, int> expected[] = {
        {"1 + 2 * 3", 7}, {"(1 + 2) * 3", 9}, {"7 - 2 - 1", 4},    {"12 / 2 / 3", 2}, {"-2 * -3", 6},
        {"--5", 5},       {"2 - -3", 5},      {"7 / 2", 4},        {"-7 / 2", -3},    {"0.49", 0},
        {"p.x + p.y", 7}, {"(p * two).y", 8}, {"(2 * p).x", 6},    {"(p / 2).y", 2},  {"(p - (1, 1)).x", 2},
        {"(-p).y", -4},   {"-p.x", -3},       {"10 - two * 3", 4}, {"1.25 * 4", 5},
    };
    for (const auto& [expression, value] : expected) EXPECT_EQ(worked_out(expression), value) << expression;
}

TEST(Sheet, SettingsReplaceWhatLetGives) {
    const std::string text = "let r = 3\nlet c = red\nsheet 9 x 9\ncircle at (4, 4) radius r fill c";
    const Sheet sheet = read(text, {{"r", "2 + 5"}, {"c", "#123"}});
    EXPECT_EQ(std::get<Circle>(styled(sheet, 0).shape).radius, 7);
    EXPECT_EQ(styled(sheet, 0).fill->paint, colour("#123"));
}

TEST(Sheet, PaintsPatternsAndBlends) {
    const Sheet sheet = read(R"(sheet 60 x 40 on harbour.night
palette quay  rust rgb(170, 60, 30), foam hsl(190, 60, 90)
box (0, 0) to (59, 19)  fill along (0, 0) to (59, 0) quay.rust, gold at 0.25, quay.foam
circle at (20, 20) radius 9  fill around (20, 20) radius 9 white, mix(white, black, 0.25) opacity 0.5
box (30, 5) size 20 x 30  fill hatch lattice gold spacing 6 wide 2 on lighter(navy, 0.5) blend multiply
                          stroke hatch level red 3 opacity 0.2 blend screen
)");
    const Colour rust(170, 60, 30);
    const Colour foam(214, 240, 245);
    Image expected({60, 40}, PixelFormat::rgba8, default_palette().find("night").value());
    draw(expected, Box{0, 0, 60, 20},
         Fill{LinearGradient{{0, 0}, {59, 0}, {{0, rust}, {0.25, colour("gold")}, {1, foam}}}});
    draw(expected, Circle{{20, 20}, 9},
         Fill{RadialGradient{{20, 20}, 9, {{0, colour("white")}, {1, Colour(191, 191, 191)}}},
              {},
              {},
              {BlendMode::source_over, 128}});
    Stroke red{Hatch{Hatch::Direction::level, 8, 1, colour("red")}, 3};
    red.blending = {BlendMode::screen, 51};
    draw(expected, Box{30, 5, 20, 30},
         Fill{Hatch{Hatch::Direction::lattice, 6, 2, colour("gold"), Colour(128, 128, 192)},
              {},
              {},
              {BlendMode::multiply}},
         red);
    const Image drawn = sheet.render();
    for (int i = 0; i < 60 * 40; ++i)
        ASSERT_EQ(hex(drawn.pixel({i % 60, i / 60})), hex(expected.pixel({i % 60, i / 60}))) << i;
}

TEST(Sheet, LaysImages) {
    Image buoy({4, 2}, PixelFormat::rgba8, colour("red"));
    buoy.set_pixel({0, 0}, colour("lime"));
    const auto load = [&](const std::string& file, std::size_t) {
        if (file != "buoy.png") throw FileError("no such file: " + file);
        return buoy;
    };
    const Sheet sheet = read_sheet(R"(sheet 30 x 20 on navy
image "buoy.png" at (1, 1)
image "buoy.png" at (10, 10) anchor bottom_right turned 90 mirrored key lime
image "buoy.png" at (20, 10) size 8 x 8 contain anchor centre opacity 0.5 blend lighten
)",
                                   "quay.brick", {.load_image = load});
    Image expected({30, 20}, PixelFormat::rgba8, colour("navy"));
    overlay(expected, buoy, {1, 1});
    Overlay options;
    options.orientation = {true, 1};
    options.hot_spot = {1, 3};
    options.key = colour("lime");
    overlay(expected, buoy, {10, 10}, options);
    Overlay half;
    half.hot_spot = {3, 1};
    half.blending = {BlendMode::lighten, 128};
    overlay(expected, resized(buoy, {8, 4}), {20, 10}, half);
    const Image drawn = sheet.render();
    for (int i = 0; i < 600; ++i)
        ASSERT_EQ(hex(drawn.pixel({i % 30, i / 30})), hex(expected.pixel({i % 30, i / 30}))) << i;

    // As a texture and as a mask: of the buoy only the lime pixel is as bright as half.
    const Sheet patterned =
        read_sheet(R"(sheet 30 x 20 on navy
box (2, 2) to (20, 9)  fill texture "buoy.png"
image "buoy.png" at (22, 12) mask "mask.png" named b
dots b.bottom_right  stroke white
)",
                   "quay.brick", {.load_image = [&](const std::string& file, std::size_t) {
                       Image image = buoy;
                       if (file == "mask.png") image.set_pixel({3, 1}, colour("white"));
                       return image;
                   }});
    Image patterns({30, 20}, PixelFormat::rgba8, colour("navy"));
    draw(patterns, Box{2, 2, 19, 8}, Fill{texture(buoy)});
    patterns.set_pixel({25, 13}, colour("white"));
    EXPECT_EQ(hex(patterned.render().pixel({22, 12})), "#000080");
    const Image patterned_pixels = patterned.render();
    for (int i = 0; i < 600; ++i)
        ASSERT_EQ(hex(patterned_pixels.pixel({i % 30, i / 30})), hex(patterns.pixel({i % 30, i / 30}))) << i;
    expect_errors<SheetError>(
        {{[&] {
              (void)read_sheet("sheet 9 x 9\nimage \"boy.png\" at (1, 1)", "quay.brick",
                               {.load_image = load});
          },
          "quay.brick:2:7: no such file: boy.png\nimage \"boy.png\" at (1, 1)\n      ^"}});
}

TEST(Sheet, FaultsAreToldWithTheirPlace) {
    struct Row {
        std::string text;
        std::string message;
    };
    const std::string expected_words = "a number, a point, a colour, a text or a name";
    const Row rows[] = {
        {"sheet 9 x 9\ncircle at (1, 2) radius -3 fill red",
         "quay.brick:2:25: radius -3 is outside 0..2147483647\ncircle at (1, 2) radius -3 fill red\n"
         "                        ^"},
        {"sheet 9 x 9\n\tboxx (1, 2) to (3, 4) fill red\n",
         "quay.brick:2:2: expected a statement (sheet, frames, let, palette, style, image, text, dots, line, "
         "path, "
         "arc, box, circle, ellipse, sector, segment, polygon, star, if, repeat, motif, place, layer, clip, "
         "data, "
         "include), found \"boxx\"; did you mean \"box\"?\n"
         "\tboxx (1, 2) to (3, 4) fill red\n\t^"},
        {"sheet 0 x 9", "quay.brick:1:7: width 0 is outside 1..2147483647\nsheet 0 x 9\n      ^"},
        {"sheet 9 x 3000000000",
         "quay.brick:1:11: height 3000000000 is outside 1..2147483647\nsheet 9 x 3000000000\n          ^"},
        {"sheet 9x9",
         "quay.brick:1:8: a number ends here: put a blank between it and the word\nsheet 9x9\n       ^"},
        {"sheet 9 9", "quay.brick:1:9: expected \"x\", found \"9\"\nsheet 9 9\n        ^"},
        {"sheet 9 x 9 on 5", "quay.brick:1:16: expected a colour, not a number; a gray of 0 to 255 is "
                             "gray(128)\nsheet 9 x 9 on 5\n               ^"},
        {"sheet 9 x 9 on #12345", "quay.brick:1:16: \"#12345\" is not a colour: write # and 3, 4, 6 or 8 "
                                  "hexadecimal digits, rgb(...), hsl(...) or a CSS colour "
                                  "name\nsheet 9 x 9 on #12345\n               ^"},
        {"sheet 9 x 9\nsheet 8 x 8", "quay.brick:2:1: the sheet has its size already\nsheet 8 x 8\n^"},
        {"let a = 1", "quay.brick:1:10: the sheet has no statement: sheet WIDTH x HEIGHT on COLOUR\nlet a = "
                      "1\n         ^"},
        {"line (0, 0) to (1, 1) stroke red",
         "quay.brick:1:1: the sheet's size comes first: sheet WIDTH x HEIGHT on COLOUR\n"
         "line (0, 0) to (1, 1) stroke red\n^"},
        {"let a = 1\nlet b = 2\nlet a = 3",
         "quay.brick:3:5: \"a\" is defined already, in line 1\nlet a = 3\n    ^"},
        {"let to = 1",
         "quay.brick:1:5: \"to\" has a meaning of its own and cannot be a name\nlet to = 1\n    ^"},
        {"let 5 = 1", "quay.brick:1:5: expected a name, found \"5\"\nlet 5 = 1\n    ^"},
        {"let a 1", "quay.brick:1:7: expected \"=\", found \"1\"\nlet a 1\n      ^"},
        {"let a = ",
         "quay.brick:1:9: expected " + expected_words + ", found the end of the line\nlet a = \n        ^"},
        {"let a = 1 2",
         "quay.brick:1:11: expected the end of the line, found \"2\"\nlet a = 1 2\n          ^"},
        {"let a = b",
         "quay.brick:1:9: \"b\" is neither defined above nor the name of a colour\nlet a = b\n        ^"},
        {"let a = (1, 2) + 3",
         "quay.brick:1:16: cannot add a point and a number\nlet a = (1, 2) + 3\n               ^"},
        {"let a = 3 - red",
         "quay.brick:1:11: cannot subtract a number and a colour\nlet a = 3 - red\n          ^"},
        {"let a = (1, 2) * (3, 4)",
         "quay.brick:1:16: cannot multiply a point and a point\nlet a = (1, 2) * (3, 4)\n               ^"},
        {"let a = 3 / (1, 2)",
         "quay.brick:1:11: cannot divide a number and a point\nlet a = 3 / (1, 2)\n          ^"},
        {"let a = 3 / 0", "quay.brick:1:11: division by zero\nlet a = 3 / 0\n          ^"},
        {"let a = ((1, 2), 3)",
         "quay.brick:1:10: expected a number, not a point\nlet a = ((1, 2), 3)\n         ^"},
        {"let a = (1, 2).z", "quay.brick:1:15: points have x and y, not \"z\"\n"
                             "let a = (1, 2).z\n              ^"},
        {"let a = red.x", "quay.brick:1:12: only points, boxes, palettes, rows of data and what is drawn "
                          "have parts; this is a colour\n"
                          "let a = red.x\n           ^"},
        {"palette p a red, b blue\nlet c = p.d",
         "quay.brick:2:10: the palette has no colour \"d\"\nlet c = p.d\n         ^"},
        {"palette p a red, a blue", "quay.brick:1:1: two entries of the palette have the name \"a\"\npalette "
                                    "p a red, a blue\n^"},
        {"let a = mix(red)", "quay.brick:1:9: mix() has 1 values, not 2 or 3\nlet a = mix(red)\n        ^"},
        {"let a = rgb(1, 256, 3)", "quay.brick:1:9: colour channel green 256 is outside "
                                   "0..255\nlet a = rgb(1, 256, 3)\n        ^"},
        {"sheet 9 x 9\nimage \"a.png\" at (1, 2)",
         "quay.brick:2:7: images cannot be opened here\nimage \"a.png\" at (1, 2)\n      ^"},
        {"sheet 9 x 9\nimage \"a.png at (1, 2)", "quay.brick:2:7: this text does not end in its line: a \" "
                                                 "is missing\nimage \"a.png at (1, 2)\n      ^"},
        {"sheet 9 x 9\nbox (1, 1) to (2, 2) fill red opacity 1.5",
         "quay.brick:2:39: opacity 1.5 is outside 0..1\nbox (1, 1) to (2, 2) fill red opacity 1.5\n"
         "                                      ^"},
        {"sheet 9 x 9\nbox (1, 1) to (2, 2) fill along (1, 1) to (1, 1) red, blue",
         "quay.brick:2:43: a gradient from (1, 1) to the same point has no direction\n"
         "box (1, 1) to (2, 2) fill along (1, 1) to (1, 1) red, blue\n"
         "                                          ^"},
        {"sheet 9 x 9\nbox (1, 1) to (2, 2) fill along (1, 1) to (1, 2) red at 0.7, blue at 0.5",
         "quay.brick:2:43: a gradient's stop at 0.5 follows one at 0.7\n"
         "box (1, 1) to (2, 2) fill along (1, 1) to (1, 2) red at 0.7, blue at 0.5\n"
         "                                          ^"},
        {"let a = (1, 2",
         "quay.brick:1:14: expected \")\", found the end of the line\nlet a = (1, 2\n             ^"},
        {"let é = 1", "quay.brick:1:5: no statement or expression has the character \"é\"\nlet é = 1\n    ^"},
        {"let a = 1 // ü\nlet b = (\"ü\")*2", "quay.brick:2:14: cannot multiply a text and a number\n"
                                              "let b = (\"ü\")*2\n             ^"},
        {"sheet 9 x 9\nline (0, 0) to (1, 1)", "quay.brick:2:22: expected \"fill\" or \"stroke\", found the "
                                               "end of the line\nline (0, 0) to (1, 1)\n"
                                               "                     ^"},
        {"sheet 9 x 9\nline (0, 0) to (1, 1) fill red",
         "quay.brick:2:23: dots, lines, polylines and arcs have no inside to fill: use a stroke\nline (0, 0) "
         "to (1, 1) fill red\n"
         "                      ^"},
        {"sheet 9 x 9\nline 5 to (1, 1) stroke red",
         "quay.brick:2:6: expected a point (x, y), not a number\nline 5 to (1, 1) stroke red\n     ^"},
        {"sheet 9 x 9\nline (0, 3e9) to (1, 1) stroke red",
         "quay.brick:2:11: a number ends here: put a blank between it and the word\nline (0, 3e9) to (1, 1) "
         "stroke "
         "red\n          ^"},
        {"sheet 9 x 9\nline (0, 0) to (1, 3000000000) stroke red",
         "quay.brick:2:16: y 3000000000 is outside -2147483648..2147483647\nline (0, 0) to (1, 3000000000) "
         "stroke "
         "red\n               ^"},
        {"sheet 9 x 9\nbox (1, 2) fill red", "quay.brick:2:12: expected \"to\" and the opposite corner, or "
                                             "\"size\" and width x height, found \"fill\"\n"
                                             "box (1, 2) fill red\n           ^"},
        {"sheet 9 x 9\nbox (1, 2) size 3 x -1 fill red",
         "quay.brick:2:21: height -1 is outside 0..2147483647\nbox (1, 2) size 3 x -1 fill red\n"
         "                    ^"},
        {"sheet 9 x 9\ncircle at (1, 1) radius red fill red",
         "quay.brick:2:25: expected a number for the radius, not a colour\ncircle at (1, 1) radius red fill "
         "red\n"
         "                        ^"},
        {"sheet 9 x 9\ncircle at (1, 1) radius 2 fill red fill red",
         "quay.brick:2:36: this shape has a fill already\ncircle at (1, 1) radius 2 fill red fill red\n"
         "                                   ^"},
        {"sheet 9 x 9\ncircle at (1, 1) radius 2 stroke red 2 stroke red",
         "quay.brick:2:40: this shape has a stroke already\ncircle at (1, 1) radius 2 stroke red 2 stroke "
         "red\n"
         "                                       ^"},
        {"sheet 9 x 9\ncircle at (1, 1) radius 2 stroke red 0",
         "quay.brick:2:38: stroke width 0 is outside 1..2147483647\ncircle at (1, 1) radius 2 stroke red 0\n"
         "                                     ^"},
        {"sheet 9 x 9\ncircle at (1, 1) radius 2 fill red, 3",
         "quay.brick:2:35: expected \"fill\", \"stroke\", \"like\" or the end of the line, found \",\"\n"
         "circle at (1, 1) radius 2 fill red, 3\n                                  ^"},
        {"sheet 9 x 9\npath (1, 1), 5 stroke red",
         "quay.brick:2:14: expected a point (x, y) or a list of points, not a number\npath (1, 1), 5 stroke "
         "red\n             ^"},
        {"sheet 9 x 9\npath (1, 1) stroke red 2 cap sharp",
         "quay.brick:2:30: expected one of butt, square, round, found \"sharp\"\npath (1, 1) stroke red 2 "
         "cap sharp\n"
         "                             ^"},
        {"sheet 9 x 9\npath (1, 1) stroke red join round limit 0.5",
         "quay.brick:2:41: mitre limit 0.5 is below 1\npath (1, 1) stroke red join round limit 0.5\n"
         "                                        ^"},
        {"sheet 9 x 9\npath (1, 1) stroke red limit red",
         "quay.brick:2:30: expected a number for the mitre limit, not a colour\npath (1, 1) stroke red limit "
         "red\n"
         "                             ^"},
        {"sheet 9 x 9\ndots (1, 1) fill red",
         "quay.brick:2:13: dots, lines, polylines and arcs have no inside to fill: use a stroke\n"
         "dots (1, 1) fill red\n            ^"},
        {"sheet 9 x 9\npath \"M 0 0 L 5 x\" stroke red",
         "quay.brick:2:6: path text, place 11: expected a number, found \"x\"\npath \"M 0 0 L 5 x\" stroke "
         "red\n     ^"},
        {"sheet 9 x 9\npath (1, 1) curve (2, 2), (3, 3), (4, 4) to (5, 5) stroke red",
         "quay.brick:2:13: a curve has one or two control points\npath (1, 1) curve (2, 2), (3, 3), (4, 4) "
         "to "
         "(5, 5) stroke red\n            ^"},
        {"sheet 9 x 9\npath (1, 1) around (5, 5) sweep 400 stroke red",
         "quay.brick:2:33: the sweep 400 is outside -360..360\npath (1, 1) around (5, 5) sweep 400 stroke "
         "red\n                                ^"},
        {"sheet 9 x 9\nline (1, 1) to (5, 5) stroke red 1.5",
         "quay.brick:2:23: stroke width 1.5 is not whole: only smooth strokes and those of paths may have "
         "fractions\nline (1, 1) to (5, 5) stroke red 1.5\n                      ^"},
        {"sheet 9 x 9\nline (1, 1) to (5, 5) stroke red smooth crisp",
         "quay.brick:2:41: the kind of edges is told for the second time\nline (1, 1) to (5, 5) stroke red "
         "smooth "
         "crisp\n                                        ^"},
        {"sheet 9 x 9\npolygon fill red",
         "quay.brick:2:9: expected " + expected_words + ", found \"fill\"\npolygon fill red\n        ^"},
    };
    for (const Row& row : rows) expect_errors<SheetError>({{[&] { (void)read(row.text); }, row.message}});
}

TEST(Sheet, FaultsInSettingsAreTold) {
    const std::string text = "sheet 9 x 9\nlet r = 2\nlet c = red";
    expect_errors<SheetError>({
        {[&] {
             (void)read(text, {{"q", "1"}});
         },
         "quay.brick: no let defines \"q\", which is to be set: the sheet defines r, c"},
        {[] {
             (void)read("sheet 9 x 9", {{"q", "1"}});
         },
         "quay.brick: no let defines \"q\", which is to be set: the sheet defines nothing"},
        {[&] {
             (void)read(text, {{"r", "1 +"}});
         },
         "setting r:1:4: expected a number, a point, a colour, a text or a name, found the end of the "
         "line\n1 +\n   "
         "^"},
    });
}

TEST(Sheet, HostileTextsEndInAMessage) {
    const std::string digits(400, '9');
    const std::string deep(100000, '(');
    for (const std::string& text :
         {"let a = " + digits, "let a = " + digits + " * " + digits, "let a = " + deep,
          "let a = " + std::string(100000, '-') + "1", std::string("\0\0", 2)})
        EXPECT_THROW((void)read(text), SheetError) << text.substr(0, 20);
    std::string sum = "let a = 1";
    std::string chain = "let a = p";
    for (int i = 0; i < 100000; ++i) {
        sum += "+1";
        chain += ".x";
    }
    EXPECT_THROW((void)read(sum), SheetError);
    EXPECT_THROW((void)read(chain), SheetError);
}

TEST(Sheet, StrangeBytesAreNamedAndSteerNoTerminal) {
    const auto reading = [](std::string text) { return [text = std::move(text)] { (void)read(text); }; };
    expect_errors<SheetError>({
        {reading(std::string("let a = 1\0", 10)),
         "quay.brick:1:10: no statement or expression has the character "
         "\"\\x00\"\nlet a = 1\\x00\n         ^"},
        {reading("let a = 7 % 2"), "quay.brick:1:11: no statement or expression has the character \"%\"; a "
                                   "share is a number: 0.5\nlet a = 7 % "
                                   "2\n          ^"},
        {reading("let a = \xff"), "quay.brick:1:9: the byte \\xff is not UTF-8\nlet a = \\xff\n        ^"},
        {reading("// \x1b[2J\xff\x07 fog\rlet a = \x1b"), // CR alone ends a line
         "quay.brick:2:9: no statement or expression has the character \"\\x1b\"\nlet a = \\x1b\n        ^"},
        {reading("let a = 1\r\nlet b = \"\x1b\" / 1"), "quay.brick:2:13: cannot divide a text and a number\n"
                                                       "let b = \"\\x1b\" / 1\n"
                                                       "               ^"},
        {reading("let " + std::string(300, 'a') + " = %"),
         "quay.brick:1:308: no statement or expression has the character \"%\"; a share is a number: "
         "0.5\n..." +
             std::string(67, 'a') + " = %\n" + std::string(73, ' ') + "^"},
        {reading("sheet 9 x 9\nline (0, 0) to (1, 1) stroke " + std::string(200, 'q')),
         "quay.brick:2:30: \"" + std::string(60, 'q') +
             "...\" is neither defined above nor the name of a colour\nline (0, 0) to (1, 1) stroke " +
             std::string(71, 'q') + "...\n" + std::string(29, ' ') + "^"},
    });
    EXPECT_EQ(read("\xEF\xBB\xBFsheet 7 x 5").size, (Size{7, 5}));
    EXPECT_EQ(read("sheet 7 x 5\r// CR\rline (0, 0) to (1, 1) stroke red\r").drawing.items().size(), 1U);
}

TEST(Sheet, WhatTheLibraryRefusesHasItsPlace) {
    const std::string start = "sheet 9 x 9\n";
    const auto reading = [&](const std::string& statement) { return [=] { (void)read(start + statement); }; };
    const auto at_statement = [](const std::string& message, const std::string& statement) {
        return "quay.brick:2:1: " + message + '\n' + statement + "\n^";
    };
    const std::string wide = "ellipse (-2147483648, 0) to (2147483647, 9) fill red";
    const std::string far = "star at (2147483647, 0) radius 9 notch 4 tips 5 fill red";
    const std::string turned =
        "arc at (20, 15) radii 12 x 7 turned 360000000000000000000000 from 0 sweep 200 stroke red 3";
    const std::string twice = "box (1, 1) to (4, 4) stroke red cap round cap butt";
    const std::string sides = "box (1, 1) to (4, 4) stroke red inside outside";
    expect_errors<SheetError>({
        {reading(wide), at_statement("ellipse width 4294967296 is outside 0..4294967295", wide)},
        {reading(far), at_statement("rounded x 2147483649 is outside -2147483648..2147483647", far)},
        {reading(turned),
         at_statement("an angle of 3.6e+23 degrees is outside -1e12..1e12", turned.substr(0, 71) + "...")},
        {reading(twice), "quay.brick:2:43: \"cap\" is here for the second time\n" + twice + '\n' +
                             std::string(42, ' ') + "^"},
        {reading(sides), "quay.brick:2:40: the side of the edge is told for the second time\n" + sides +
                             '\n' + std::string(39, ' ') + "^"},
        {[] {
             (void)read("sheet 9 x 9\npalette p a red", {{"p", "7"}});
         },
         "quay.brick:2:9: a palette cannot be set: only a number, a point or a colour that let defines can\n"
         "palette p a red\n        ^"},
        {[] {
             (void)read("sheet 9 x 9\nlet radius_of_light = 4", {{"radius_of_lihgt", "7"}});
         },
         "quay.brick: no let defines \"radius_of_lihgt\", which is to be set: the sheet defines "
         "radius_of_light; did you mean \"radius_of_light\"?"},
        {[] {
             (void)read_sheet("sheet 2147483647 x 2147483647", "quay.brick",
                              {.limits = {.pixels = std::numeric_limits<std::int64_t>::max()}})
                 .render(PixelFormat::rgba32f);
         },
         "quay.brick:1:1: an image of 2147483647 x 2147483647 rgba32f pixels exceeds the address space"},
    });
}

TEST(Sheet, LongOnesNeitherUseUpTheStackNorMeetLimitsOfOneExpression) {
    std::string stops = "red";
    for (int i = 0; i < 3000; ++i) stops += ", blue";
    EXPECT_EQ(
        read("sheet 9 x 9\nbox (0, 0) to (8, 8) fill along (0, 0) to (8, 0) " + stops).drawing.items().size(),
        1U);
    std::string comments;
    for (int i = 0; i < 200000; ++i) comments += "// fog\n";
    EXPECT_EQ(read("sheet 9 x 9\nlet a = (1,\n" + comments + "2)").size, (Size{9, 9}));
}

TEST(Sheet, AllImagesTogetherHaveALimit) {
    std::vector<std::size_t> limits;
    const auto load = [&](const std::string&, std::size_t most_bytes) {
        limits.push_back(most_bytes);
        return Image({10, 10}, PixelFormat::rgba8, {}, most_bytes);
    };
    const std::string image = "image \"a.png\" at (0, 0)\n";
    (void)read_sheet("sheet 9 x 9\n" + image + image, "quay.brick",
                     {.load_image = load, .most_image_bytes = 1000});
    EXPECT_EQ(limits, std::vector<std::size_t>{1000}); // it is kept
    expect_errors<SheetError>({
        {[&] {
             (void)read_sheet("sheet 9 x 9\n" + image + image + image, "quay.brick",
                              {.load_image = load, .most_image_bytes = 1000});
         },
         "quay.brick:4:7: an image of 10 x 10 rgba8 pixels takes 400 bytes, more than the limit of 200\n"
         "image \"a.png\" at (0, 0)\n      ^"},
        {[&] {
             (void)read_sheet("sheet 9 x 9\nimage \"a\" at (0, 0) size 11 x 23", "quay.brick",
                              {.load_image = load, .most_image_bytes = 1000});
         },
         "quay.brick:2:1: an image of 11 x 23 rgba8 pixels takes 1012 bytes, more than the limit of 1000\n"
         "image \"a\" at (0, 0) size 11 x 23\n^"},
    });
}

} // namespace coldbrick::test
