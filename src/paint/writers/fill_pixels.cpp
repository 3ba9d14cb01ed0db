#include "paint/writers/fill_pixels.hpp"

#include "paint/writers/cpu_features.hpp"
#include "paint/writers/repeated_pixel.hpp"
#include "paint/writers/run_writer.hpp"

#include <algorithm>
#include <cstring>
#include <span>

namespace coldbrick::paint {

namespace {

template <std::size_t Width>
[[gnu::always_inline]] inline void fill_by(std::byte* begin, std::size_t bytes, const RepeatedPixel& pixel) {
    RunWriter<Width>(pixel).write(Places<1>{begin}, bytes);
}

COLDBRICK_WIDE void fill_wide(std::byte* begin, std::size_t bytes, const RepeatedPixel& pixel) {
    fill_by<32>(begin, bytes, pixel);
}

} // namespace

void fill_pixels(std::byte* begin, std::size_t bytes, const PixelBytes& pixel, std::ptrdiff_t pixel_bytes) {
    const auto one = std::as_bytes(std::span(pixel)).first(static_cast<std::size_t>(pixel_bytes));
    if (std::ranges::all_of(one, [&one](std::byte byte) { return byte == one[0]; })) {
        std::memset(begin, std::to_integer<int>(one[0]), bytes);
        return;
    }
    const RepeatedPixel repeated(pixel, pixel_bytes);
    wide_vectors() ? fill_wide(begin, bytes, repeated) : fill_by<16>(begin, bytes, repeated);
}

} // namespace coldbrick::paint
