#include "files/codecs/codec.hpp"

#include "base/range_checks.hpp"
#include "image/making/uninitialised_image.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>

namespace coldbrick::files {

namespace {

constexpr std::array all_codecs{&png_codec, &jpeg_codec, &webp_codec, &gif_codec, &bmp_codec, &qoi_codec,
                                &pbm_codec, &pgm_codec,  &ppm_codec,  &pam_codec, &pnm_codec};
static_assert(all_codecs.size() == static_cast<std::size_t>(FileType::pnm) + 1);

} // namespace

std::span<const Codec* const> codecs() {
    return all_codecs;
}

const Codec& codec_of(FileType type) {
    base::check_choice("file type", type, FileType::pnm);
    return **std::ranges::find(all_codecs, type, &Codec::type);
}

const Codec* codec_of(std::span<const std::byte> beginning) {
    const auto* const found =
        std::ranges::find_if(all_codecs, [&](const Codec* codec) { return codec->begins(beginning); });
    return found == all_codecs.end() ? nullptr : *found;
}

void check_limits(Size size, PixelFormat format, const DecodeLimits& limits) {
    const auto check = [&](std::string_view what, std::int64_t value, std::int64_t most) {
        if (value > most)
            throw ArgumentError(fmt::format("its {} of {} is more than the limit of {}", what, value, most));
    };
    check("width", size.width, limits.width);
    check("height", size.height, limits.height);
    const std::int64_t pixels = std::int64_t{size.width} * size.height;
    check("number of pixels", pixels, limits.pixels);
    const auto bytes = static_cast<std::uint64_t>(layout(format).bytes);
    if (static_cast<std::uint64_t>(pixels) > limits.bytes / bytes)
        throw ArgumentError(fmt::format("an image of {} x {} {} pixels takes {} bytes, more than the limit "
                                        "of {}",
                                        size.width, size.height, layout(format).name,
                                        bytes * static_cast<std::uint64_t>(pixels), limits.bytes));
}

Image image_within(const DecodeLimits& limits, Size size, PixelFormat format, const Palette* palette) {
    check_limits(size, format, limits);
    return image::uninitialised(size, format, palette, limits.bytes);
}

Image decode_rows(RowDecoder& decoder, const DecodeLimits& limits) {
    const StoredPicture picture = decoder.picture();
    Image image =
        image_within(limits, picture.size, picture.format, picture.palette ? &*picture.palette : nullptr);
    for (std::int32_t y = 0; y < image.height(); ++y) decoder.row(image.view().row(y));
    decoder.finish();
    return image;
}

} // namespace coldbrick::files
