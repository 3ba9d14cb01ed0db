#include <coldbrick/magnify.hpp>

#include "geometry/shape_checks.hpp"

#include <coldbrick/draw.hpp>

#include <algorithm>
#include <cstring>
#include <limits>
#include <span>

namespace coldbrick {

namespace {

bool has_grid(const Magnification& magnification) {
    return magnification.grid.alpha != 0 || magnification.tenth_grid.alpha != 0;
}

std::int32_t magnified_extent(const char* name, std::int32_t extent, const Magnification& magnification) {
    const std::int64_t result = std::int64_t{extent} * magnification.zoom + (has_grid(magnification) ? 1 : 0);
    base::check_range(name, result, 1, base::last_coordinate);
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

/// Copies each pixel's bytes to all pixels of its square. The last column and row of squares are a pixel
/// longer: the far grid lines lie on them.
void copy_magnified(const ConstImageView& image, const ImageView& picture, std::int32_t zoom) {
    const auto bytes = static_cast<std::size_t>(layout(image.format()).bytes);
    const auto near = [zoom](std::int32_t place, std::int32_t extent) {
        return std::min(place / zoom, extent - 1);
    };
    for (std::int32_t y = 0; y < picture.height(); ++y) {
        const std::span<std::byte> row = picture.row(y);
        const std::int32_t source_y = near(y, image.height());
        if (y > 0 && source_y == near(y - 1, image.height())) {
            std::ranges::copy(picture.row(y - 1), row.begin());
            continue;
        }
        const std::byte* const source = image.row(source_y).data();
        for (std::int32_t x = 0; x < picture.width(); ++x)
            std::memcpy(row.data() + static_cast<std::size_t>(x) * bytes,
                        source + near(x, image.width()) * image.pixel_stride_bytes(), bytes);
    }
}

} // namespace

Image magnified(const ConstImageView& image, const Magnification& magnification) {
    base::check_range("zoom", magnification.zoom, 1, 1024);
    const Size size{magnified_extent("magnified width", image.width(), magnification),
                    magnified_extent("magnified height", image.height(), magnification)};
    Image picture =
        image.palette() != nullptr ? Image(size, *image.palette(), {}) : Image(size, image.format());
    copy_magnified(image, picture, magnification.zoom);
    if (has_grid(magnification)) draw_grid(picture, image.size(), magnification);
    return picture;
}

} // namespace coldbrick
