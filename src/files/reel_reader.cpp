#include <coldbrick/reel.hpp>

#include "base/own_state.hpp"
#include "files/decode.hpp"

#include <coldbrick/error.hpp>

#include <memory>
#include <optional>
#include <utility>
#include <vector>

namespace coldbrick {

namespace {

/// A picture as a reel of one frame.
class OneFrame final : public files::FrameDecoder {
  public:
    explicit OneFrame(Image image) : size_(image.size()), image_(std::move(image)) {}

    [[nodiscard]] Size size() const override { return size_; }
    [[nodiscard]] std::int32_t repeats() const override { return 1; }
    std::optional<Frame> next() override {
        if (!image_) return std::nullopt;
        return Frame{*std::exchange(image_, std::nullopt), Duration()};
    }

  private:
    Size size_;
    std::optional<Image> image_;
};

} // namespace

struct ReelReader::State {
    std::vector<std::byte> file;
    std::string name; ///< of the file, with a colon; empty if there is none
    std::unique_ptr<files::FrameDecoder> frames;

    State(std::vector<std::byte> bytes, std::string shown_name, const DecodeLimits& limits)
        : file(std::move(bytes)), name(std::move(shown_name)) {
        files::check_decode_limits(limits);
        files::naming_file(name, [&] {
            const files::Codec& codec = files::known_codec_of(file);
            if (codec.frames != nullptr) frames = codec.frames(file, limits);
            if (frames == nullptr)
                frames = std::make_unique<OneFrame>(files::decode_with(codec, file, {.limits = limits}));
        });
    }
};

ReelReader::ReelReader(const FileName& path, const DecodeLimits& limits)
    : state_(base::owned(
          std::make_unique<State>(files::read_image_file(path, limits), files::name_before(path), limits))) {}

ReelReader::ReelReader(std::span<const std::byte> file, const DecodeLimits& limits)
    : state_(base::owned(std::make_unique<State>(std::vector(file.begin(), file.end()), "", limits))) {}

Size ReelReader::size() const {
    return state_->frames->size();
}

std::int32_t ReelReader::repeats() const {
    return state_->frames->repeats();
}

std::optional<Frame> ReelReader::next() {
    return files::naming_file(state_->name, [&] { return state_->frames->next(); });
}

} // namespace coldbrick
