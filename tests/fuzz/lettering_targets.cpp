// Bytes that are fonts, and texts in any style.

#include "fuzz/attempt.hpp"
#include "fuzz/input.hpp"
#include "fuzz/targets.hpp"

#include <coldbrick/coldbrick.hpp>

#include <string>

namespace coldbrick::fuzz {

namespace {

/// Draws a text whole and in two bands: what is measured is what is painted, and bands change nothing.
void draw_text(std::string_view words, const TextStyle& style) {
    const Text text(words, {0, 0}, style);
    const Box ink = text.measure().ink;
    if (ink.empty() || ink.width > 2000 || ink.height > 2000) return;
    const Text placed = text.moved(-ink.x, -ink.y);
    const Size size{static_cast<std::int32_t>(ink.width), static_cast<std::int32_t>(ink.height)};
    Image whole(size, PixelFormat::gray8);
    draw(whole, placed, Colour(255, 255, 255));
    require(region(Stencil{whole, {}}).bounds() == Box::of(size), "what is measured is painted");
    Image bands(size, PixelFormat::gray8);
    const std::int32_t half = size.height / 2;
    draw(bands.view().clipped(Box{0, 0, size.width, half}), placed, Colour(255, 255, 255));
    draw(bands.view().clipped(Box{0, half, size.width, size.height - half}), placed, Colour(255, 255, 255));
    require(difference(whole, bands).pixels == 0, "a text in bands is the text");
}

TextStyle style_from(Input& input) {
    TextStyle style;
    style.face = input.number(0, 1) == 0 ? Face::stroke() : Face::bitmap();
    style.size = input.number(1, 200) / 4.0;
    style.size_of = input.choice(SizeOf::capitals);
    style.anchor = {input.choice(TextColumn::right), input.choice(TextRow::bottom)};
    style.letter_spacing = input.number(-20, 40) / 8.0;
    style.line_spacing = input.number(5, 20) / 10.0;
    if (input.number(0, 1) == 1) style.width = input.number(1, 300);
    if (input.number(0, 1) == 1) style.most_lines = input.number(1, 5);
    if (input.number(0, 3) == 3) style.fit = Size{input.number(1, 200), input.number(1, 100)};
    if (input.number(0, 2) == 2) style.turn = degrees(input.number(-360, 360));
    if (input.number(0, 1) == 1) style.stroke_width = input.number(1, 40) / 8.0;
    style.direction = input.choice(Direction::right_to_left);
    style.edges = input.choice(Edges::smooth);
    return style;
}

} // namespace

void fonts(Bytes bytes) {
    attempt([&] {
        const Face face = read_face(std::as_bytes(bytes));
        for (const Edges edges : {Edges::smooth, Edges::crisp})
            draw_text("AV fi i\xCC\x81 \xD8\xB3\xD9\x84 7", {.face = face, .size = 17, .edges = edges});
        draw_text("A", {.face = face, .size = 300, .turn = degrees(10)});
    });
}

void outlines(Bytes bytes) {
    attempt([&] {
        Input input(bytes);
        TextStyle style = style_from(input);
        style.size = input.number(1, 400) / 2.0;
        const double width = input.number(0, 4) == 0 ? input.number(1, 32767) : input.number(1, 400) / 4.0;
        std::string words;
        while (!input.empty() && words.size() < 20)
            words.push_back(static_cast<char>(input.take<std::uint8_t>()));
        const Text text(words, {20, 60}, style);
        const TextPaint paint{.paint = Colour(255, 255, 255), .outline = TextOutline{Colour(9, 9, 9), width}};
        Image whole({90, 70}, PixelFormat::rgb8);
        draw(whole, text, paint);
        Image tiles(whole.size(), PixelFormat::rgb8);
        for (std::int32_t x = 0; x < 90; x += 45) draw(tiles.view().clipped({x, 0, 45, 70}), text, paint);
        require(difference(whole, tiles).pixels == 0, "an outline in tiles is the outline");
    });
}

void lettering(Bytes bytes) {
    attempt([&] {
        Input input(bytes);
        const TextStyle style = style_from(input);
        std::string words;
        while (!input.empty() && words.size() < 300)
            words.push_back(static_cast<char>(input.take<std::uint8_t>()));
        draw_text(words, style);
        const Caption captions[] = {{words, Box{10, 10, 30, 20}}, {words.substr(0, 5), Box{5, 8, 90, 40}}};
        const Box picture{0, 0, 120, 80};
        for (const PlacedCaption& one : place_captions(captions, picture, {.text = style}))
            require(one.plate.intersection(picture) == one.plate, "captions lie in the picture");
    });
}

} // namespace coldbrick::fuzz
