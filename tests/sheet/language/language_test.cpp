// Values, blocks, motifs, styles, placing, chance, layers, data and other files; each compared with a plainer
// sheet or with the calls that it stands for.

#include "support/errors.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/sheet.hpp>

#include <gtest/gtest.h>

#include <cmath>
#include <map>
#include <set>
#include <string>

namespace coldbrick::test {

namespace {

const std::map<std::string, std::string> texts{
    {"boats.csv", "name,length,tint\r\n\"Marram, the trawler\",24.5,red\r\nAlder,12,#00ff00\r\n"},
    {"boats.json",
     R"([{"name": "Marram", "length": 24.5, "moored": true}, {"length": 12, "name": "Alder"}])"},
    {"short.csv", "name,length\nAlder\n"},
    {"open.csv", "name\n\"Alder\n"},
    {"bad.json", R"({"name": "Alder"})"},
    {"marks/buoy.brick", "include \"tints.brick\"\nmotif buoy\n  dots (0, 0)  stroke tint\nend\n"},
    {"marks/tints.brick", "let tint = lime\n"},
    {"a.brick", "include \"b.brick\"\n"},
    {"b.brick", "include \"a.brick\"\n"},
    {"faulty.brick", "let a =\nmotif broken\n  circle at (0, 0) radius -1  fill red\nend\n"},
};

std::string load_text(const std::string& file, std::size_t most_bytes) {
    const auto found = texts.find(file);
    if (found == texts.end() || found->second.size() > most_bytes) throw FileError("no such file: " + file);
    return found->second;
}
const auto text_loader = [](const std::string& file, std::size_t most) { return load_text(file, most); };

Sheet read(const std::string& text, std::int32_t frame = 0) {
    return read_sheet(text, "quay.brick", {.load_text = text_loader, .frame = frame});
}
/// Below a size and some names.
Sheet read_on(const std::string& statements) {
    return read("sheet 60 x 40 on navy\nlet p = (10, 20)\nlet b = box_at((4, 6), 21, 11)\n" + statements);
}
std::string pixels_of(const std::string& statements) {
    return bytes_of(read_on(statements).render(PixelFormat::rgba8));
}
std::string value_of(const std::string& expression) {
    return read_on("let v = " + expression).parameters.back().value;
}

void expect_faults(std::initializer_list<std::pair<const char*, const char*>> rows) {
    for (const auto& row : rows) expect_errors<SheetError>({{[&] { (void)read_on(row.first); }, row.second}});
}

} // namespace

TEST(SheetValues, AreWorkedOut) {
    const std::pair<const char*, const char*> rows[] = {
        {"1 + 2 < 4", "true"},
        {"not 3 >= 4 and 1 == 1", "true"},
        {"false or 2 != 2", "false"},
        {"true or 1 / 0 == 1", "true"}, // the right side is not asked
        {"if p.x > 5 then \"far\" else \"near\"", "\"far\""},
        {"(1, 2) == (1, 2)", "true"},
        {"[1, [2, 3]] == [1, [2, 3]]", "true"},
        {"red == #f00", "true"},
        {"[4, 5, 6][1 + 1]", "6"},
        {"count([4, 5, 6]) + count([])", "3"},
        {"harbour[0] == harbour.night", "true"},
        {"abs(-3) + sqrt(16) + floor(-0.5) + ceil(0.2) + round(2.5)", "10"},
        {"min(3, 1, 2) + max([4, 9])", "10"},
        {"clamp(7, 0, 5) + step(2, 2) + step(1, 2)", "6"},
        {"mix(2, 4, 0.25)", "2.5"},
        {"mix((0, 0), (4, 8))", "(2, 4)"},
        {"distance((1, 1), (4, 5))", "5"},
        {"direction((0, 0), (0, 3))", "90"},
        {"away((1, 1), 180, 3)", "(-2, 1)"},
        {"b.centre", "(14, 11)"},
        {"b.bottom_right", "(24, 16)"},
        {"(b + (1, 1)).top_left", "(5, 7)"},
        {"b.size", "(21, 11)"},
        {"inset(b, 2).width + inset(b, 0, -1).height", "30"},
        {"place_in(b, 0.5, 1)", "(14, 16)"},
        {"box_between((9, 3), (2, 5)).size", "(8, 3)"},
        {"sheet.right", "(59, 19.5)"},
        {"centre", "(29.5, 19.5)"},
        {"width + height", "100"},
        {"grid_of(box_at((0, 0), 30, 20), 3, 2, 3)[4].top_left", "(11, 11.5)"},
        {"ring_of((0, 0), 2, 4, 90)[1]", "(-2, 0)"},
        {"range(1, 2, 0.25)[4] + count(range(3, 1))", "2"},
        {"range(5, 1, -2)[2]", "1"},
        {"colour(\"#0a0\")", "\"#00aa00\""},
        {"\"a\\n\" + 1.5 + \"b\"", "\"a\\n1.5b\""},
    };
    for (const auto& [expression, value] : rows) {
        const std::string expected = value;
        const bool is_colour = expected.starts_with("\"#");
        EXPECT_EQ(value_of(expression), is_colour ? expected.substr(1, expected.size() - 2) : expected)
            << expression;
    }
}

TEST(SheetBlocks, AreWhatTheyWouldBeWrittenOut) {
    const std::pair<const char*, const char*> rows[] = {
        {"repeat 3\ndots p stroke red opacity 0.3\nend",
         "dots p stroke red opacity 0.3\ndots p stroke red opacity 0.3\ndots p stroke red opacity 0.3"},
        {"repeat i from 0 to 1 by 0.1\ndots (10 * i, 0) stroke red\nend",
         "line (0, 0) to (10, 0) stroke red"},
        {"repeat i from 9 to 7 by -1\nlet q = (i, i)\ndots q stroke red\nend",
         "line (7, 7) to (9, 9) stroke red"},
        {"repeat i from 0 to -1\ndots (0, 0) stroke red\nend", ""},
        {"repeat c in [red, [gold]]\nlet d = 1\nend\nrepeat i in [5, 6]\ndots (i, 0) stroke red\nend",
         "dots (5, 0), (6, 0) stroke red"},
        {"if p.x == 10\nif false\ndots p stroke red\nelse\ndots b.centre stroke gold\nend\nelse\ndots (0, 0) "
         "stroke "
         "red\nend",
         "dots (14, 11) stroke gold"},
        {"if false\ndots p stroke red\nelse if true\ndots (1, 1) stroke red\nelse\ndots (2, 2) stroke "
         "red\nend",
         "dots (1, 1) stroke red"},
        {"motif m(q, tint = red)\nlet r = q + (1, 0)\ndots r stroke tint\nend\nplace m((2, 2))\nplace m(tint "
         "= gold, q = "
         "(4, 4)) at (3, 0)",
         "dots (3, 2) stroke red\ndots (8, 4) stroke gold"},
        {"motif m(n)\ndots (n, n) stroke red\nif n > 0\nplace m(n - 1) at (1, 0)\nend\nend\nplace m(2)",
         "dots (2, 2), (2, 1), (2, 0) stroke red"},
        {"motif m\nbox (0, 0) to (4, 2) fill red\nend\nplace m at [(1, 1), (20, 3)]",
         "box (1, 1) to (5, 3) fill red\nbox (20, 3) to (24, 5) fill red"},
        {"motif m\ndots (0, 0) stroke red\nend\nplace m at grid_of(box_at((0, 0), 6, 3), 2, 1)",
         "dots (1, 1), (4, 1) stroke red"},
        {"motif m\npath (0, 0), (4, 0), (4, 2) closed fill red\nend\nplace m at (20, 10) turned 90 scaled 2",
         "path (20, 10), (20, 18), (16, 18) closed fill red"},
        {"motif m\npath (0, 0), (4, 0), (4, 2) closed fill red\nend\nmotif n\nplace m at (3, 1) "
         "mirrored\nend\nplace n at "
         "(20, 10) turned 180",
         "path (17, 9), (21, 9), (21, 7) closed fill red"},
        {"style s fill red stroke gold 2\nstyle t like s stroke lime\nbox b like t\nbox (40, 3) to (50, 9) "
         "like s fill "
         "blue",
         "box (4, 6) to (24, 16) fill red stroke lime\nbox (40, 3) to (50, 9) fill blue stroke gold 2"},
        {"style s text fill white size 20 anchor baseline\ntext \"A\" at p like s size 12",
         "text \"A\" at p fill white size 12 anchor baseline"},
        {"circle at b.right radius 4 anchor left fill red", "circle at (28, 11) radius 4 fill red"},
        {"box at below b gap 2 size 5 x 3 fill red", "box (12, 19) to (16, 21) fill red"},
        {"box at above b size 5 x 3 fill red", "box (12, 3) to (16, 5) fill red"},
        {"box at left_of b gap -1 size 5 x 3 fill red", "box (0, 10) to (4, 12) fill red"},
        {"box at right_of b size (5, 3) fill red", "box (25, 10) to (29, 12) fill red"},
        {"motif m\nbox (0, 0) to (4, 4) named q fill red\ndots q.centre stroke gold\nend\nplace m at (7, 9)",
         "box (7, 9) to (11, 13) fill red\ndots (9, 11) stroke gold"},
        {"motif m\nbox (0, 0) to (0, 0) named q\ndots random_point(q) stroke gold\nclip q\nbox (-9, -9) to "
         "(9, 9) fill "
         "red\nend\nend\nplace m at (7, 9)",
         "dots (7, 9) stroke red"},
        {"circle at (2, 2) radius 1 named c\nmotif m\nclip c\nbox (0, 0) to (9, 9) fill red\nend\nend\nplace "
         "m at (7, 9)",
         "circle at (9, 11) radius 1 fill red"},
        {"circle at p radius 3 named c\nbox c fill red", "box (7, 17) to (13, 23) fill red"},
        {"box b fill stipple \"#. .#\" red on gold", "box b fill stipple \"#.#.#.#. .#.#.#.#\" red on gold"},
        {"repeat boat in [[1, red], [2, gold]]\ndots (boat[0], 0) stroke boat[1]\nend",
         "dots (1, 0) stroke red\ndots (2, 0) stroke gold"},
        {"include \"marks/buoy.brick\"\nplace buoy at p", "dots p stroke lime"},
        {"data boats from \"boats.csv\"\nrepeat boat in boats\ndots (boat.length, count(boats)) stroke "
         "colour(boat.tint)\nend",
         "dots (24.5, 2) stroke red\ndots (12, 2) stroke lime"},
        {"data boats from \"boats.json\"\nif boats[0].moored and boats[1].moored == \"\"\ndots "
         "(boats[1].length, 1) "
         "stroke red\nend",
         "dots (12, 1) stroke red"},
    };
    for (const auto& [statements, plain] : rows)
        EXPECT_EQ(pixels_of(statements), pixels_of(plain)) << statements;
}

TEST(SheetLayers, AreGroupsOfTheDrawing) {
    const std::string light =
        "circle at (14, 12) radius 9 fill #ffd70080\nbox (10, 8) to (30, 20) fill red blend multiply\n";
    Image expected({60, 40}, PixelFormat::rgba8, colour("navy"));
    Drawing inner = read_on(light).drawing;
    Drawing drawing;
    drawing.add(Shared<Drawing>(inner), {.layer = Blending{BlendMode::screen, 128}});
    drawing.add(Shared<Drawing>(inner), {.clip = Shared<Region>(region(Circle{{14, 11}, 6}))});
    draw(expected, drawing);
    EXPECT_EQ(pixels_of("layer opacity 0.5 blend screen\n" + light +
                        "end\nclip circle at b.centre radius 6\n" + light + "end"),
              bytes_of(expected));
    EXPECT_EQ(pixels_of("circle at (14, 11) radius 6 named c\nclip c\n" + light + "end"),
              pixels_of("clip circle at (14, 11) radius 6\n" + light + "end"));
}

namespace {

/// Where the dots of a sheet are, by its items.
std::vector<Point> dots_of(const Sheet& sheet) {
    std::vector<Point> result;
    for (const Drawing::Item& item : sheet.drawing.items())
        if (const auto* const styled = std::get_if<Drawing::StyledShape>(&item))
            if (const auto* const dots = std::get_if<Dots>(&styled->shape))
                result.push_back(dots->points.front());
    return result;
}

constexpr const char* trees =
    "motif tree(x)\n  dots (x, random(0, 39))  stroke green\nend\n"
    "repeat i from 0 to 5\n  place tree(i)\n  dots (i, random(0, 39))  stroke red\nend\n"
    "let q = random_point(b)\ndots q  stroke gold\n"
    "dots random_of([(1, 1), (2, 2), (3, 3)])  stroke gold 3\n";

} // namespace

TEST(SheetChance, StaysUnderEdits) {
    const std::vector<Point> found = dots_of(read_on(trees));
    ASSERT_EQ(found.size(), 14U);
    EXPECT_GT((std::set<std::int32_t>{found[0].y, found[2].y, found[4].y, found[6].y}.size()), 2U);
    const auto edited = [&](const std::string& from, const std::string& to) {
        std::string text = trees;
        const std::size_t at = text.find(from);
        return text.replace(at, from.size(), to);
    };
    const std::string edits[] = {
        std::string("circle at p radius random(3, 9)  fill red\nlet other = random(0, 1)\n") +
            trees,                                  // new lines above
        edited("stroke green", "stroke #123456 5"), // another colour and width
        edited("  place tree(i)\n", "  line p to p  stroke red\n  place tree(i)\n"), // within a block
        std::string(trees) + "box b fill red\n",                                     // below
    };
    for (const std::string& edit : edits) EXPECT_EQ(dots_of(read_on(edit)), found) << edit;
    // A longer repetition has the shorter one's values, another seed has others.
    const std::vector<Point> longer = dots_of(read_on(edited("0 to 5", "0 to 6")));
    EXPECT_TRUE(std::equal(found.begin(), found.begin() + 12, longer.begin()));
    const std::string seeded = "sheet 60 x 40 on navy seed 2\nlet b = box_at((4, 6), 21, 11)\n";
    EXPECT_NE(dots_of(read(seeded + trees)), found);
}

TEST(SheetChance, DependsOnTheFrameOnlyIfAsked) {
    const std::string text =
        "sheet 60 x 40\nframes 9\ndots (random_whole(0, 59), random_whole(0, 39, frame)) stroke red";
    std::set<std::int32_t> rows;
    for (std::int32_t frame = 0; frame < 9; ++frame) {
        const Point found = dots_of(read(text, frame)).front();
        EXPECT_EQ(found.x, dots_of(read(text)).front().x);
        EXPECT_EQ(read(text).again({.frame = frame}).drawing.items().size(), 1U);
        EXPECT_EQ(dots_of(read(text).again({.frame = frame})).front(), found);
        rows.insert(found.y);
    }
    EXPECT_GT(rows.size(), 4U);
}

TEST(SheetChance, ValuesLieWhereTheyAreAskedFor) {
    const Sheet sheet = read_on("ellipse at (30, 20) radii 20 x 9 turned 30 fill red named lake\n"
                                "repeat 400\ndots random_point(lake) stroke red\nend\n"
                                "repeat q in scatter_in(lake, 500, 4)\ndots q stroke gold 3\nend\n"
                                "repeat 400\ndots random_point(b) stroke white\nend\n"
                                "repeat q in shuffled(range(0, 9))\ndots (q, 0) stroke lime\nend\n");
    const Region lake = region(Ellipse::about({30, 20}, 20, 9, degrees(30)));
    const std::vector<Point> found = dots_of(sheet);
    std::set<std::pair<int, int>> different;
    const std::size_t scattered = found.size() - 810;
    EXPECT_GT(scattered, 20U);
    for (std::size_t i = 0; i < 400 + scattered; ++i) {
        EXPECT_TRUE(lake.contains(found[i])) << found[i].x << "," << found[i].y;
        different.insert({found[i].x, found[i].y});
    }
    EXPECT_GT(different.size(), 200U);
    for (std::size_t i = 400; i < 400 + scattered; ++i)
        for (std::size_t j = 400; j < i; ++j)
            EXPECT_GE(std::hypot(found[i].x - found[j].x, found[i].y - found[j].y), 4);
    for (std::size_t i = 400 + scattered; i < found.size() - 10; ++i)
        EXPECT_TRUE(found[i].x >= 4 && found[i].x <= 24 && found[i].y >= 6 && found[i].y <= 16);
    std::set<std::int32_t> order;
    for (std::size_t i = found.size() - 10; i < found.size(); ++i) order.insert(found[i].x);
    EXPECT_EQ(order.size(), 10U);
}

TEST(SheetFaults, AreToldWithTheirPlace) {
    expect_faults({
        {"let v = 1 == red",
         "quay.brick:4:11: cannot compare a number and a colour\nlet v = 1 == red\n          ^"},
        {"let v = (1, 2) < 3",
         "quay.brick:4:16: cannot compare a point and a number\nlet v = (1, 2) < 3\n               ^"},
        {"if p.x = 3\nend", "quay.brick:4:8: two values are compared by \"==\"\nif p.x = 3\n       ^"},
        {"box b fill golld", "quay.brick:4:12: \"golld\" is neither defined above nor the name of a colour; "
                             "did you mean \"gold\"?\nbox b fill "
                             "golld\n           ^"},
        {"let v = 1 and true",
         "quay.brick:4:9: expected true or false, not a number\nlet v = 1 and true\n        ^"},
        {"let v = [1][1]",
         "quay.brick:4:13: 1 is none of the list's places 0..0\nlet v = [1][1]\n            ^"},
        {"let v = p[0]", "quay.brick:4:9: expected a list, not a point\nlet v = p[0]\n        ^"},
        {"let v = b.middle",
         "quay.brick:4:10: boxes have x, y, width, height, size and anchors such as centre or "
         "bottom_left, not \"middle\"\nlet v = b.middle\n         ^"},
        {"let v = circel(3)",
         "quay.brick:4:9: there is no function \"circel\"\nlet v = circel(3)\n        ^"},
        {"let v = sqr(3)",
         "quay.brick:4:9: there is no function \"sqr\"; did you mean \"sqrt\"?\nlet v = sqr(3)\n        ^"},
        {"let v = sqrt(-3)",
         "quay.brick:4:9: the square root of -3 is no number\nlet v = sqrt(-3)\n        ^"},
        {"let v = inset(b, 9)",
         "quay.brick:4:9: the box would be 3 x -7 pixels\nlet v = inset(b, 9)\n        ^"},
        {"let v = 50 from 1 to 40", "quay.brick:4:5: v 50 is outside 1..40\nlet v = 50 from 1 to 40\n    ^"},
        {"repeat i from 0 to 3 by 0\nend",
         "quay.brick:4:25: the step is 0\nrepeat i from 0 to 3 by 0\n                        ^"},
        {"repeat i in 3\nend",
         "quay.brick:4:13: expected a list, not a number\nrepeat i in 3\n            ^"},
        {"repeat 3\nlet q = 1\nend\nlet v = q", "quay.brick:7:9: \"q\" is neither defined above nor the name "
                                                "of a colour\nlet v = q\n        ^"},
        {"repeat 3\nlet v = 1",
         "quay.brick:4:1: this block does not end: an \"end\" is missing\nrepeat 3\n^"},
        {"end", "quay.brick:4:1: there is no block that this \"end\" belongs to\nend\n^"},
        {"place buoy", "quay.brick:4:7: there is no motif \"buoy\" above\nplace buoy\n      ^"},
        {"motif m(a)\nend\nplace m",
         "quay.brick:6:7: the motif's parameter \"a\" is left out\nplace m\n      ^"},
        {"motif m(a)\nend\nplace m(1, 2)",
         "quay.brick:6:12: the motif has 1 parameters only\nplace m(1, 2)\n           ^"},
        {"motif m(a)\nend\nplace m(aa = 2)", "quay.brick:6:9: the motif has no parameter \"aa\"; did you "
                                             "mean \"a\"?\nplace m(aa = 2)\n        ^"},
        {"motif m\nplace m\nend\nplace m", "quay.brick:5:1: motifs place each other more than 200 "
                                           "deep\nplace m\n^\nin the motif \"m\", placed in "
                                           "quay.brick:5:1\nin the motif \"m\", placed in quay.brick:5:1\nin "
                                           "the motif \"m\", placed in quay.brick:5:1\nin "
                                           "the motif \"m\", placed in quay.brick:5:1\nin the motif \"m\", "
                                           "placed in quay.brick:5:1\nin the motif \"m\", "
                                           "placed in quay.brick:5:1\nin the motif \"m\", placed in "
                                           "quay.brick:5:1\nin the motif \"m\", placed in "
                                           "quay.brick:7:1"},
        {"motif m(r)\ncircle at p radius r fill red\nend\nmotif n\nplace m(-2)\nend\nplace n",
         "quay.brick:5:20: radius -2 is outside 0..2147483647\ncircle at p radius r fill red\n               "
         "    ^\nin "
         "the motif \"m\", placed in quay.brick:8:1\nin the motif \"n\", placed in quay.brick:10:1"},
        {"box b like p",
         "quay.brick:4:12: expected a style of shapes, not a point\nbox b like p\n           ^"},
        {"style s text size 3\ntext \"a\" at p like s",
         "quay.brick:5:1: the text has no fill\ntext \"a\" at p like s\n^"},
        {"box b fill stipple \"#.#\" red",
         "quay.brick:4:20: a stipple has 1, 2, 4 or 8 rows of 1, 2, 4 or 8 # or . each, with blanks between "
         "the rows: "
         "\"#... ..#.\"\nbox b fill stipple \"#.#\" red\n                   ^"},
        {"data d from \"none.csv\"",
         "quay.brick:4:13: no such file: none.csv\ndata d from \"none.csv\"\n            ^"},
        {"data d from \"../none.csv\"", "quay.brick:4:13: \"../none.csv\" is outside the sheet's "
                                        "folder\ndata d from \"../none.csv\"\n            ^"},
        {"data d from \"short.csv\"", "quay.brick:4:13: short.csv:2: the row has 1 values, but there are 2 "
                                      "columns\ndata d from \"short.csv\"\n            ^"},
        {"data d from \"bad.json\"", "quay.brick:4:13: bad.json: data are a JSON array of objects\ndata d "
                                     "from \"bad.json\"\n            ^"},
        {"data d from \"boats.csv\"\nlet v = d[0].lenght",
         "quay.brick:5:13: the data have the columns name, length, tint, not \"lenght\"; did you mean "
         "\"length\"?\nlet v = d[0].lenght\n            ^"},
        {"include \"a.brick\"",
         "b.brick:1:9: the sheet includes itself: quay.brick, a.brick, b.brick, a.brick\ninclude "
         "\"a.brick\"\n        ^"},
        {"include \"/etc/motd\"",
         "quay.brick:4:9: \"/etc/motd\" is outside the sheet's folder\ninclude \"/etc/motd\"\n        ^"},
    });
    expect_errors<SheetError>(
        {{[] { (void)read_on("data d from \"open.csv\""); },
          "quay.brick:4:13: open.csv:2: error parsing data while strict checking enabled\ndata d from "
          "\"open.csv\"\n            ^"}});
}

TEST(SheetFaults, ASheetWithoutASizeIsToldOnce) {
    for (const char* const first : {"sheet 0 x 10", "sheet size_of(3)", "sheet 5 x 5 on 7 + centre"}) try {
            (void)read(std::string(first) +
                       "\nlet a = width\ncircle at (3, 3) radius 2 fill red\nbox sheet fill red");
            ADD_FAILURE() << first;
        } catch (const SheetError& error) {
            const std::string told = error.what();
            EXPECT_EQ(told.find("quay.brick:2"), std::string::npos) << told;
            EXPECT_EQ(told.find("quay.brick:3"), std::string::npos) << told;
        }
}

TEST(SheetFaults, SeveralAreToldAtOnceAndWhatFollowsFromThemIsNot) {
    expect_faults({
        {"let v = \ncircel at p radius 3 fill red\nlet w = v + 1\nbox b fil red",
         "quay.brick:4:9: expected a number, a point, a colour, a text or a name, found the end of the "
         "line\nlet v = "
         "\n        ^\nquay.brick:5:1: expected a statement (sheet, frames, let, palette, style, image, "
         "text, dots, line, "
         "path, arc, box, circle, ellipse, sector, segment, polygon, star, if, repeat, motif, place, layer, "
         "clip, data, "
         "include), found \"circel\"; did you mean \"circle\"?\ncircel at p radius 3 fill "
         "red\n^\nquay.brick:7:7: expected "
         "\"fill\", \"stroke\", \"like\" or the end of the line, found \"fil\"\nbox b fil red\n      ^"},
        {"repeat i form 0 to 3\n  dots (i, j) stroke red\nend\nlet v = %\ndots p\n   stroke red 0",
         "quay.brick:4:10: expected \"from\" and a number, or \"in\" and a list, found \"form\"\nrepeat i "
         "form 0 to 3\n         "
         "^\nquay.brick:7:9: "
         "no statement or expression has the character \"%\"; a share is a number: 0.5\nlet v = %\n        "
         "^"},
        {"let v = 1 / 0\nlet w = v + 1\ndots (w, 0) stroke red\ncircle at p radius -1 fill red",
         "quay.brick:4:11: division by zero\nlet v = 1 / 0\n          ^\nquay.brick:7:20: radius -1 is "
         "outside "
         "0..2147483647\ncircle at p radius -1 fill red\n                   ^"},
        {"include \"faulty.brick\"\nplace broken\nlet v = 1 2",
         "faulty.brick:1:8: expected a number, a point, a colour, a text or a name, found the end of the "
         "line\nlet a "
         "=\n       ^\nquay.brick:6:11: expected the end of the line, found \"2\"\nlet v = 1 2\n          ^"},
    });
    std::string many;
    for (int i = 0; i < 30; ++i) many += "let v" + std::to_string(i) + " = 1 / 0\n";
    try {
        (void)read_on(many);
        ADD_FAILURE();
    } catch (const SheetError& error) {
        const std::string message = error.what();
        EXPECT_NE(message.find("quay.brick:23:"), std::string::npos);
        EXPECT_EQ(message.find("quay.brick:24:"), std::string::npos);
        EXPECT_TRUE(message.ends_with("\nfurther faults are not told")) << message;
    }
}

TEST(SheetLimits, EndHostileSheets) {
    const auto limited = [](const std::string& statements, const SheetLimits& limits) {
        return [=] {
            (void)read_sheet("sheet 9 x 9\n" + statements, "quay.brick",
                             {.load_text = text_loader, .limits = limits});
        };
    };
    expect_errors<SheetError>({
        {limited("repeat 1000000\nrepeat 1000000\nend\nend", {.steps = 1000}),
         "quay.brick:3:1: carrying the sheet out takes more steps than it may\nrepeat 1000000\n^"},
        {limited("repeat 100\nstar at (4, 4) radius 3 notch 1 tips 1000000 fill red\nend",
                 {.steps = 1500000}),
         "quay.brick:3:38: carrying the sheet out takes more steps than it may\nstar at (4, 4) radius 3 "
         "notch 1 tips "
         "1000000 fill red\n                                     ^"},
        {limited("let t = \"" + std::string(1000000, 'a') + "\"\nrepeat 100000\nlet l = [t, t, t]\nend",
                 {.steps = 150000}),
         "quay.brick:4:16: carrying the sheet out takes more steps than it may\nlet l = [t, t, t]\n          "
         "     ^"},
        {limited("let l = range(0, 1000000000)", {}),
         "quay.brick:2:9: carrying the sheet out takes more steps than it may\nlet l = range(0, "
         "1000000000)\n        ^"},
        {limited("repeat 9\ndots (0, 0) stroke red\nend", {.items = 5}),
         "quay.brick:3:1: the sheet draws more than 5 items\ndots (0, 0) stroke red\n^"},
        {limited("motif m(l)\nplace m([[l]])\nend\nplace m(1)", {}),
         "quay.brick:3:11: lists are more than 16 deep within each other\nplace m([[l]])\n          ^\nin "
         "the "
         "motif "
         "\"m\", placed in quay.brick:3:1\nin the motif \"m\", placed in quay.brick:3:1\nin the motif \"m\", "
         "placed in "
         "quay.brick:3:1\nin the motif \"m\", placed in quay.brick:3:1\nin the motif \"m\", placed in "
         "quay.brick:3:1\nin the motif \"m\", placed in quay.brick:3:1\nin the motif \"m\", placed in "
         "quay.brick:3:1\nin the motif \"m\", placed in quay.brick:5:1"},
        {limited("", {.pixels = 80}),
         "quay.brick:1:1: a picture of 9 x 9 pixels has more than 80\nsheet 9 x 9\n^"},
        {limited("include \"marks/tints.brick\"", {.files = 0}),
         "quay.brick:2:9: the sheet includes more than 0 files\ninclude \"marks/tints.brick\"\n        ^"},
        {limited("data d from \"boats.csv\"", {.text_bytes = 9}),
         "quay.brick:2:13: no such file: boats.csv\ndata d from \"boats.csv\"\n            ^"},
    });
    std::string deep;
    for (int i = 0; i < 5000; ++i) deep += "if true\n";
    EXPECT_THROW((void)read_on(deep), SheetError);
    std::string tower = "motif m(n)\n";
    for (int i = 0; i < 90; ++i) tower += "if true\n";
    tower += "place m([n])\n";
    for (int i = 0; i < 90; ++i) tower += "end\n";
    EXPECT_THROW((void)read_on(tower + "end\nplace m(1)"), SheetError);
    EXPECT_THROW((void)read_on("let v = " + std::string(5000, '[') + std::string(5000, ']')), SheetError);
}

TEST(Sheet, TellsItsParametersPlacesAndWarnings) {
    const std::string text =
        "let r = 5 from 1 to 9 by 0.5\nlet far = (1, 2)\nlet on_deck = true\nlet tint = red\n"
        "sheet 60 x 40\nmotif dot\n  dots (0, 0)  stroke red\nend\nmotif unused_motif\nend\n"
        "repeat 2\n  place dot at (r, 0)\nend\nbox (60, 0) to (70, 5)  fill tint\n";
    const Sheet sheet = read_sheet(text, "quay.brick", {.warns = true});
    ASSERT_EQ(sheet.parameters.size(), 4U);
    EXPECT_EQ(sheet.parameters[0].kind, SheetParameter::Kind::number);
    EXPECT_EQ(sheet.parameters[0].place.text(), "quay.brick:1:5");
    ASSERT_TRUE(sheet.parameters[0].range);
    EXPECT_EQ(sheet.parameters[0].range->high, 9);
    EXPECT_EQ(sheet.parameters[0].range->step, 0.5);
    EXPECT_EQ(sheet.parameters[1].value, "(1, 2)");
    EXPECT_EQ(sheet.parameters[2].value, "true");
    EXPECT_EQ(sheet.parameters[3].value, "#ff0000");
    ASSERT_EQ(sheet.drawing.items().size(), 3U);
    EXPECT_EQ(sheet.place_of(sheet.drawing.tags()[0]).text(), "quay.brick:7:3");
    EXPECT_EQ(sheet.place_of(sheet.drawing.tags()[2]).text(), "quay.brick:14:1");
    EXPECT_THROW((void)sheet.place_of(99), ArgumentError);
    std::string warnings;
    for (const SheetWarning& warning : sheet.warnings)
        warnings += warning.place.text() + " " + warning.message + "\n";
    EXPECT_EQ(
        warnings,
        "quay.brick:14:1 this lies outside the sheet, 1 pixel to its right: columns 60 to 70, rows 0 to 5\n"
        "quay.brick:2:5 nothing uses \"far\"\nquay.brick:3:5 nothing uses \"on_deck\"\n"
        "quay.brick:9:7 nothing uses \"unused_motif\"\n");
    EXPECT_TRUE(read(text).warnings.empty());
    const SheetReading reading{.load_text = text_loader, .warns = true};
    EXPECT_TRUE(
        read_sheet("sheet 9 x 9\ninclude \"marks/buoy.brick\"", "quay.brick", reading).warnings.empty());
    const Setting wider{"r", "8"};
    const Sheet again = sheet.again({.settings = {wider}});
    EXPECT_EQ(again.parameters[0].value, "8");
    EXPECT_EQ(dots_of(again).front(), (Point{8, 0}));
    EXPECT_EQ(dots_of(sheet.again({})), dots_of(sheet));
    const Setting beyond{"r", "10"};
    expect_errors<SheetError>(
        {{[&] { (void)sheet.again({.settings = {beyond}}); },
          "quay.brick:1:5: r 10 is outside 1..9\nlet r = 5 from 1 to 9 by 0.5\n    ^"}});
}

TEST(SheetTidy, LaysOutWordsAndBlocksAndKeepsComments) {
    const std::string untidy =
        "\xEF\xBB\xBF\n\nsheet   60 x 40   on navy// ground\n\n\n  let p=( 1,-2 )\n"
        "motif  m( a , b=3 )\n  // inside\n box(0,0)to(a,b) fill red\nstroke white 2\nend\n"
        "repeat i from 0 to 3\nif i>=2 and not(i==3)\nplace m(i , b = -i) at p*- 2\nelse\n"
        "dots [p,\n   p.x+( 1 )][ 0 ]  stroke red // last \nend\nend\ntext \"a  // b\" at p fill white";
    EXPECT_EQ(tidied_sheet(untidy, "quay.brick"),
              "sheet 60 x 40 on navy  // ground\n\nlet p = (1, -2)\nmotif m(a, b = 3)\n  // inside\n  box "
              "(0, 0) to (a, b) "
              "fill red\n      stroke white 2\nend\nrepeat i from 0 to 3\n  if i >= 2 and not (i == 3)\n    "
              "place m(i, b = "
              "-i) at p * -2\n  else\n    dots [p,\n        p.x + (1)][0] stroke red  // last\n  "
              "end\nend\ntext \"a  // b\" "
              "at p fill white\n");
    const std::string once = tidied_sheet(untidy, "quay.brick");
    EXPECT_EQ(tidied_sheet(once, "quay.brick"), once);
    EXPECT_EQ(tidied_sheet("", "quay.brick"), "");
    expect_errors<SheetError>({{[] { (void)tidied_sheet("let a = %", "quay.brick"); },
                                "quay.brick:1:9: no statement or expression has the character \"%\"; a share "
                                "is a number: 0.5\nlet a = %\n        ^"}});
}

// What people write who come from other notations, and what they are told.
TEST(Language, WordsOfOtherNotationsHaveTheirMeaningTold) {
    const auto told = [](const std::string& line) {
        try {
            (void)read_sheet("sheet 90 x 60\n" + line, "quay.brick");
        } catch (const SheetError& error) {
            const std::string message = error.what();
            return message.substr(0, message.find('\n'));
        }
        return std::string("nothing");
    };
    for (const auto& [line, message] : std::vector<std::pair<std::string, std::string>>{
             {"rect (1, 1) size 3 x 4", "2:1: \"rect\" has no meaning here; a rectangle is a box: box at"},
             {"square at (1, 1)", "a rectangle is a box"},
             {"triangle (1, 1)", "a triangle is a polygon: polygon (10, 40), (30, 10)"},
             {"polyline (1, 1), (2, 2)", "are a path: path"},
             {"spline (1, 1)", "curves are parts of a path"},
             {"point (1, 1)", "single pixels are dots"},
             {"background white", "the ground is given with the sheet's size: sheet 320 x 200 on white"},
             {"box at (1, 1) size 3 x 4 border red 2", "found \"border\"; an edge is a stroke"},
             {"box at (1, 1) size 3 x 4 outline red 2",
              "2:26: expected \"fill\", \"stroke\", \"like\" or the end of "
              "the line, found \"outline\"; an edge is a stroke"},
             {"pen red 3", "an edge is a stroke"},
             {"box at (1, 1) size 3 x 4 stroke red thickness 2",
              "a width follows the stroke's colour: stroke navy 3"},
             {"box at (1, 1) size 3 x 4 stroke red width 2", "2:37: the stroke's width stands by itself"},
             {"box at (1, 1) size 3 x 4 fill red alpha 0.5",
              "is an opacity of 0 to 1: fill navy opacity 0.5"},
             {"circle at center radius 3 fill red",
              "2:11: \"center\" has no meaning here; here it is written centre"},
             {"circle at (1, 1) radius 3 color red", "a colour stands by itself"},
             {"circle at (1, 1) radius 3 fill grey(3)", "a gray of 0 to 255 is gray(128)"},
             {"circle at (1, 1) radius 3 fill 128",
              "expected a colour, not a number; a gray of 0 to 255 is gray(128)"},
             {"circle at (1, 1) radius 3 fill (255, 204, 0)", "and a colour is written rgb(255, 204, 0)"},
             {"circle at (1, 1) radius 3 fill [255, 204, 0]",
              "a colour of three numbers is rgb(255, 204, 0)"},
             {"circle at (1, 1) radius 3 fill 0xffcc00",
              "hexadecimal digits make a colour after a #: #ffcc00"},
             {"circle at (1, 1) radius 3 fill ffcc00", "begins with #: #ffcc00"},
             {"text \"a\" at (1, 1) font \"bitmap\"", "letters have a face"},
             {"for i in range(0, 3)", "what is done more than once is repeated"},
             {"while true", "is repeated: repeat i from 1 to 5"},
             {"function boat(a)", "is a motif"},
             {"group", "is a motif"},
             {"r = 4", "2:1: a value has its name by let: let r = ..."},
             {"# a comment", "a comment begins with //"},
             {"#comment", "a comment begins with //"},
             {"-- a comment", "a comment begins with //"},
             {"text 'a' at (1, 1) fill red", "stands between double quotes"},
             {"box at (1, 1) size 3px x 4 fill red", "written without a unit: 3"},
             {"repeat i from 0..5", "from one number to another is written: from 0 to 5"},
             {"let s = 50%", "a share is a number: 0.5"},
             {"box at (1, 1) size 3 x 4 fill red\nseed 7",
              "3:1: expected \"fill\", \"stroke\", \"like\" or the end of the line, found \"seed\"; chance "
              "begins from the sheet's seed"},
             {"polygon at (9, 9) radius 5 corners 2.5 fill red",
              "the number of corners is 2.5, which is no whole number"},
             {"polygon [] fill red", "this list of points is empty"},
             {"polygon [(1, 1), 3] fill red",
              "expected a point (x, y) or a list of points, not one with a number"},
             // No word is near enough to be meant.
             {"foo (1, 1)", "include), found \"foo\""},
             {"circle at (1, 1) radius 3 fill hello",
              "\"hello\" is neither defined above nor the name of a colour"},
             {"circel at (1, 1)", "found \"circel\"; did you mean \"circle\"?"}}) {
        EXPECT_NE(told(line).find(message), std::string::npos) << line << '\n' << told(line);
        if (line.starts_with("foo") || line.ends_with("hello")) {
            EXPECT_EQ(told(line).find("did you mean"), std::string::npos) << told(line);
        }
    }
}

// What a fault leaves of one shape is nothing to the next.
TEST(Language, APlaceEndsWithItsStatement) {
    try {
        (void)read_on("circle at above b gap\ncircle at p anchor left wide 3\nbox (1, 1) to (4, 4) fill red");
        ADD_FAILURE();
    } catch (const SheetError& error) {
        EXPECT_EQ(std::string(error.what()).find("quay.brick:6"), std::string::npos) << error.what();
    }
    EXPECT_EQ(pixels_of("clip circle at below b gap 2 radius 5\nbox sheet fill red\nend"),
              pixels_of("clip circle at (14, 24) radius 5\nbox sheet fill red\nend"));
}

// The same thing in the forms that are tried first.
TEST(Language, PlacesSizesAndPointsHaveOneForm) {
    const auto drawn = [](const std::string& lines) {
        const auto picture = [](const std::string&, std::size_t) {
            Image image({30, 20}, PixelFormat::rgb8, Colour(0, 0, 200));
            draw(image, Box{3, 4, 5, 6}, Fill{Colour(255, 255, 255)});
            return image;
        };
        return bytes_of(read_sheet(lines, "quay.brick", {.load_image = picture}).render(PixelFormat::rgb8));
    };
    const std::string sheet = "sheet 60 x 40\nlet b = box_at((20, 10), 9, 8)\n";
    for (const auto& [one, other] : std::vector<std::pair<std::string, std::string>>{
             {"box at (3, 4) size 10 x 6 fill red", "box (3, 4) to (12, 9) fill red"},
             {"box at (3, 4) size (10, 6) fill red", "box (3, 4) to (12, 9) fill red"},
             {"box at (30, 20) size 11 x 7 anchor centre fill red", "box (25, 17) to (35, 23) fill red"},
             {"box at (30, 20) anchor bottom_right size 11 x 7 fill red",
              "box (20, 14) to (30, 20) fill red"},
             {"circle at (30, 20) radius 4 anchor top_left fill red", "circle at (34, 24) radius 4 fill red"},
             {"circle at (30, 20) diameter 9 fill red", "circle at (30, 20) radius 4 fill red"},
             {"circle at (30, 20) diameter 10 fill red", "ellipse (25, 15) to (34, 24) fill red"},
             {"ellipse at (30, 20) size 10 x 7 fill red", "ellipse (25, 17) to (34, 23) fill red"},
             {"ellipse at (30, 20) radii (6, 4) fill red", "ellipse at (30, 20) radii 6 x 4 fill red"},
             {"circle at below b gap 2 radius 3 fill red", "circle at (24, 23) radius 3 fill red"},
             {"polygon (0, 0), (8, 0), (4, 6) at (30, 20) fill red",
              "polygon (30, 20), (38, 20), (34, 26) fill red"},
             {"polygon (0, 0), (8, 0), (4, 6) at (30, 20) anchor bottom fill red",
              "polygon (26, 14), (34, 14), (30, 20) fill red"},
             {"polygon [(1, 1), (9, 1)], (5, 7) fill red", "polygon (1, 1), (9, 1), (5, 7) fill red"},
             {"path ring_of((30, 20), 9, 3) closed stroke red",
              "let r = ring_of((30, 20), 9, 3)\npath r[0], r[1], r[2] closed stroke red"},
             {"dots [(1, 1), (3, 3)] stroke red", "dots (1, 1), (3, 3) stroke red"},
             {"text \"a\" at (30, 20) anchor baseline_left fill red", "text \"a\" at (30, 20) fill red"},
             {"text \"a\" at right_of b fill red named t\nbox at t.top_left size t.size fill red",
              "text \"a\" at (9, 20) fill white named t\nbox at right_of b size t.size fill red"},
             {"image \"q\" at right_of b gap 1", "image \"q\" at (30, 4)"},
             {"box at (3, 4) size size_of(\"q\") fill red", "box at (3, 4) size 30 x 20 fill red"},
             {"box at (3, 4) size 9 x 9 fill gray(128)", "box at (3, 4) size 9 x 9 fill rgb(128, 128, 128)"}})
        EXPECT_TRUE(drawn(sheet + one) == drawn(sheet + other)) << one;
    EXPECT_EQ(drawn("sheet from \"q\"\nbox inset(sheet, 2) stroke red"),
              drawn("sheet 30 x 20\nimage \"q\" at (0, 0)\nbox (2, 2) to (27, 17) stroke red"));
}

} // namespace coldbrick::test
