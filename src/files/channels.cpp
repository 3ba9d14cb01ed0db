#include "files/channels.hpp"

#include <coldbrick/pixel_format.hpp>

#include <array>

namespace coldbrick::files {

int channel_count(PixelFormat format) {
    const PixelLayout& pixel = layout(format);
    return pixel.is_gray() ? 1 : pixel.has_alpha() ? 4 : 3;
}

std::vector<std::byte> in_file_order(const ConstImageView& image, int channels) {
    const PixelLayout& pixel = layout(image.format());
    // Where each of the file's channels lies in the pixel; gray stands in for any colour.
    const std::array<std::int8_t, 4> offsets =
        pixel.is_gray() ? std::array{pixel.gray, pixel.gray, pixel.gray, pixel.alpha}
                        : std::array{pixel.red, pixel.green, pixel.blue, pixel.alpha};
    const auto count = static_cast<std::size_t>(channels);
    std::vector<std::byte> result;
    result.reserve(static_cast<std::size_t>(image.width()) * static_cast<std::size_t>(image.height()) *
                   count);
    for (std::int32_t y = 0; y < image.height(); ++y) {
        const std::byte* at = image.row(y);
        for (std::int32_t x = 0; x < image.width(); ++x, at += pixel.bytes)
            for (std::size_t channel = 0; channel < count; ++channel) result.push_back(at[offsets[channel]]);
    }
    return result;
}

} // namespace coldbrick::files
