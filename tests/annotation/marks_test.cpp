// Marks, legends, rulers with marks, squared paper and tables of pictures: where things lie, whatever they
// look like.

#include "support/errors.hpp"
#include "support/generators.hpp"

#include <coldbrick/coldbrick.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <set>

namespace coldbrick::test {

namespace {

constexpr Size window{300, 200};

std::vector<Mark> random_marks() {
    std::vector<Mark> result;
    for (int n = *rc::gen::inRange(0, 7); n > 0; --n) {
        const Box box{*rc::gen::inRange(-20, 290), *rc::gen::inRange(-20, 190), *rc::gen::inRange(1, 60),
                      *rc::gen::inRange(1, 60)};
        Mark mark{box, *rc::gen::element<std::string>("", "tug", "cutter 0.93"),
                  *rc::gen::element<std::string>("tug", "cutter", "")};
        switch (*rc::gen::inRange(0, 4)) {
        case 0: mark.shape = Ellipse{box}; break;
        case 1: mark.shape = box.at(Anchor::centre); break;
        case 2:
            mark.shape = Polygon{{box.at(Anchor::top_left), box.at(Anchor::right), box.at(Anchor::bottom)}};
            break;
        default: break;
        }
        result.push_back(std::move(mark));
    }
    return result;
}

} // namespace

RC_GTEST_PROP(Marks, AGroupHasOneColourAndTheRestStaysAsItWas, ()) {
    if (*rc::gen::inRange(0, 12) != 0) return; // captions take their time
    const std::vector<Mark> marks = random_marks();
    const std::vector<MarkGroup> groups = groups_of(marks);
    std::set<std::string> names;
    for (const Mark& mark : marks) names.insert(mark.group);
    RC_ASSERT(groups.size() == names.size());
    for (std::size_t i = 0; i < groups.size(); ++i)
        for (std::size_t j = 0; j < i; ++j) {
            RC_ASSERT(groups[i].name != groups[j].name);
            RC_ASSERT(groups[i].colour != groups[j].colour);
        }

    Image image(window, PixelFormat::rgb8, colour("#444444"));
    const Image before = image;
    draw(image, marks, {.legend = true});
    RC_ASSERT((difference(image, before).pixels == 0) == marks.empty());
}

TEST(Marks, LieWhereTheyAreAndTheLegendCoversTheFewest) {
    const std::vector<Mark> marks{{Box{20, 40, 100, 60}, "tug", "tug"}, {Point{60, 150}, "", "buoy"}};
    Image image(window, PixelFormat::rgb8);
    draw(image, marks, {.colours = {colour("#ff0000"), colour("#00ff00")}, .legend = true});
    for (const Point at : {Point{70, 40}, Point{20, 70}, Point{119, 70}, Point{70, 99}})
        EXPECT_EQ(image.pixel(at), colour("#ff0000")) << at.x << ' ' << at.y;
    EXPECT_EQ(image.pixel({70, 70}), Colour(0, 0, 0)); // within
    EXPECT_EQ(image.pixel({60, 150}), Colour(0, 0, 0));
    EXPECT_FALSE(pixels_like(image, colour("#00ff00"), 3).empty());  // the ring
    EXPECT_LT(pixels_like(image, colour("#ff0000")).bounds().y, 38); // the caption's plate, above
    EXPECT_NE(image.pixel({290, 190}), Colour(0, 0, 0));             // the legend, where there is no mark
    EXPECT_EQ(image.pixel({10, 190}), Colour(0, 0, 0));
    expect_errors<ArgumentError>({
        {[&] { draw(image, marks, {.text_size = 0}); }, "text size 0 is outside 1..32767"},
        {[&] { (void)legend({}); }, "a legend has no entry"},
    });
}

TEST(Marks, RulersFrameMarksAndOutlines) {
    const Image image({20, 12}, PixelFormat::rgb8, colour("#204060"));
    const Magnification magnification{.zoom = 10, .grid = {0, 0, 0, 0}, .tenth_grid = {0, 0, 0, 0}};
    Rulers rulers{.first = {100, 50}};
    const Image plain = ruled(image, magnification, rulers);
    rulers.marks = {{{105, 53}}, {{99, 53}}, {{105, 62}}}; // the last two lie outside
    const Image marked = ruled(image, magnification, rulers);
    const Difference change = difference(plain, marked);
    const std::int32_t left = plain.width() - 201;
    const std::int32_t top = plain.height() - 121;
    EXPECT_EQ(marked.pixel({left + 50, top + 30}), rulers.mark); // the corners of its square
    EXPECT_EQ(marked.pixel({left + 60, top + 40}), rulers.mark);
    EXPECT_EQ(marked.pixel({left + 55, top + 35}), colour("#204060"));
    EXPECT_TRUE(change.bounds.x >= left && change.bounds.y >= top) << "the rulers themselves stay";
    rulers.marks.clear();
    rulers.outlines = {{{102, 52, 5, 4}, "7"}, {{300, 300, 5, 4}, "outside"}};
    const Image outlined = ruled(image, magnification, rulers);
    EXPECT_EQ(outlined.pixel({left + 20, top + 20}), rulers.outline);
    EXPECT_EQ(outlined.pixel({left + 70, top + 60}), rulers.outline);
    EXPECT_EQ(outlined.pixel({left + 45, top + 40}), colour("#204060"));
}

TEST(Marks, SquaredPaperHasWholeSquares) {
    const SquaredPaper paper{.size = {300, 200}, .spacing = 20, .margin = 15, .heavy = 5, .numbered = false};
    const Image page = squared_paper(paper);
    // Of 300 - 2 * 15 = 270 pixels, 13 squares take 261 with their last line; of 170, 8 take 161.
    EXPECT_EQ(extent_of_content(page, paper.ground), (Box{18, 18, 262, 162}));
    int lines = 0;
    for (int x = 0; x < 300; ++x) lines += page.pixel({x, 30}) != paper.ground ? 1 : 0;
    EXPECT_EQ(lines, 11 + 3 * 3); // lines 0, 5 and 10 are heavy
    EXPECT_EQ(page.pixel({19, 30}), paper.heavy_line);
    EXPECT_EQ(page.pixel({39, 30}), paper.line);
    EXPECT_EQ(squared_paper().size(), (Size{2480, 3508}));
    expect_errors<ArgumentError>({
        {[] { (void)squared_paper({.spacing = 1}); }, "spacing of squared paper 1 is outside 2..32767"},
        {[] {
             (void)squared_paper({.size = {90, 90}, .margin = 40});
         },
         "a page of 90 x 90 with margins of 40 has no room for a square of 59"},
    });
}

TEST(Marks, TablesOfPicturesKeepThem) {
    const std::vector<CaptionedPicture> pictures{
        {Image({30, 20}, PixelFormat::rgb8, colour("red")), "r = 1"},
        {Image({10, 20}, PixelFormat::gray8, colour("white")), ""},
        {Image({30, 10}, PixelFormat::rgba8, colour("#0000ff80")), "r = 3"}};
    const PictureTable style{.columns = 2, .gap = 4, .text_size = 10};
    const Image table = picture_table(pictures, style);
    EXPECT_EQ(table.size(), (Size{2 * 34 + 4, 2 * (24 + 14) + 4}));
    EXPECT_EQ(table.pixel({4, 4}), colour("red"));
    EXPECT_EQ(table.pixel({33, 23}), colour("red"));
    EXPECT_EQ(table.pixel({34, 4}), style.ground);
    EXPECT_EQ(table.pixel({38 + 10, 4}), colour("white")); // in the middle of its cell
    EXPECT_EQ(table.pixel({38 + 9, 4}), style.ground);
    EXPECT_EQ(table.pixel({4, 42 + 5}), mix(style.ground, colour("#0000ff"), 128 / 255.0));
    EXPECT_EQ(picture_table(pictures, {.gap = 0}).width(), 60);
    expect_errors<ArgumentError>({
        {[] { (void)picture_table({}); }, "a table of pictures has none"},
        {[&] { (void)picture_table(pictures, {.gap = -1}); }, "gap -1 is outside 0..32767"},
    });
}

TEST(Marks, NothingIsDrawnIfOneIsWrong) {
    Image image(window, PixelFormat::rgb8);
    const Image before = image;
    const std::vector<Mark> good{{Box{5, 5, 20, 20}, "tug", ""}};
    const std::vector<Mark> bad{{Box{5, 5, 20, 20}, "tug", ""}, {Polygon(std::vector<Point>()), "", ""}};
    expect_errors<ArgumentError>({
        {[&] { draw(image, good, {.width = 0}); }, "stroke width 0 is outside 1..2147483647"},
        {[&] { draw(image, good, {.text_size = 0}); }, "text size 0 is outside 1..32767"},
        {[&] { draw(image, bad); }, "ring 0 of a polygon needs at least 1 vertex"},
    });
    CaptionStyle dashed;
    dashed.leader.dashes = {{-1}, 0};
    const std::vector<Caption> captions{{"a far place", Box{5, 5, 290, 190}}};
    const auto placed = place_captions(captions, Box::of(window));
    EXPECT_THROW(draw(image, placed, dashed), ArgumentError);
    EXPECT_EQ(difference(image, before).pixels, 0);
}

// Each would take minutes if it went through all others.
TEST(Marks, ManyTakeATimeThatGrowsWithTheirNumber) {
    std::vector<Mark> marks;
    std::vector<Caption> captions;
    for (std::int32_t i = 0; i < 100'000; ++i)
        marks.push_back({Point{i % 1000, i / 1000}, "", "group " + std::to_string(i)});
    EXPECT_EQ(groups_of(marks).size(), marks.size());
    for (std::int32_t i = 0; i < 10'000; ++i)
        captions.push_back({"7", Box{(i % 100) * 90, (i / 100) * 60, 40, 20}});
    const auto placed = place_captions(captions, {0, 0, 9000, 6000});
    EXPECT_TRUE(std::ranges::all_of(placed, &PlacedCaption::free));
}

} // namespace coldbrick::test
