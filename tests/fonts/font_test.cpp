// Font files: shaping, axes, and files that are no fonts.

#include "support/errors.hpp"
#include "support/files.hpp"
#include "support/texts.hpp"

#include <coldbrick/coldbrick.hpp>

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <variant>

namespace coldbrick::test {

namespace {

std::vector<std::byte> bytes_of(const char* file) {
    const std::string text = read_file(file);
    const auto bytes = std::as_bytes(std::span(text));
    return {bytes.begin(), bytes.end()};
}

TextStyle at(const Face& face, double size) {
    return {.face = face, .size = size};
}

/// How dark a text is.
std::int64_t ink_of(std::string_view text, const TextStyle& style) {
    const Box ink = measure(text, style).ink;
    Image image({static_cast<std::int32_t>(ink.width), static_cast<std::int32_t>(ink.height)},
                PixelFormat::gray8);
    draw(image, Text(text, {static_cast<std::int32_t>(-ink.x), static_cast<std::int32_t>(-ink.y)}, style),
         colour("white"));
    std::int64_t result = 0;
    for (std::int32_t y = 0; y < image.height(); ++y)
        for (const std::byte pixel : image.view().row(y)) result += std::to_integer<int>(pixel);
    return result;
}

/// Does whatever can be done with a face; damaged fonts may show anything, but nothing else may happen.
void use(const Face& face) {
    Image image({60, 40}, PixelFormat::gray8);
    for (const Edges edges : {Edges::smooth, Edges::crisp})
        draw(image,
             Text("AV fi \xD8\xB3\xD9\x84 e\xCC\x81 7", {2, 30}, {.face = face, .size = 20, .edges = edges}),
             colour("white"));
    (void)measure("Quay", at(face, 300));
}

} // namespace

TEST(Fonts, KernJoinAndReplaceLetters) {
    const Face sans = load_face(sans_font);
    const TextStyle style = at(sans, 100);
    const auto advance = [&](std::string_view text, double spacing = 0) {
        TextStyle spaced = style;
        spaced.letter_spacing = spacing;
        return measure(text, spaced).advance;
    };
    EXPECT_LT(advance("AV"), advance("A") + advance("V") - 3);
    EXPECT_NE(advance("ffi", 0.001), advance("ffi"))
        << "a ligature, which letters that are set apart do not have";
    EXPECT_LT(advance("\xD8\xB3\xD9\x84\xD8\xA7\xD9\x85"),
              advance("\xD8\xB3") + advance("\xD9\x84") + advance("\xD8\xA7") + advance("\xD9\x85") - 50);
    EXPECT_DOUBLE_EQ(advance("e\xCC\x81"), advance("e"));
    EXPECT_EQ(measure("e\xCC\x81", style).ink, measure("\xC3\xA9", style).ink);
    // Joined letters leave no seam: what both cover is covered once.
    Image image({400, 200}, PixelFormat::gray8);
    draw(image, Text("\xD8\xB3\xD9\x84\xD8\xB3", {20, 120}, at(sans, 90)), colour("white"));
    const LetterPaths letters = Text("\xD8\xB3\xD9\x84\xD8\xB3", {20, 120}, at(sans, 90)).paths();
    EXPECT_EQ(letters.outlines.contours().size() > 2, true);
    // Right to left: the first letter is the rightmost.
    const Box both = measure("\xD7\x90.", style).ink;
    TextStyle rightwards = style;
    rightwards.direction = Direction::left_to_right;
    const Box other = measure("\xD7\x90.", rightwards).ink;
    EXPECT_EQ(both.width > 10 && other.width > 10, true);
    EXPECT_NE(both.x, other.x);
}

TEST(Fonts, OutlinesAreThoseOfTheFile) {
    const TextStyle in_units = at(load_face(sans_font), 2048);
    // A point between two control points lies in the middle between them, also at half a unit.
    int halves = 0;
    const LetterPaths g = Text("g", {0, 0}, in_units).paths();
    for (const Contour& contour : g.outlines.contours()) {
        const PathQuadratic* before = nullptr;
        for (const PathPiece& piece : contour.pieces) {
            const auto* const curve = std::get_if<PathQuadratic>(&piece);
            if (before != nullptr && curve != nullptr && std::fmod(before->to.x + 0.5, 1) != 0) {
                EXPECT_EQ(before->to.x, (before->control.x + curve->control.x) / 2);
                EXPECT_EQ(before->to.y, (before->control.y + curve->control.y) / 2);
                ++halves;
            }
            before = curve;
        }
    }
    EXPECT_GT(halves, 2);
    // Marks without an area are no contours, and do not show when letters are outlined.
    EXPECT_EQ(Text("u", {0, 0}, in_units).paths().outlines.contours().size(), 1U);
}

TEST(Fonts, FallbacksHaveWhatTheFaceLacks) {
    TextStyle style = at(load_face(postscript_font), 30);
    EXPECT_EQ(measure("\xD7\xA9 \xE2\x9A\x93", style).missing, U"\u05E9\u2693");
    style.fallbacks = {load_face(sans_font)};
    EXPECT_EQ(measure("\xD7\xA9 \xE2\x9A\x93", style).missing, U"");
    EXPECT_TRUE(style.fallbacks[0].has(U'\u05E9'));
    EXPECT_FALSE(style.face.has(U'\u05E9'));
}

TEST(Fonts, VariableOnesHaveAxes) {
    const std::vector<std::byte> font = bytes_of(variable_font);
    const std::vector<FontAxisRange> axes = font_axes(font);
    const auto weight = std::ranges::find(axes, "wght", &FontAxisRange::tag);
    ASSERT_NE(weight, axes.end());
    EXPECT_EQ(weight->lowest, 100);
    EXPECT_EQ(weight->highest, 900);
    const auto ink = [&](double value) {
        return ink_of("Harbour", at(read_face(font, {.axes = {{"wght", value}}}), 40));
    };
    EXPECT_LT(1.5 * static_cast<double>(ink(100)), static_cast<double>(ink(400)));
    EXPECT_LT(1.3 * static_cast<double>(ink(400)), static_cast<double>(ink(900)));
    EXPECT_TRUE(font_axes(bytes_of(sans_font)).empty());
    expect_errors<ArgumentError>({
        {[&] {
             (void)read_face(font, {.axes = {{"wght", 901}}});
         },
         "value 901 of the font's axis wght is outside 100..900"},
        {[&] {
             (void)read_face(font, {.axes = {{"wgth", 400}}});
         },
         "the font has no axis \"wgth\"; it has wght, slnt; did you mean \"wght\"?"},
        {[&] {
             (void)load_face(sans_font, {.axes = {{"wght", 400}}});
         },
         "the font has no axis \"wght\": it is not variable"},
    });
}

TEST(Fonts, AreFoundOnTheSystem) {
    const std::vector<SystemFace> faces = system_faces();
    const auto sans = std::ranges::find(faces, sans_font, &SystemFace::file);
    ASSERT_NE(sans, faces.end());
    EXPECT_EQ(sans->family, "DejaVu Sans");
    EXPECT_EQ(sans->weight, 400);
    EXPECT_EQ(system_face("dejavu sans").name(), "DejaVu Sans Book");
    EXPECT_EQ(system_face("DejaVu Sans", {.weight = 690}).name(), "DejaVu Sans Bold");
    EXPECT_LT(ink_of("quay", at(system_face("Inter"), 40)),
              ink_of("quay", at(system_face("Inter", {.weight = 800}), 40)));
    try {
        (void)system_face("DejaVu Snas");
        FAIL();
    } catch (const ArgumentError& error) {
        EXPECT_TRUE(
            std::string(error.what()).starts_with("no family \"DejaVu Snas\" is installed; there are "));
        EXPECT_TRUE(std::string(error.what()).ends_with("; did you mean \"DejaVu Sans\"?")) << error.what();
    }
    expect_errors<ArgumentError>(
        {{[] { (void)system_face("Inter", {.weight = 0}); }, "face weight 0 is outside 1..1000"}});
}

TEST(Fonts, OtherFilesAndIndicesAreRefused) {
    const TemporaryFolder folder;
    write_file(folder.file("a.ttf"), "no font");
    write_file(folder.file("empty.ttf"), "");
    const std::vector<std::byte> font = bytes_of(sans_font);
    expect_errors<FileError>({
        {[&] { (void)load_face(folder.file("a.ttf")); },
         "\"" + folder.file("a.ttf") +
             "\": cannot read the font: it is no TrueType or OpenType font, or it is damaged"},
        {[&] { (void)load_face(folder.file("empty.ttf")); },
         "\"" + folder.file("empty.ttf") + "\": cannot read the font: it has 0 bytes"},
        {[&] { (void)load_face(folder.file("b.ttf")); },
         "cannot read font \"" + folder.file("b.ttf") + "\": No such file or directory"},
        {[&] { (void)load_face(folder.path().string()); },
         "cannot read font \"" + folder.path().string() + "\": Is a directory"},
        {[&] { (void)load_face(sans_font, {.most_bytes = 1000}); },
         std::string("cannot read font \"") + sans_font + "\": it has more than 1000 bytes"},
        {[&] { (void)read_face(font, {.index = 1}); }, "cannot read the font: face 1 is outside 0..0"},
        {[&] { (void)read_face(font, {.index = -1}); }, "cannot read the font: face -1 is outside 0..0"},
    });
}

TEST(Fonts, DamagedOnesDoNoHarm) {
    for (const char* file : {sans_font, postscript_font, variable_font}) {
        const std::vector<std::byte> font = bytes_of(file);
        std::uint32_t random = 7;
        for (int i = 0; i < 60; ++i) {
            std::vector<std::byte> damaged = font;
            const auto next = [&](std::size_t below) {
                random = random * 1664525 + 1013904223;
                return (random >> 4U) % below;
            };
            if (i % 3 == 0) {
                damaged.resize(next(damaged.size()));
            } else { // many in the tables' directory, some anywhere
                for (int j = 0; j < 3 * i; ++j)
                    damaged[next(j % 4 == 0 ? 500 : damaged.size())] = static_cast<std::byte>(next(256));
            }
            try {
                use(read_face(damaged));
            } catch (const FileError&) {
            }
        }
    }
}

} // namespace coldbrick::test
