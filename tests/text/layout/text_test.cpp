// Texts as shapes: what is measured is what is painted, once, wherever it is cut.

#include "support/coverage.hpp"
#include "support/errors.hpp"
#include "support/texts.hpp"

#include <coldbrick/coldbrick.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

namespace {

/// The tight box of pixels that are not black.
Box painted_box(const Image& image) {
    const Region region = coldbrick::region(Stencil{image, {}});
    return region.bounds();
}

/// An image about a text's ink, and the text moved into it.
struct Stage {
    Image image;
    Text text;
};
Stage stage_for(const Text& text, PixelFormat format, const Colour& ground = {0, 0, 0}) {
    constexpr int margin = 7;
    const Box ink = text.bounds();
    return {Image({static_cast<std::int32_t>(ink.width) + 2 * margin,
                   static_cast<std::int32_t>(ink.height) + 2 * margin},
                  format, ground),
            text.moved(margin - ink.x, margin - ink.y)};
}

bool same_pixels(const Image& a, const Image& b) {
    return difference(a, b).pixels == 0;
}

TextPaint any_text_paint() {
    TextPaint paint{.paint = Paint(Colour{250, 60, 30, 140})};
    if (*rc::gen::arbitrary<bool>())
        paint.outline = TextOutline{Colour{20, 80, 160, 200}, *rc::gen::element(0.5, 2.0)};
    if (*rc::gen::arbitrary<bool>())
        paint.plate =
            TextPlate{.paint = Colour{240, 240, 220, 120}, .padding = 3, .border = Paint(Colour(1, 2, 3))};
    paint.blending.mode = *rc::gen::element(BlendMode::source_over, BlendMode::multiply, BlendMode::copy);
    return paint;
}

} // namespace

RC_GTEST_PROP(Text, WhatIsMeasuredIsPaintedOnce, ()) {
    if (*rc::gen::inRange(0, 4) != 0) return; // each takes its time
    const std::string words = *any_text();
    const TextStyle style = *any_text_style();
    const Text original(words, {0, 0}, style);
    RC_ASSERT(original.measure().ink == measure(words, style).ink);
    Stage stage = stage_for(original, PixelFormat::gray8);
    const Coverages coverages = covered(stage.image.size(), [&](const ImageView& view, const Colour& colour) {
        draw(view, stage.text, colour);
    });
    draw(stage.image, stage.text, Colour(255, 255, 255));
    RC_ASSERT(painted_box(stage.image) == stage.text.bounds());
    const Region region = coldbrick::region(stage.text);
    RC_ASSERT(region.bounds() == stage.text.bounds());
    RC_ASSERT(region == coldbrick::region(Stencil{stage.image, {}}));
    for (int i = 0; i < 20; ++i) {
        const Point pixel{*rc::gen::inRange(0, stage.image.width()),
                          *rc::gen::inRange(0, stage.image.height())};
        RC_ASSERT(stage.text.contains(pixel) == (coverages.at(pixel.x, pixel.y) != 0));
    }
}

RC_GTEST_PROP(Text, PiecesOfThePictureAndDrawingsHaveTheSamePixels, ()) {
    if (*rc::gen::inRange(0, 16) != 0) return; // each takes its time
    const Text original(*any_text(), {0, 0}, *any_text_style(40));
    const auto format = *rc::gen::element(PixelFormat::rgb8, PixelFormat::rgba8, PixelFormat::gray16);
    const Stage stage = stage_for(original, format, Colour{90, 140, 60, 200});
    const TextPaint paint = any_text_paint();
    Image whole = stage.image;
    draw(whole, stage.text, paint);
    Image pieces = stage.image;
    const std::int32_t column = *rc::gen::inRange(0, pieces.width() + 1);
    const std::int32_t row = *rc::gen::inRange(0, pieces.height() + 1);
    for (const Box& piece : {Box{0, 0, column, row}, Box{column, 0, pieces.width() - column, row},
                             Box{0, row, column, pieces.height() - row},
                             Box{column, row, pieces.width() - column, pieces.height() - row}})
        draw(pieces.view().clipped(piece), stage.text, paint);
    RC_ASSERT(same_pixels(whole, pieces));
    Drawing drawing;
    add(drawing, stage.text, paint, Box::of(stage.image.size()));
    Image drawn = stage.image;
    draw(drawn, drawing);
    RC_ASSERT(same_pixels(whole, drawn));
}

