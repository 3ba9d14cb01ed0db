/// @file
/// Draws a picture that need not fit into memory, band by band, straight into a PNG file.
///
/// usage: large_picture FILE

#include <coldbrick/coldbrick.hpp>

#include <cstdint>
#include <iostream>

namespace cb = coldbrick;

namespace {

/// A harbour wall of bricks, each a little different, and the light's rings over it.
cb::Drawing harbour_wall(cb::Size size) {
    cb::Drawing wall;
    constexpr std::int32_t length = 120;
    constexpr std::int32_t course = 40;
    for (std::int32_t y = 0; y < size.height; y += course)
        for (std::int32_t x = y / course % 2 == 0 ? 0 : -length / 2; x < size.width; x += length) {
            const int shade = (x * 7 + y * 13) / 40 % 40;
            wall.add(cb::Box{x + 2, y + 2, length - 4, course - 4},
                     cb::Fill{cb::Colour(150 + shade, 60 + shade / 2, 50)});
        }
    for (std::int32_t radius = 400; radius < size.width; radius += 400)
        wall.add(cb::Circle{{size.width / 2, size.height / 2}, radius},
                 cb::Stroke{cb::Colour(255, 240, 180, 90), 24});
    return wall;
}

} // namespace

int main(int argument_count, char** arguments) {
    if (argument_count != 2) {
        std::cerr << "usage: large_picture FILE\n";
        return 2;
    }
    constexpr cb::Size size{6000, 4000};
    constexpr std::int32_t band_height = 64;
    try {
        const cb::Drawing wall = harbour_wall(size);
        cb::RowWriter file(arguments[1], size, cb::PixelFormat::rgb8);
        cb::render_bands(wall, size, band_height,
                         [&](const cb::ConstImageView& rows, std::int32_t) { file.write(rows); },
                         {.format = cb::PixelFormat::rgb8, .ground = cb::colour("#cfc4b4")});
        file.finish();
    } catch (const cb::Error& error) {
        std::cerr << error.what() << '\n';
        return 1;
    }
}
