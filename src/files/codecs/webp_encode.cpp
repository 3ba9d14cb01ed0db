#include "files/codecs/webp.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>
#include <webp/encode.h>

#include <exception>

namespace coldbrick::files {

namespace {

constexpr int usual_effort = 6;

std::string_view message_of(WebPEncodingError error) {
    switch (error) {
    case VP8_ENC_ERROR_OUT_OF_MEMORY:
    case VP8_ENC_ERROR_BITSTREAM_OUT_OF_MEMORY: return "there is not enough memory";
    case VP8_ENC_ERROR_PARTITION0_OVERFLOW:
    case VP8_ENC_ERROR_PARTITION_OVERFLOW: return "a part of it becomes too large";
    case VP8_ENC_ERROR_FILE_TOO_BIG: return "the file becomes too large";
    default: return "the library refuses";
    }
}

WebPConfig configuration(const EncodeOptions& options) {
    WebPConfig config;
    if (WebPConfigInit(&config) == 0) throw FileError("cannot encode WebP: the library has another version");
    if (options.quality) {
        config.quality = static_cast<float>(*options.quality);
    } else {
        WebPConfigLosslessPreset(&config, options.compression.value_or(usual_effort));
        config.exact = 1; // colours of see-through pixels stay
    }
    return config;
}

/// Collects the rows, which are encoded at the end.
class WebpEncoder final : public RowEncoder {
  public:
    WebpEncoder(ByteSink& sink, const StoredPicture& picture, const EncodeOptions& options)
        : sink_(sink), config_(configuration(options)), has_alpha_(layout(picture.format).has_alpha()) {
        constexpr std::int32_t most = WEBP_MAX_DIMENSION;
        if (picture.size.width > most || picture.size.height > most)
            throw FileError(fmt::format("a WebP file cannot hold {} x {} pixels, only up to {} x {}",
                                        picture.size.width, picture.size.height, most, most));
        if (WebPPictureInit(&picture_) == 0)
            throw FileError("cannot encode WebP: the library has another version");
        picture_.use_argb = 1;
        picture_.width = picture.size.width;
        picture_.height = picture.size.height;
        picture_.writer = hand_on;
        picture_.custom_ptr = this;
        if (WebPPictureAlloc(&picture_) == 0) throw std::bad_alloc();
    }
    WebpEncoder(const WebpEncoder&) = delete;
    WebpEncoder& operator=(const WebpEncoder&) = delete;
    ~WebpEncoder() override { WebPPictureFree(&picture_); }

    void row(std::span<const std::byte> row) override {
        std::uint32_t* pixel =
            picture_.argb + static_cast<std::ptrdiff_t>(next_row_++) * picture_.argb_stride;
        const std::size_t channels = has_alpha_ ? 4 : 3;
        for (std::size_t at = 0; at < row.size(); at += channels) {
            const auto channel = [&](std::size_t i) { return std::to_integer<std::uint32_t>(row[at + i]); };
            *pixel++ =
                (has_alpha_ ? channel(3) : 255U) << 24U | channel(0) << 16U | channel(1) << 8U | channel(2);
        }
    }

    void finish() override {
        if (WebPEncode(&config_, &picture_) != 0) return;
        if (failure_) std::rethrow_exception(failure_);
        throw FileError(fmt::format("cannot encode WebP: {}", message_of(picture_.error_code)));
    }

  private:
    static int hand_on(const std::uint8_t* bytes, std::size_t count, const WebPPicture* picture) {
        auto& self = *static_cast<WebpEncoder*>(picture->custom_ptr);
        try {
            self.sink_.write(std::as_bytes(std::span(bytes, count)));
            return 1;
        } catch (...) {
            self.failure_ = std::current_exception();
            return 0;
        }
    }

    ByteSink& sink_;
    WebPConfig config_;
    WebPPicture picture_{};
    bool has_alpha_;
    std::int32_t next_row_ = 0;
    std::exception_ptr failure_; ///< what the sink has thrown
};

} // namespace

std::unique_ptr<RowEncoder> webp_encoder(ByteSink& sink, const StoredPicture& picture,
                                         const EncodeOptions& options) {
    return std::make_unique<WebpEncoder>(sink, picture, options);
}

} // namespace coldbrick::files
