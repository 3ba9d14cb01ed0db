#include <coldbrick/convert.hpp>

#include "geometry/shape_checks.hpp"
#include "image/making/uninitialised_image.hpp"
#include "image/reading/pixel_reader.hpp"
#include "paint/writers/simd_rows.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cstring>
#include <limits>

namespace coldbrick {

namespace {

paint::Codec codec_of(const ConstImageView& image) {
    return {&layout(image.format()), image.palette()};
}

/// Writes change(colour) of each pixel of one image to another of the same size.
template <class C, class Change>
void change_pixels(const ConstImageView& from, const ImageView& to, Change change) {
    const image::PixelReader<C> reader(from);
    const paint::Codec codec = codec_of(to);
    std::vector<C> colours(static_cast<std::size_t>(from.width()));
    for (std::int32_t y = 0; y < from.height(); ++y) {
        reader.row(0, y, colours);
        std::byte* pixel = to.row(y).data();
        for (const C& colour : colours) {
            codec.encode(change(colour), pixel);
            pixel += to.pixel_stride_bytes();
        }
    }
}

/// Bytes are put in another order, which needs no colours.
void shuffle_pixels(const ConstImageView& from, const ImageView& to) {
    const paint::Shuffle shuffle(layout(from.format()), layout(to.format()));
    for (std::int32_t y = 0; y < from.height(); ++y)
        shuffle.row(from.row(y).data(), to.row(y).data(), static_cast<std::size_t>(from.width()));
}

void convert(const ConstImageView& from, const ImageView& to, GrayRule rule) {
    if (image::has_plain_colours(from) && image::has_plain_colours(to)) return shuffle_pixels(from, to);
    const auto kind = layout(from.format()).kind;
    if (layout(to.format()).is_gray() && !layout(from.format()).is_gray() && rule == GrayRule::linear)
        return change_pixels<RealColour>(from, to, [](const RealColour& colour) {
            const double gray = paint::from_linear(paint::linear_gray(colour));
            return RealColour{gray, gray, gray, colour.alpha};
        });
    const auto as_it_is = [](const auto& colour) { return colour; };
    // At one depth in its integers; from one to another in real numbers, so that each channel is rounded
    // once.
    if (kind == layout(to.format()).kind && kind == PixelLayout::Kind::bytes)
        return change_pixels<Colour>(from, to, as_it_is);
    if (kind == layout(to.format()).kind && kind == PixelLayout::Kind::words)
        return change_pixels<Colour16>(from, to, as_it_is);
    change_pixels<RealColour>(from, to, as_it_is);
}

/// Copies pixels to an image of the same format that has the size of the laid one.
void copy_oriented(const ConstImageView& from, const ImageView& to, const Orientation& orientation) {
    const auto bytes = static_cast<std::size_t>(layout(from.format()).bytes);
    const std::byte* const first = from.bytes();
    for (std::int32_t y = 0; y < to.height(); ++y) {
        std::byte* pixel = to.row(y).data();
        for (std::int32_t x = 0; x < to.width(); ++x, pixel += bytes) {
            const Point at = orientation.source({x, y}, from.size());
            std::memcpy(pixel, first + at.y * from.row_stride_bytes() + at.x * from.pixel_stride_bytes(),
                        bytes);
        }
    }
}

std::vector<Channel> channels_of(const PixelLayout& pixel) {
    std::vector<Channel> result;
    if (pixel.is_gray())
        result.push_back(Channel::gray);
    else
        result = {Channel::red, Channel::green, Channel::blue};
    if (pixel.alpha != PixelLayout::none) result.push_back(Channel::alpha);
    return result;
}

} // namespace

Image converted(const ConstImageView& image, PixelFormat format, GrayRule rule, const Palette* palette) {
    image::check_palette(image);
    base::check_choice("gray rule", rule, GrayRule::linear);
    if (palette != nullptr && format != PixelFormat::indexed8)
        throw ArgumentError(fmt::format("the format {} has no palette", layout(format).name));
    Image result = image::uninitialised(image.size(), format, palette);
    convert(image, result, rule);
    return result;
}

Image copied(const ConstImageView& image) {
    return oriented(image, {});
}

Image oriented(const ConstImageView& image, const Orientation& orientation) {
    Image result = image::uninitialised(orientation.laid(image.size()), image.format(), image.palette());
    copy_oriented(image, result, orientation);
    return result;
}

Image padded(const ConstImageView& image, const Margins& margins, const Colour& colour) {
    constexpr std::int32_t largest = base::last_coordinate;
    for (const std::int32_t margin : {margins.left, margins.top, margins.right, margins.bottom})
        base::check_range("margin", margin, 0, largest);
    const std::int64_t width = std::int64_t{margins.left} + image.width() + margins.right;
    const std::int64_t height = std::int64_t{margins.top} + image.height() + margins.bottom;
    base::check_range("padded width", width, 1, largest);
    base::check_range("padded height", height, 1, largest); // NOLINT(readability-suspicious-call-argument)
    const Size size{static_cast<std::int32_t>(width), static_cast<std::int32_t>(height)};
    Image result = image.palette() != nullptr ? Image(size, *image.palette(), colour)
                                              : Image(size, image.format(), colour);
    copy_oriented(image, result.view().cropped({margins.left, margins.top, image.width(), image.height()}),
                  {});
    return result;
}

std::vector<Image> split(const ConstImageView& image) {
    std::vector<Image> result;
    for (const Channel channel : channels_of(layout(image.format())))
        result.push_back(copied(image.channel(channel)));
    return result;
}

Image merged(std::span<const ConstImageView> channels, PixelFormat format) {
    const std::vector<Channel> wanted = channels_of(layout(format));
    if (channels.size() != wanted.size())
        throw ArgumentError(fmt::format("{} images are not the {} channels of {}", channels.size(),
                                        wanted.size(), layout(format).name));
    for (const ConstImageView& channel : channels)
        if (channel.size() != channels[0].size())
            throw ArgumentError(fmt::format("channels of {} x {} and {} x {} do not fit each other",
                                            channels[0].width(), channels[0].height(), channel.width(),
                                            channel.height()));
    Image result(channels[0].size(), format);
    for (std::size_t i = 0; i < wanted.size(); ++i)
        convert(channels[i], result.view().channel(wanted[i]), GrayRule::encoded);
    return result;
}

void swap_channels(const ImageView& view, Channel first, Channel second) {
    const ImageView a = view.channel(first);
    const ImageView b = view.channel(second);
    const Image kept = copied(a);
    convert(b, a, GrayRule::encoded);
    convert(kept, b, GrayRule::encoded);
}

} // namespace coldbrick
