#include "files/codecs/webp.hpp"

#include "files/codecs/canvas.hpp"
#include "files/codecs/exif.hpp"
#include "files/fields.hpp"
#include "files/stored_format.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>
#include <webp/decode.h>
#include <webp/demux.h>

#include <optional>

namespace coldbrick::files {

namespace {

const std::uint8_t* bytes_of(std::span<const std::byte> bytes) {
    return reinterpret_cast<const std::uint8_t*>(bytes.data());
}

[[noreturn]] void fail_decoding_webp(std::string_view message) {
    throw FileError(fmt::format("cannot decode WebP: {}", message));
}

[[noreturn]] void fail_decoding_webp(VP8StatusCode status) {
    switch (status) {
    case VP8_STATUS_OUT_OF_MEMORY: fail_decoding_webp("there is not enough memory");
    case VP8_STATUS_NOT_ENOUGH_DATA: fail_decoding_webp("the file ends too early");
    case VP8_STATUS_UNSUPPORTED_FEATURE: fail_decoding_webp("it has a feature that is not supported");
    default: fail_decoding_webp("its pixels are broken");
    }
}

/// What the headers of a file or of a frame tell. Its alpha is what the decoder goes by, whatever the file's
/// flags say.
WebPBitstreamFeatures features_of(std::span<const std::byte> bytes) {
    WebPBitstreamFeatures features;
    if (const auto status = WebPGetFeatures(bytes_of(bytes), bytes.size(), &features);
        status != VP8_STATUS_OK)
        fail_decoding_webp(status);
    return features;
}

/// The picture in the bytes, which are a file or a frame of one.
/// @param with_alpha true to have alpha even if all is opaque
Image decode_still(std::span<const std::byte> bytes, const DecodeLimits& limits, bool with_alpha) {
    const WebPBitstreamFeatures features = features_of(bytes);
    const bool alpha = with_alpha || features.has_alpha != 0;
    Image image = image_within(limits, {features.width, features.height}, format_with(true, alpha, false));
    WebPDecoderConfig config;
    if (WebPInitDecoderConfig(&config) == 0) fail_decoding_webp("the library has another version");
    config.output.colorspace = alpha ? MODE_RGBA : MODE_RGB;
    config.output.is_external_memory = 1;
    const auto stride = static_cast<std::size_t>(image.view().row_stride_bytes());
    config.output.u.RGBA = {reinterpret_cast<std::uint8_t*>(image.view().bytes()), static_cast<int>(stride),
                            stride * static_cast<std::size_t>(image.height())};
    if (const auto status = WebPDecode(bytes_of(bytes), bytes.size(), &config); status != VP8_STATUS_OK)
        fail_decoding_webp(status);
    return image;
}

/// A file taken apart into its chunks and frames.
class Demuxer {
  public:
    explicit Demuxer(std::span<const std::byte> file) {
        const WebPData data{bytes_of(file), file.size()};
        demuxer_ = WebPDemux(&data);
        if (demuxer_ == nullptr) fail_decoding_webp("the file is broken or ends too early");
    }
    Demuxer(const Demuxer&) = delete;
    Demuxer& operator=(const Demuxer&) = delete;
    ~Demuxer() { WebPDemuxDelete(demuxer_); }

    [[nodiscard]] std::uint32_t get(WebPFormatFeature feature) const {
        return WebPDemuxGetI(demuxer_, feature);
    }
    [[nodiscard]] Size size() const {
        return {static_cast<std::int32_t>(get(WEBP_FF_CANVAS_WIDTH)),
                static_cast<std::int32_t>(get(WEBP_FF_CANVAS_HEIGHT))};
    }
    [[nodiscard]] bool has(WebPFeatureFlags flag) const {
        return (get(WEBP_FF_FORMAT_FLAGS) & static_cast<std::uint32_t>(flag)) != 0;
    }

    /// The data of the first such chunk; empty if there is none.
    [[nodiscard]] std::span<const std::byte> chunk(const char* name) const {
        WebPChunkIterator iterator;
        if (WebPDemuxGetChunk(demuxer_, name, 1, &iterator) == 0) return {};
        const auto result = std::as_bytes(std::span(iterator.chunk.bytes, iterator.chunk.size));
        WebPDemuxReleaseChunkIterator(&iterator);
        return result; // which lies in the file
    }