RC_GTEST_PROP(Text, LettersAreTheirPathsFilledAndStroked, ()) {
    TextStyle style = *any_text_style();
    style.turn = {};
    const Text original("Quay 7 \xC3\x85y\n\xE2\x98\x83g", {0, 0}, style);
    Stage stage = stage_for(original, PixelFormat::gray8);
    Image expected = stage.image;
    const LetterPaths letters = stage.text.paths();
    draw(expected, letters.outlines,
         Fill{.paint = colour("white"),
              .rule = FillRule::non_zero,
              .extent = FillExtent::tiling,
              .edges = style.edges});
    draw(expected, letters.middle_lines,
         Stroke{.paint = colour("white"),
                .width = letters.stroke_width,
                .cap = Cap::round,
                .join = Join::round,
                .edges = style.edges});
    draw(stage.image, stage.text, colour("white"));
    RC_ASSERT(difference(stage.image, expected).largest <= 2); // sums of rounded coverages
}

TEST(Text, AnchorsLieOnThePointsPixel) {
    // H has straight sides: its ink shows where lines and columns are.
    for (const Face& face : {Face::stroke(), Face::bitmap()})
        for (const Edges edges : {Edges::crisp, Edges::smooth}) {
            const auto ink = [&](TextColumn column, TextRow row) {
                return measure("H", {.face = face, .size = 18, .anchor = {column, row}, .edges = edges}).ink;
            };
            const auto lines = [&](TextColumn column, TextRow row) {
                return measure("H\nH", {.face = face, .size = 18, .anchor = {column, row}, .edges = edges})
                    .lines;
            };
            EXPECT_EQ(ink(TextColumn::left, TextRow::baseline).end_y(), 1);
            EXPECT_EQ(ink(TextColumn::left, TextRow::cap_height).y, 0);
            EXPECT_LE(std::abs(ink(TextColumn::left, TextRow::middle).y +
                               ink(TextColumn::left, TextRow::middle).end_y() - 1),
                      1);
            EXPECT_EQ(lines(TextColumn::left, TextRow::top).x, 0);
            EXPECT_EQ(lines(TextColumn::left, TextRow::top).y, 0);
            EXPECT_EQ(lines(TextColumn::right, TextRow::bottom).end_x(), 1);
            EXPECT_EQ(lines(TextColumn::right, TextRow::bottom).end_y(), 1);
            EXPECT_LE(std::abs(lines(TextColumn::centre, TextRow::top).x +
                               lines(TextColumn::centre, TextRow::top).end_x() - 1),
                      1);
        }
    // Whole rows, whatever a size comes to.
    for (const Face& face : some_faces())
        for (double size = 5; size < 60; size += 0.625) {
            const auto lines = [&](TextRow row) {
                return measure("H\nq", {.face = face, .size = size, .anchor = {TextColumn::left, row}}).lines;
            };
            EXPECT_EQ(lines(TextRow::top).y, 0) << face.name() << ' ' << size;
            EXPECT_EQ(lines(TextRow::bottom).end_y(), 1) << face.name() << ' ' << size;
            EXPECT_EQ(lines(TextRow::top).height, lines(TextRow::bottom).height);
        }
}

TEST(Text, SizesAreHeightsInPixels) {
    for (const double size : {9.0, 12.0, 24.0, 48.0}) {
        EXPECT_EQ(measure("Hp", {.size = size}).ink.height, size) << size;
        EXPECT_EQ(measure("H", {.size = size, .size_of = SizeOf::capitals}).ink.height, size) << size;
    }
    EXPECT_EQ(measure("Hp", {.face = Face::bitmap(), .size = 27}).ink.height, 27);
    EXPECT_EQ(
        measure("H", {.face = load_face(sans_font), .size = 50, .size_of = SizeOf::capitals}).ink.height, 50);
    // Digits are as wide as each other.
    for (const Face& face : {Face::stroke(), Face::bitmap()})
        for (const char digit : std::string("123456789"))
            EXPECT_EQ(measure(std::string(1, digit), {.face = face}).advance,
                      measure("0", {.face = face}).advance)
                << digit;
}

TEST(Text, TurnedTextIsTheTextTurnedAboutItsPoint) {
    const TextStyle level{.size = 30, .edges = Edges::smooth};
    TextStyle turned = level;
    turned.turn = degrees(90);
    // Fitting letters onto pixels moves them by less than one.
    const Box ink = measure("Quay", level).ink;
    const Box down = measure("Quay", turned).ink;
    EXPECT_LE(std::abs(down.height - ink.width), 3);
    EXPECT_LE(std::abs(down.width - ink.height), 2);
    EXPECT_LE(std::abs(down.y - ink.x), 2);
    EXPECT_LE(std::abs(down.end_x() - (1 - ink.y)), 2);
    const Path square = Text("\xE2\x96\xA1", {5, 6}, turned).paths().middle_lines;
    EXPECT_EQ(square.contours().size(), 1U);
}

