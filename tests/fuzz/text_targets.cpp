// Bytes that are texts.

#include "fuzz/attempt.hpp"
#include "fuzz/targets.hpp"

#include <coldbrick/bitmap.hpp>
#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/path_text.hpp>
#include <coldbrick/sheet.hpp>

#include <cstdio>
#include <cstdlib>
#include <string>
#include <string_view>

namespace coldbrick::fuzz {

namespace {

std::string_view text_of(Bytes bytes) {
    return {reinterpret_cast<const char*>(bytes.data()), bytes.size()};
}

} // namespace

void require(bool holds, const char* promise) {
    if (holds) return;
    std::fprintf(stderr, "broken: %s\n", promise);
    std::abort();
}

void sheets(Bytes bytes) {
    attempt([&] {
        const auto load_image = [](const std::string&, std::size_t most) {
            return Image({3, 2}, PixelFormat::rgba8, Colour(9, 99, 199, 99), most);
        };
        const Sheet sheet =
            read_sheet(text_of(bytes), "fuzz.brick", {.load_image = load_image, .most_image_bytes = 1 << 24});
        if (std::int64_t{sheet.size.width} * sheet.size.height > 100000 || sheet.drawing.items().size() > 200)
            return;
        (void)sheet.render();
    });
}

void texts(Bytes bytes) {
    const std::string_view text = text_of(bytes);
    attempt([&] { require(colour(hex(colour(text))) == colour(text), "a colour is its own text's"); });
    attempt([&] {
        require(read_palette(palette_text(read_palette(text))) == read_palette(text), "so is a palette");
    });
    attempt([&] {
        const Path path = read_path(text);
        require(read_path(path_text(path)).contours().size() == path.contours().size(),
                "nor does a path lose contours");
    });
    attempt([&] { require(Bitmap(text).size().width > 0, "a bitmap has pixels"); });
}

} // namespace coldbrick::fuzz
