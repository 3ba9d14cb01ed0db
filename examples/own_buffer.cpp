/// @file
/// Draws into memory that the program owns itself, as a camera or a window would hand it out: blue, green,
/// red and padded rows. The library neither copies nor keeps it.
///
/// usage: own_buffer FILE

#include <coldbrick/coldbrick.hpp>

#include <cstdint>
#include <iostream>
#include <vector>

namespace cb = coldbrick;

namespace {

void draw_watch_light(const cb::ImageView& frame) {
    const cb::Circle light{{80, 50}, 14};
    cb::clear(frame, cb::colour("#0b1d2e"));
    for (const int radius : {44, 34, 24}) // range rings
        cb::draw(frame, cb::Circle{light.centre, radius}, cb::Stroke{cb::colour("seagreen")});
    cb::draw(frame, cb::Line{light.centre, {131, 21}}, cb::Stroke{cb::colour("palegreen")});
    cb::draw(frame, light, cb::Fill{cb::colour("gold")}, cb::Stroke{cb::colour("white"), 3});
}

} // namespace

int main(int argument_count, char** arguments) {
    if (argument_count != 2) {
        std::cerr << "usage: own_buffer FILE\n";
        return 2;
    }
    constexpr cb::Size size{160, 100};
    constexpr std::ptrdiff_t row_stride_bytes = 512; // 480 bytes of pixels, then padding that is not painted
    std::vector<std::uint8_t> memory(row_stride_bytes * size.height, 0xEE);
    const cb::ImageView frame{memory.data(), size, cb::PixelFormat::bgr8, row_stride_bytes};
    try {
        draw_watch_light(frame);
        cb::save(frame, arguments[1]);
    } catch (const cb::Error& error) {
        std::cerr << error.what() << '\n';
        return 1;
    }
    return 0;
}
