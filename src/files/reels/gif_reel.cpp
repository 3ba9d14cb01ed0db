#include "files/codecs/gif.hpp"
#include "files/content.hpp"
#include "files/reels/changed_part.hpp"
#include "files/reels/reel_encoder.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/quantise.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <optional>
#include <utility>

namespace coldbrick::files {

namespace {

/// Each frame is held back until the next one tells whether it must be cleared away.
class GifReelEncoder final : public ReelEncoder {
  public:
    GifReelEncoder(ByteSink& sink, Size size, const ReelOptions& options)
        : sink_(sink), size_(size), dithered_(options.dithered), repeats_(options.repeats) {
        if (options.palette) take_palette(*options.palette);
    }

    void add(const ConstImageView& frame, const FrameTimes& times) override {
        if (!quantiser_) choose_palette(frame);
        check_alpha(frame);
        Held next{quantiser_->quantised(frame), {{0, 0}, size_}, hundredths(times)};
        if (held_) {
            const bool clears = uncovers(held_->numbers.view(), next.numbers.view());
            if (clears) {
                held_->part = next.part;
                write(*held_, true);
            } else {
                next.part = changed_part(held_->numbers.view(), next.numbers.view());
                write(*held_, false);
            }
        }
        held_ = std::move(next);
    }

    void finish() override {
        write(*held_, false);
        stream_->finish();
    }

  private:
    struct Held {
        Image numbers;
        FramePart part; ///< what of it is to be stored
        std::int32_t hundredths;
    };

    static std::int32_t hundredths(const FrameTimes& times) {
        constexpr std::int64_t most = 65535;
        constexpr std::int64_t least = 2;
        const std::int64_t result = times.in_units(100);
        if (result < least || result > most)
            throw FileError(
                fmt::format("a frame of a GIF file lasts {} to {} hundredths of a second, not {}: most "
                            "programs show shorter ones slower; use .png or .webp, or another rate",
                            least, most, result));
        return static_cast<std::int32_t>(result);
    }

    /// Throws FileError if pixels are see-through and no entry of the palette is.
    void check_alpha(const ConstImageView& frame) const {
        if (see_through_ || !content_of(frame.format(), frame.palette()).alpha ||
            !examined(frame, false).alpha)
            return;
        throw FileError(
            "a frame has see-through pixels, but the reel's palette has no such entry: give it one, or "
            "lay them on a background");
    }

    void choose_palette(const ConstImageView& frame) {
        ColourCensus census;
        census.add(frame);
        take_palette(census.palette());
    }

    void take_palette(const Palette& palette) {
        quantiser_.emplace(palette, dithered_);
        const auto& entries = quantiser_->palette().entries();
        const auto found =
            std::ranges::find(entries, 0, [](const Palette::Entry& e) { return int{e.colour.alpha}; });
        if (found != entries.end()) see_through_ = static_cast<std::byte>(found - entries.begin());
    }

    /// True if a pixel is see-through now that was not before.
    [[nodiscard]] bool uncovers(const ConstImageView& before, const ConstImageView& now) const {
        if (!see_through_) return false;
        for (std::int32_t y = 0; y < now.height(); ++y)
            for (std::size_t x = 0; x < now.row(y).size(); ++x)
                if (now.row(y)[x] == *see_through_ && before.row(y)[x] != *see_through_) return true;
        return false;
    }

    void write(const Held& frame, bool clear_afterwards) {
        if (!stream_) {
            stream_.emplace(sink_, size_, quantiser_->palette());
            stream_->repeat(repeats_);
        }
        stream_->begin_frame(frame.part, frame.hundredths, clear_afterwards);
        const ConstImageView part = frame.numbers.view().cropped(frame.part.box());
        for (std::int32_t y = 0; y < part.height(); ++y) stream_->row(part.row(y));
    }

    ByteSink& sink_;
    Size size_;
    std::optional<Quantiser> quantiser_;   ///< from the first frame on
    std::optional<std::byte> see_through_; ///< the palette's entry
    bool dithered_;
    std::int32_t repeats_;
    std::optional<GifStream> stream_;
    std::optional<Held> held_;
};

std::unique_ptr<ReelEncoder> gif_reel_encoder(ByteSink& sink, Size size, PixelFormat, const Palette*,
                                              const ReelOptions& options) {
    return std::make_unique<GifReelEncoder>(sink, size, options);
}

constexpr std::string_view gif_reel_extensions[] = {".gif"};

} // namespace

const ReelCodec gif_reel{
    .type = ReelType::gif, .extensions = gif_reel_extensions, .encoder = gif_reel_encoder};

} // namespace coldbrick::files
