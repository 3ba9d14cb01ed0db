#include "image/reading/pixel_reader.hpp"

#include <coldbrick/palette.hpp>

namespace coldbrick::image {

void check_palette(const ConstImageView& image) {
    if (image.palette() == nullptr || image.palette()->size() == Palette::largest) return;
    for (std::int32_t y = 0; y < image.height(); ++y)
        for (const std::byte number : image.row(y))
            (void)image.palette()->at(std::to_integer<std::size_t>(number));
}

} // namespace coldbrick::image
