#include "base/range_checks.hpp"
#include "files/extensions.hpp"
#include "files/reels/numbered_reel.hpp"
#include "files/reels/reel_encoder.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/reel.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <string>
#include <vector>

namespace coldbrick {

namespace files {

namespace {

constexpr std::array all_reel_codecs{&png_reel, &gif_reel, &webp_reel, &y4m_reel};

} // namespace

std::span<const ReelCodec* const> reel_codecs() {
    return all_reel_codecs;
}

ReelType reel_type_of(const FileName& path, const ReelOptions& options) {
    if (options.type == ReelType::numbered && !is_numbered(path))
        throw ArgumentError("the name of numbered pictures has no #");
    return options.type ? *options.type : reel_type(path);
}

void check_reel_options(ReelType type, const ReelOptions& options) {
    constexpr std::int64_t most = 1'000'000;
    base::check_range("frames of a rate", options.rate.frames, 1, most);
    base::check_range("seconds of a rate", options.rate.seconds, 1, most);
    base::check_range("number of repeats", options.repeats, 0, 65535);
    if (options.frame_count) base::check_range("number of frames", *options.frame_count, 1, 0x7FFFFFFF);
    if (options.quality) base::check_range("quality", *options.quality, 1, 100);
    if (options.compression) base::check_range("compression level", *options.compression, 0, 9);
    if (options.quality && options.compression)
        throw ArgumentError("a quality and a compression level exclude each other");
    base::check_choice("chroma subsampling", options.subsampling, ChromaSubsampling::both);
    const auto check = [](bool given, bool taken, std::string_view what) {
        if (given && !taken)
            throw ArgumentError(fmt::format("{} means nothing to a reel of this type", what));
    };
    check(options.palette.has_value(), type == ReelType::gif, "a palette");
    check(options.quality.has_value(), type == ReelType::webp, "a quality");
    check(options.compression.has_value(), type == ReelType::png || type == ReelType::webp,
          "a compression level");
    check(options.background.has_value(), type == ReelType::y4m, "a background");
}

} // namespace files

ReelType reel_type(const FileName& path) {
    if (files::is_numbered(path)) return ReelType::numbered;
    const std::string extension = files::lower_extension(path);
    std::vector<std::string_view> known;
    for (const files::ReelCodec* const codec : files::reel_codecs()) {
        if (std::ranges::find(codec->extensions, extension) != codec->extensions.end()) return codec->type;
        known.insert(known.end(), codec->extensions.begin(), codec->extensions.end());
    }
    files::fail_unknown_extension(path, extension, known);
}

} // namespace coldbrick
