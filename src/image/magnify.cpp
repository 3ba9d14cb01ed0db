#include <coldbrick/magnify.hpp>

#include "geometry/checks.hpp"

#include <coldbrick/draw.hpp>

#include <limits>

namespace coldbrick {

namespace {

std::int32_t magnified_extent(const char* name, std::int32_t extent, std::int32_t zoom) {
    const std::int64_t result = std::int64_t{extent} * zoom + 1;
    check_range(name, result, 1, std::numeric_limits<std::int32_t>::max());
    return static_cast<std::int32_t>(result);
}

void draw_grid(Image& picture, Size size, const Magnification& magnification) {
    const auto colour_of = [&](std::int32_t index) {
        return index % 10 == 0 ? magnification.tenth_grid : magnification.grid;
    };
    const std::int32_t zoom = magnification.zoom;
    for (std::int32_t y = 0; y <= size.height; ++y)
        draw(picture, Box{0, std::int64_t{y} * zoom, picture.width(), 1}, Fill{colour_of(y)});
    // Between the horizontal lines only, so that a see-through grid is as strong where lines cross.
    for (std::int32_t y = 0; y < size.height; ++y)
        for (std::int32_t x = 0; x <= size.width; ++x)
            draw(picture, Box{std::int64_t{x} * zoom, std::int64_t{y} * zoom + 1, 1, zoom - 1},
                 Fill{colour_of(x)});
}

} // namespace

Image magnified(const ConstImageView& image, const Magnification& magnification) {
    check_range("zoom", magnification.zoom, 1, 1024);
    const std::int64_t zoom = magnification.zoom;
    Image picture({magnified_extent("magnified width", image.width(), magnification.zoom),
                   magnified_extent("magnified height", image.height(), magnification.zoom)},
                  image.format());
    for (std::int32_t y = 0; y < image.height(); ++y)
        for (std::int32_t x = 0; x < image.width(); ++x) {
            // The last column and row of squares are a pixel longer: the far grid line lies on them.
            const Box square{x * zoom, y * zoom, zoom + (x + 1 == image.width() ? 1 : 0),
                             zoom + (y + 1 == image.height() ? 1 : 0)};
            clear(picture.view().clipped(square), image.pixel({x, y}));
        }
    draw_grid(picture, image.size(), magnification);
    return picture;
}

} // namespace coldbrick
