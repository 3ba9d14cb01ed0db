#include "support/errors.hpp"
#include "support/generators.hpp"

#include <coldbrick/coldbrick.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace coldbrick::test {

namespace {

constexpr Box picture{5, -3, 160, 90};

bool overlap(const Box& a, const Box& b) {
    return !a.intersection(b).empty();
}

/// Looks at every place in the picture.
bool has_free_place(const Box& plate, const std::vector<Box>& obstacles) {
    for (std::int64_t y = picture.y; y + plate.height <= picture.end_y(); ++y)
        for (std::int64_t x = picture.x; x + plate.width <= picture.end_x(); ++x) {
            const Box place{x, y, plate.width, plate.height};
            if (std::ranges::none_of(obstacles, [&](const Box& one) { return overlap(one, place); }))
                return true;
        }
    return false;
}

} // namespace

RC_GTEST_PROP(Captions, LieInsideAndCoverNothingWhereTheyNeedNot, ()) {
    std::vector<Caption> captions;
    std::vector<Box> obstacles;
    const int count = *rc::gen::inRange(1, 9);
    for (int i = 0; i < count; ++i) {
        captions.push_back({*rc::gen::element<std::string>("tug", "ferry 0.93", "pilot\nboat",
                                                           "a caption that is too long for the picture"),
                            Box{*rc::gen::inRange(-20, 170), *rc::gen::inRange(-20, 90),
                                *rc::gen::inRange(0, 60), *rc::gen::inRange(0, 40)}});
        obstacles.push_back(captions.back().box);
    }
    CaptionStyle style;
    style.text.size = 10;
    style.gap = *rc::gen::inRange(0, 5);
    const auto placed = place_captions(captions, picture, style);
    RC_ASSERT(placed.size() == captions.size());
    for (std::size_t i = 0; i < placed.size(); ++i) {
        const PlacedCaption& one = placed[i];
        RC_ASSERT(one.plate.intersection(picture) == one.plate);
        RC_ASSERT(one.text.plate_box(*style.paint.plate) == one.plate);
        const bool free =
            std::ranges::none_of(obstacles, [&](const Box& other) { return overlap(other, one.plate); });
        RC_ASSERT(free == one.free);
        if (!free) RC_ASSERT(!has_free_place(one.plate, obstacles));
        if (one.leader) {
            RC_ASSERT(one.plate.contains(one.leader->from));
            RC_ASSERT(captions[i].box.contains(one.leader->to));
        }
        obstacles.push_back(one.plate);
    }
    Image image({200, 120}, PixelFormat::rgb8);
    draw(image, placed, style);
    Drawing drawing;
    add(drawing, placed, style);
    Image drawn({200, 120}, PixelFormat::rgb8);
    draw(drawn, drawing);
    RC_ASSERT(difference(image, drawn).pixels == 0);
}

TEST(Captions, LieBesideTheirBoxAndHaveALeaderElsewhere) {
    const std::vector<Caption> one{{"tug", Box{60, 40, 20, 10}}};
    CaptionStyle style;
    style.text.size = 10;
    const PlacedCaption above = place_captions(one, picture, style).front();
    EXPECT_EQ(above.plate.end_y(), 40 - style.gap);
    EXPECT_EQ(above.plate.x, 60);
    EXPECT_FALSE(above.leader);
    // Boxes all round leave no place beside it.
    std::vector<Caption> crowd = one;
    crowd.push_back({"", Box{20, 10, 100, 30}});
    crowd.push_back({"", Box{20, 50, 100, 30}});
    crowd.push_back({"", Box{20, 40, 40, 10}});
    crowd.push_back({"", Box{80, 40, 40, 10}});
    const PlacedCaption away = place_captions(crowd, picture, style).front();
    ASSERT_TRUE(away.leader);
    EXPECT_TRUE(away.free);
    EXPECT_TRUE(crowd[0].box.contains(away.leader->to));
    expect_errors<ArgumentError>({
        {[&] { (void)place_captions(one, Box{}, style); }, "captions have no picture to lie in"},
        {[&] {
             (void)place_captions(one, Box{0, 0, std::int64_t{1} << 40, 9}, style);
         },
         "side of the captions' picture 1099511627775 is outside -2147483648..2147483647"},
    });
    style.gap = -1;
    expect_errors<ArgumentError>(
        {{[&] { (void)place_captions(one, picture, style); }, "caption's gap -1 is outside 0..32767"}});
}

TEST(Rulers, NumberTheMagnifiedPixels) {
    Image image({31, 12}, PixelFormat::rgba8, colour("navy"));
    image.set_pixel({20, 10}, colour("gold"));
    const Image plain = magnified(image, {.zoom = 9});
    const Rulers rulers{.first = {90, -4}};
    const Image result = ruled(image, {.zoom = 9}, rulers);
    const auto left = result.width() - plain.width();
    const auto top = result.height() - plain.height();
    EXPECT_EQ(difference(result.view().cropped(Box{left, top, plain.width(), plain.height()}), plain).pixels,
              0);
    // The number 110 stands over column 20, and 6 before row 10.
    const TextStyle over{
        .face = Face::bitmap(), .size = 9, .anchor = {TextColumn::centre}, .edges = Edges::crisp};
    const TextStyle before{.face = Face::bitmap(),
                           .size = 9,
                           .anchor = {TextColumn::right, TextRow::middle},
                           .edges = Edges::crisp};
    for (const Text& label : {Text("110", {left + 20 * 9 + 4, top - 10}, over),
                              Text("6", {left - 10, top + 10 * 9 + 4}, before)}) {
        const Region ink = region(label);
        for (const Span& span : ink.spans()) EXPECT_EQ(result.pixel({span.x_begin, span.y}), rulers.ink);
        EXPECT_EQ(result.pixel({static_cast<std::int32_t>(label.bounds().x) - 1,
                                static_cast<std::int32_t>(label.bounds().y)}),
                  rulers.ground);
    }
    EXPECT_EQ(ruled(Image({5, 5}, default_palette(), colour("red")), {.zoom = 20}).format(),
              PixelFormat::rgb8);
    EXPECT_NO_THROW((void)ruled(Image({2000, 3}, PixelFormat::gray8), {.zoom = 1}));
    EXPECT_THROW((void)ruled(image, {.zoom = 0}), ArgumentError);
}

} // namespace coldbrick::test
