#include "files/codecs/png.hpp"
#include "files/codecs/png_chunks.hpp"
#include "files/fields.hpp"
#include "files/reels/changed_part.hpp"
#include "files/reels/frame_storage.hpp"
#include "files/reels/reel_encoder.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <optional>

// Animated PNG: W3C, Portable Network Graphics (PNG) Specification, third edition, sections 4.9 and 11.3.6.

namespace coldbrick::files {

namespace {

constexpr std::size_t control_bytes = 26; // of a chunk fcTL

class PngReelEncoder final : public ReelEncoder {
  public:
    PngReelEncoder(ByteSink& sink, Size size, PixelFormat format, const Palette* palette,
                   const ReelOptions& options)
        : sink_(sink),
          out_(sink.can_rewrite() || options.frame_count ? sink : kept_), encoding_{.compression =
                                                                                        options.compression},
          storage_(frame_storage(size, format, palette, png_codec, encoding_)),
          told_count_(options.frame_count.value_or(0)), repeats_(options.repeats) {}

    void add(const ConstImageView& frame, const FrameTimes& times) override {
        Image now = as_stored(frame, storage_, 0);
        const FramePart part =
            before_ ? changed_part(before_->view(), now.view()) : FramePart{{0, 0}, now.size()};
        MemorySink file;
        encode_to(file, now.view().cropped(part.box()), png_codec, encoding_);
        if (count_ == 0) write_beginning(file.bytes());
        write_control(part, times);
        write_pixels(file.bytes());
        ++count_;
        before_ = std::move(now);
    }

    void finish() override {
        write_png_chunk(out_, "IEND", {});
        if (told_count_ != count_) {
            MemorySink control;
            write_animation_control(control, count_);
            out_.rewrite(animation_control_at_, control.bytes());
        }
        if (&out_ != &sink_) sink_.write(kept_.bytes());
    }

  private:
    /// All that stands before the pixels, with what tells that there are more frames.
    void write_beginning(std::span<const std::byte> file) {
        std::uint64_t written = png_signature().size();
        out_.write(png_signature());
        PngChunks chunks(file);
        for (auto chunk = chunks.next(); chunk && chunk->type != "IDAT"; chunk = chunks.next()) {
            write_png_chunk(out_, chunk->type, chunk->data);
            written += 12 + chunk->data.size();
        }
        animation_control_at_ = written;
        write_animation_control(out_, told_count_);
    }

    void write_animation_control(ByteSink& sink, std::int32_t count) const {
        std::array<std::byte, 8> data{};
        put_big_endian(std::span(data).first(4), static_cast<std::uint32_t>(count));
        put_big_endian(std::span(data).last(4), static_cast<std::uint32_t>(repeats_));
        write_png_chunk(sink, "acTL", data);
    }

    void write_control(const FramePart& part, const FrameTimes& times) {
        std::array<std::byte, control_bytes> data{};
        std::size_t at = 0;
        const auto put = [&](std::size_t bytes, std::int64_t value) {
            put_big_endian(std::span(data).subspan(at, bytes), static_cast<std::uint32_t>(value));
            at += bytes;
        };
        const auto [delay, divisor] = delay_of(times);
        for (const std::int64_t number :
             {std::int64_t{sequence_++}, std::int64_t{part.size.width}, std::int64_t{part.size.height},
              std::int64_t{part.at.x}, std::int64_t{part.at.y}})
            put(4, number);
        put(2, delay);
        put(2, divisor);
        write_png_chunk(out_, "fcTL",
                        data); // the last two bytes: the frame stays, and replaces what was there
    }

    /// The exact fraction of a second where it fits, else thousandths or larger parts.
    static std::array<std::int64_t, 2> delay_of(const FrameTimes& times) {
        constexpr std::int64_t most = 65535;
        if (times.is_regular() && times.rate.seconds <= most && times.rate.frames <= most)
            return {times.rate.seconds, times.rate.frames};
        for (const std::int64_t divisor : {1000, 100, 10})
            if (const std::int64_t delay = times.in_units(divisor); delay <= most) return {delay, divisor};
        return {std::min(times.in_units(1), most), 1};
    }

    void write_pixels(std::span<const std::byte> file) {
        PngChunks chunks(file);
        while (const auto chunk = chunks.next()) {
            if (chunk->type != "IDAT") continue;
            if (count_ == 0) {
                write_png_chunk(out_, "IDAT", chunk->data);
                continue;
            }
            std::array<std::byte, 4> number{};
            put_big_endian(number, sequence_++);
            write_png_chunk(out_, "fdAT", number, chunk->data);
        }
    }

    ByteSink& sink_;
    MemorySink kept_; ///< until the number of frames is known
    ByteSink& out_;
    EncodeOptions encoding_;
    Storage storage_;
    std::int32_t told_count_;
    std::int32_t repeats_;
    std::int32_t count_ = 0;
    std::uint32_t sequence_ = 0;
    std::uint64_t animation_control_at_ = 0;
    std::optional<Image> before_;
};

std::unique_ptr<ReelEncoder> png_reel_encoder(ByteSink& sink, Size size, PixelFormat format,
                                              const Palette* palette, const ReelOptions& options) {
    return std::make_unique<PngReelEncoder>(sink, size, format, palette, options);
}

constexpr std::string_view png_reel_extensions[] = {".png", ".apng"};

} // namespace

const ReelCodec png_reel{
    .type = ReelType::png, .extensions = png_reel_extensions, .encoder = png_reel_encoder};

} // namespace coldbrick::files