    /// A frame, counted from 1, if there are so many.
    [[nodiscard]] std::optional<WebPIterator> frame(int number) const {
        WebPIterator iterator;
        if (WebPDemuxGetFrame(demuxer_, number, &iterator) == 0) return std::nullopt;
        WebPDemuxReleaseIterator(&iterator); // which holds nothing but places in the file
        return iterator;
    }

  private:
    WebPDemuxer* demuxer_;
};

class WebpFrames final : public FrameDecoder {
  public:
    WebpFrames(std::span<const std::byte> file, const DecodeLimits& limits)
        : demuxer_(file), limits_(limits), canvas_(demuxer_.size(), PixelFormat::rgba8, limits) {}

    [[nodiscard]] Size size() const override { return canvas_.size(); }
    [[nodiscard]] std::int32_t repeats() const override {
        return static_cast<std::int32_t>(demuxer_.get(WEBP_FF_LOOP_COUNT));
    }

    std::optional<Frame> next() override {
        const auto frame = demuxer_.frame(++number_);
        if (!frame) return std::nullopt; // numbers beyond the last, and 0 of the iterator's own
        if (number_ > static_cast<int>(demuxer_.get(WEBP_FF_FRAME_COUNT))) return std::nullopt;
        const Image image = decode_still(
            std::as_bytes(std::span(frame->fragment.bytes, frame->fragment.size)), limits_, true);
        canvas_.show(image, {frame->x_offset, frame->y_offset}, frame->blend_method == WEBP_MUX_BLEND,
                     frame->dispose_method == WEBP_MUX_DISPOSE_BACKGROUND ? Disposal::see_through
                                                                          : Disposal::keep);
        return Frame{canvas_.image(), Duration(std::int64_t{frame->duration} * 1000)};
    }

  private:
    Demuxer demuxer_;
    DecodeLimits limits_;
    Canvas canvas_;
    int number_ = 0;
};

Image decode_webp(std::span<const std::byte> file, const DecodeLimits& limits) {
    const Demuxer demuxer(file); // which sees whether the file is whole
    if (!demuxer.has(ANIMATION_FLAG)) return decode_still(file, limits, false);
    auto first = WebpFrames(file, limits).next();
    if (!first) fail_decoding_webp("it has no frame");
    return std::move(first->image);
}

Orientation webp_orientation(std::span<const std::byte> file) {
    return read_exif(Demuxer(file).chunk("EXIF")).orientation;
}

/// How long all frames last.
Duration duration_of(const Demuxer& demuxer) {
    Duration result;
    const int count = static_cast<int>(demuxer.get(WEBP_FF_FRAME_COUNT));
    for (int i = 1; i <= count; ++i)
        if (const auto frame = demuxer.frame(i)) result.microseconds += std::int64_t{frame->duration} * 1000;
    return result;
}

ImageInfo inspect_webp(std::span<const std::byte> file) {
    const Demuxer demuxer(file);
    const Exif exif = read_exif(demuxer.chunk("EXIF"));
    const bool animated = demuxer.has(ANIMATION_FLAG);
    const bool alpha = animated || features_of(file).has_alpha != 0;
    return {.type = FileType::webp,
            .size = exif.orientation.laid(demuxer.size()),
            .format = format_with(true, alpha, false),
            .channels = alpha ? 4 : 3,
            .bits = 8,
            .frames = demuxer.get(WEBP_FF_FRAME_COUNT),
            .duration = animated ? duration_of(demuxer) : Duration(),
            .repeats = animated ? static_cast<std::int32_t>(demuxer.get(WEBP_FF_LOOP_COUNT)) : 1,
            .orientation = exif.orientation,
            .resolution = exif.resolution,
            .colour_profile = demuxer.has(ICCP_FLAG) ? "ICC" : ""};
}

bool begins_as_webp(std::span<const std::byte> file) {
    return says(file, 0, "RIFF") && says(file, 8, "WEBP");
}

constexpr std::string_view webp_extensions[] = {".webp"};

} // namespace

std::unique_ptr<FrameDecoder> webp_frames(std::span<const std::byte> file, const DecodeLimits& limits) {
    return std::make_unique<WebpFrames>(file, limits);
}

const Codec webp_codec{
    .type = FileType::webp,
    .name = "WebP",
    .extensions = webp_extensions,
    .holds = {.alpha = true},
    .takes = {.quality = true, .compression = true},
    .begins = begins_as_webp,
    .inspect = inspect_webp,
    .decode = decode_webp,
    .encoder = webp_encoder,
    .orientation = webp_orientation,
    .frames = webp_frames,
};

} // namespace coldbrick::files