TEST(Text, PlatesTurnWithTheirText) {
    const TextPaint paint{.paint = colour("white"),
                          .plate = TextPlate{.paint = colour("teal"), .padding = 2, .radius = 0}};
    Image image({80, 80}, PixelFormat::rgb8);
    const Text text("Quay", {40, 40},
                    {.size = 16,
                     .anchor = {TextColumn::centre, TextRow::middle},
                     .turn = degrees(90),
                     .edges = Edges::crisp});
    draw(image, text, paint);
    const Box level = measure("Quay", {.size = 16,
                                       .anchor = {TextColumn::centre, TextRow::middle},
                                       .turn = degrees(360),
                                       .edges = Edges::crisp})
                          .lines;
    const Box plate = text.plate_box(*paint.plate);
    EXPECT_LE(std::abs(plate.height - (level.width + 4)), 2);
    EXPECT_LE(std::abs(plate.width - (level.height + 4)), 2);
    EXPECT_EQ(coldbrick::region(Stencil{converted(image, PixelFormat::gray8), {}}).bounds(), plate);
}

TEST(Text, PatternsOfTheShapeBeginAtTheInkWhereverItIsCut) {
    Image board({2, 2}, PixelFormat::rgb8, colour("red"));
    board.set_pixel({0, 0}, colour("gold"));
    const Paint paint(texture(board, PatternOrigin::shape));
    const Text text("Tarn", {3, 30}, {.size = 30});
    Image whole({90, 40}, PixelFormat::rgb8);
    Image pieces = whole;
    draw(whole, text, paint);
    for (int x = 0; x < 90; x += 7) draw(pieces.view().clipped(Box{x, 0, 7, 40}), text, paint);
    EXPECT_TRUE(same_pixels(whole, pieces));
}

TEST(Text, TellsWhatIsMissingAndWhatIsNoText) {
    const TextMeasure measured =
        measure("ship \xF0\x9F\x9A\xA2\xF0\x9F\x9A\xA2 \xE6\xBC\xA2 \xFF\xFE \xE2\x82.\xC2\xAD\xE2\x80\x8B");
    EXPECT_EQ(measured.missing, U"\u6F22\U0001F6A2"); // in the order of their numbers, each once
    EXPECT_EQ(measured.replaced, 3U);
    EXPECT_FALSE(measured.cut);
    EXPECT_TRUE(measure("\xF0\x9F\x9A\xA2").ink.width > 4) << "a box";
    EXPECT_EQ(measure("").ink, Box{});
    EXPECT_EQ(measure("").line_count, 1);
    EXPECT_EQ(measure("a\nb\r\nc\xE2\x80\xA8\n").line_count, 5);
}

