#include "files/decode.hpp"

#include "base/range_checks.hpp"
#include "files/system/read_file.hpp"
#include "files/system/streams.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <istream>
#include <limits>
#include <string>
#include <utility>

namespace coldbrick {

namespace files {

namespace {

bool is_known(std::span<const std::byte> beginning) {
    return codec_of(beginning) != nullptr;
}

std::string known_names() {
    std::string result;
    for (const Codec* const codec : codecs())
        if (codec->type < FileType::pbm) result.append(result.empty() ? "" : ", ").append(codec->name);
    return result + " or a portable anymap";
}

} // namespace

std::size_t most_file_bytes(const DecodeLimits& limits) {
    constexpr std::size_t allowance = std::size_t{64} << 20; // for what is not pixels
    constexpr std::size_t unlimited = std::numeric_limits<std::size_t>::max();
    return limits.bytes > unlimited - allowance ? unlimited : limits.bytes + allowance;
}

void check_decode_limits(const DecodeLimits& limits) {
    base::check_range("limit of widths", limits.width, 1, std::numeric_limits<std::int32_t>::max());
    base::check_range("limit of heights", limits.height, 1, std::numeric_limits<std::int32_t>::max());
    base::check_range("limit of pixels", limits.pixels, 1, std::numeric_limits<std::int64_t>::max());
}

const Codec& known_codec_of(std::span<const std::byte> file) {
    const Codec* const codec = codec_of(file);
    if (codec == nullptr)
        throw FileError(fmt::format("cannot decode the image: it is none of {}", known_names()));
    return *codec;
}

Image decode_with(const Codec& codec, std::span<const std::byte> file, const DecodeOptions& options) {
    check_decode_limits(options.limits);
    return without_argument_errors([&] {
        Image image = codec.decode(file, options.limits);
        if (options.upright && codec.orientation != nullptr)
            if (const Orientation laid = codec.orientation(file); laid != Orientation{})
                image = oriented(image, laid);
        if (options.format && *options.format != image.format()) {
            check_limits(image.size(), *options.format, options.limits);
            image = converted(image, *options.format);
        }
        return image;
    });
}

std::vector<std::byte> read_image_file(const FileName& path, const DecodeLimits& limits) {
    return read_whole(path.text(), most_file_bytes(limits), is_known);
}

} // namespace files

Image decode(std::span<const std::byte> file, const DecodeOptions& options) {
    return files::decode_with(files::known_codec_of(file), file, options);
}

Image load(const FileName& path, const DecodeOptions& options) {
    const std::vector<std::byte> bytes = files::read_image_file(path, options.limits);
    return files::naming_file(files::name_before(path), [&] { return decode(bytes, options); });
}

Image load(std::istream& stream, const DecodeOptions& options) {
    files::StreamSource source(stream);
    return decode(files::read_rest(source, files::most_file_bytes(options.limits)), options);
}

ImageInfo inspect(std::span<const std::byte> file) {
    const files::Codec& codec = files::known_codec_of(file);
    return files::without_argument_errors([&] { return codec.inspect(file); });
}

ImageInfo inspect(const FileName& path) {
    const std::vector<std::byte> bytes = files::read_image_file(path, {});
    return files::naming_file(files::name_before(path), [&] { return inspect(bytes); });
}

} // namespace coldbrick
