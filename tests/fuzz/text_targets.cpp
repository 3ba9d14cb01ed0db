// Bytes that are texts or files.

#include "fuzz/targets.hpp"

#include <coldbrick/bitmap.hpp>
#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/sheet.hpp>

#include <algorithm>
#include <cstdio>
#include <cstdlib>
#include <string>
#include <string_view>

namespace coldbrick::fuzz {

namespace {

std::string_view text_of(Bytes bytes) {
    return {reinterpret_cast<const char*>(bytes.data()), bytes.size()};
}

/// Messages go to terminals: no control character but the ends of lines and tabs may be in them.
void check_message(const Error& error) {
    const std::string_view text = error.what();
    require(text.size() < 3000, "messages are not endless");
    require(std::ranges::none_of(
                text, [](char c) { return (c >= 0 && c < ' ' && c != '\n' && c != '\t') || c == 127; }),
            "messages steer no terminal");
}

/// Makes a call that may fail, but only with a message.
template <class Call>
void attempt(Call call) {
    try {
        call();
    } catch (const Error& error) {
        check_message(error);
    }
}

bool same_pixels(const Image& a, const Image& b) {
    if (a.size() != b.size() || a.format() != b.format()) return false;
    for (std::int32_t y = 0; y < a.height(); ++y)
        if (!std::ranges::equal(a.view().row(y), b.view().row(y))) return false;
    return true;
}

} // namespace

void require(bool holds, const char* promise) {
    if (holds) return;
    std::fprintf(stderr, "broken: %s\n", promise);
    std::abort();
}

void decoders(Bytes bytes) {
    constexpr std::size_t most_bytes = std::size_t{1} << 22;
    attempt([&] {
        const Image image = decode(std::as_bytes(bytes), most_bytes);
        for (const FileType type : {FileType::png, FileType::pam})
            require(same_pixels(decode(encode(image, type)), image), "what is saved comes back");
    });
}

void sheets(Bytes bytes) {
    attempt([&] {
        const Sheet sheet =
            read_sheet(text_of(bytes), "fuzz.brick", {}, [](const std::string&, std::size_t most) {
                return Image({3, 2}, PixelFormat::rgba8, Colour(9, 99, 199, 99), most);
            });
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
    attempt([&] { require(Bitmap(text).size().width > 0, "a bitmap has pixels"); });
}

} // namespace coldbrick::fuzz