TEST(Text, LongAndLargeTextsAreBounded) {
    Image image({60, 30}, PixelFormat::rgb8);
    std::string million;
    while (million.size() < 1'000'000) million += "quay buoy\n";
    EXPECT_EQ(measure(million).line_count, 100'001);
    const Text far_down(million, {2, -1'000'000}, {.size = 10});
    draw(image, far_down, colour("white"));
    EXPECT_GT(difference(image, Image({60, 30}, PixelFormat::rgb8)).pixels, 20);
    const Text huge("Ag", {-3000, 9000}, {.size = 32767});
    draw(image, huge, colour("gold"));
    Drawing drawing;
    EXPECT_THROW(add(drawing, huge, {.paint = colour("red")}), ArgumentError);
    expect_errors<ArgumentError>(
        {{[&] {
              (void)Text(million, {0, 0}, {.turn = degrees(1)});
          },
          "a turned text, or one of letters larger than 256 pixels, has 900000 of them, more than 65536"}});
    // So many turned letters that they are covered in several goes, the same ones in each piece of the
    // picture.
    const Text turned(std::string(3000, 'W'), {10, 10},
                      {.size = 12, .letter_spacing = -10.5, .turn = degrees(45)});
    Image whole({900, 400}, PixelFormat::gray8);
    Image pieces = whole;
    draw(whole, turned, colour("white"));
    for (int y = 0; y < 400; y += 37)
        draw(pieces.view().clipped(Box{0, y, 900, 37}), turned, colour("white"));
    EXPECT_TRUE(same_pixels(whole, pieces));
    // Letters that all lie on each other.
    const Text stacked(std::string(100'000, '-'), {20, 20}, {.size = 12, .letter_spacing = -8});
    draw(image, stacked, colour("white"));
    EXPECT_NO_THROW(add(drawing, huge, {.paint = colour("red")}, Box{0, 0, 60, 30}));
}

TEST(Text, RefusesWhatIsOutsideItsRange) {
    const auto with = [](auto change) {
        return [change] {
            TextStyle style;
            change(style);
            (void)Text("a", {0, 0}, style);
        };
    };
    Image image({9, 9}, PixelFormat::rgb8);
    const Text text("a", {0, 0});
    expect_errors<ArgumentError>({
        {with([](TextStyle& style) { style.size = 0; }), "text size 0 is outside 1..32767"},
        {with([](TextStyle& style) { style.size = -3; }), "text size -3 is outside 1..32767"},
        {with([](TextStyle& style) { style.size = 1e9; }), "text size 1000000000 is outside 1..32767"},
        {with([](TextStyle& style) { style.size = std::nan(""); }), "text size nan is outside 1..32767"},
        {with([](TextStyle& style) { style.width = 0.5; }), "text width 0.5 is outside 1..1000000000"},
        {with([](TextStyle& style) { style.most_lines = 0; }), "number of lines 0 is outside 1..2147483647"},
        {with([](TextStyle& style) {
             style.fit = Size{0, 3};
         }),
         "width to fit 0 is outside 1..2147483647"},
        {with([](TextStyle& style) { style.stroke_width = 0; }), "text stroke width 0 is outside 0.1..32767"},
        {with([](TextStyle& style) { style.line_spacing = 0; }), "line spacing 0 is outside 0.5..100"},
        {with([](TextStyle& style) { style.letter_spacing = 1e6; }),
         "letter spacing 1000000 is outside -32767..32767"},
        {[] {
             (void)Text(std::string(Text::most_bytes + 1, 'a'), {0, 0});
         },
         "a text of 1048577 bytes is longer than 1048576"},
        {[&] {
             draw(image, text, {.paint = colour("red"), .outline = TextOutline{colour("red"), 0}});
         },
         "outline width 0 is outside 0.1..32767"},
        {[&] {
             draw(image, text,
                  {.paint = colour("red"), .plate = TextPlate{.paint = colour("red"), .padding = -1}});
         },
         "plate padding -1 is outside 0..32767"},
        {[&] { (void)text.plate_box({.paint = {}, .padding = std::numeric_limits<std::int32_t>::min()}); },
         "plate padding -2147483648 is outside 0..32767"},
        {[] { (void)Face::built_in("strok"); },
         "there is no built-in face \"strok\"; there are stroke, bitmap; did you mean \"stroke\"?"},
    });
}

TEST(Text, WhatIsKeptOfGlyphsHasALimit) {
    const Face face = load_face(sans_font);
    const std::string letters = "The harbour office keeps a tide table";
    const Text first(letters, {0, 0}, {.face = face, .size = 20});
    (void)first.bounds();
    const GlyphCacheUse cold = face.cache_use();
    EXPECT_GT(cold.misses, 15U);
    EXPECT_GT(cold.glyphs, 15U);
    (void)Text(letters, {4, 9}, {.face = face, .size = 20}).bounds();
    EXPECT_EQ(face.cache_use().misses, cold.misses);
    EXPECT_GE(face.cache_use().hits, cold.hits + 30);
    for (int size = 8; size < 60; ++size) {
        face.limit_cache(30000);
        (void)Text(letters, {0, 0}, {.face = face, .size = static_cast<double>(size)}).bounds();
        EXPECT_LE(face.cache_use().bytes, 30000U);
    }
    face.limit_cache(0);
    EXPECT_EQ(face.cache_use().bytes, 0U);
    EXPECT_EQ(Text(letters, {0, 0}, {.face = face, .size = 20}).bounds(), first.bounds());
    EXPECT_EQ(face.cache_use().glyphs, 0U);
}

// Each would take minutes, or gigabytes, if all that a stroke reaches were worked out.
TEST(Text, WideOutlinesCostWhatIsSeen) {
    Image image({400, 200}, PixelFormat::gray8);
    for (const Face& face : {Face::stroke(), load_face(sans_font)})
        for (const double width : {20.0, 300.0, 32767.0}) {
            const Text text("Quay of Tarn Haven", {5, 150}, {.face = face, .size = 100});
            draw(image, text, {.paint = colour("white"), .outline = TextOutline{colour("white"), width}});
        }
    EXPECT_EQ(image.pixel({0, 0}).red, 255);
    const Text thick("Quay", {5, 150}, {.size = 100, .stroke_width = 32767});
    draw(image, thick, {.paint = colour("white")});
    EXPECT_GT(thick.bounds().width, 32767);
}

} // namespace coldbrick::test
