#include "files/codecs/webp.hpp"
#include "files/fields.hpp"
#include "files/reels/changed_part.hpp"
#include "files/reels/frame_storage.hpp"
#include "files/reels/reel_encoder.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <optional>

// The container: RFC 9649, WebP Image Format, section 2.

namespace coldbrick::files {

namespace {

constexpr std::size_t chunk_header_bytes = 8;

void write_chunk_header(ByteSink& sink, std::string_view name, std::size_t bytes) {
    std::array<std::byte, 4> number{};
    put_little_endian(number, static_cast<std::uint32_t>(bytes));
    sink.write(name);
    sink.write(number);
}

/// The chunks of a file of one picture that hold its pixels.
std::vector<std::byte> pixel_chunks(std::span<const std::byte> file) {
    std::vector<std::byte> result;
    for (std::span<const std::byte> rest = file.subspan(12); rest.size() >= chunk_header_bytes;) {
        const std::size_t data = little_endian(rest.subspan(4, 4));
        const auto chunk = rest.first(std::min(rest.size(), chunk_header_bytes + data + data % 2));
        if (says(chunk, 0, "ALPH") || says(chunk, 0, "VP8 ") || says(chunk, 0, "VP8L"))
            result.insert(result.end(), chunk.begin(), chunk.end());
        rest = rest.subspan(chunk.size());
    }
    return result;
}

class WebpReelEncoder final : public ReelEncoder {
  public:
    WebpReelEncoder(ByteSink& sink, Size size, PixelFormat format, const Palette* palette,
                    const ReelOptions& options)
        : sink_(sink), out_(sink.can_rewrite() ? sink : kept_) {
        options_.quality = options.quality;
        options_.compression = options.compression;
        storage_ = frame_storage(size, format, palette, webp_codec, options_);
        write_beginning(size, options.repeats);
    }

    void add(const ConstImageView& frame, const FrameTimes& times) override {
        Image now = as_stored(frame, storage_, 0);
        const FramePart part =
            before_ ? even(changed_part(before_->view(), now.view())) : FramePart{{0, 0}, now.size()};
        MemorySink file;
        encode_to(file, now.view().cropped(part.box()), webp_codec, options_);
        write_frame(part, times.in_units(1000), pixel_chunks(file.bytes()));
        before_ = std::move(now);
    }

    void finish() override {
        std::array<std::byte, 4> number{};
        if (written_ > 0xFFFFFFFEU)
            throw FileError("cannot encode WebP: the file becomes larger than 2^32 bytes");
        put_little_endian(number, static_cast<std::uint32_t>(written_));
        out_.rewrite(4, number);
        if (&out_ != &sink_) sink_.write(kept_.bytes());
    }

  private:
    /// Frames begin at even columns and rows.
    static FramePart even(const FramePart& part) {
        const std::int32_t left = part.at.x % 2;
        const std::int32_t top = part.at.y % 2;
        return {{part.at.x - left, part.at.y - top}, {part.size.width + left, part.size.height + top}};
    }

    void write_beginning(Size size, std::int32_t repeats) {
        constexpr unsigned animation = 0x02;
        constexpr unsigned alpha = 0x10;
        write_chunk_header(out_, "RIFF", 0); // the size is written at the end
        out_.write("WEBP");
        std::array<std::byte, 10> features{};
        features[0] = std::byte(animation | (layout(storage_.picture.format).has_alpha() ? alpha : 0U));
        put_little_endian(std::span(features).subspan(4, 3), static_cast<std::uint32_t>(size.width - 1));
        put_little_endian(std::span(features).subspan(7, 3), static_cast<std::uint32_t>(size.height - 1));
        write_chunk_header(out_, "VP8X", features.size());
        out_.write(features);
        std::array<std::byte, 6> loop{}; // behind a background of see-through black
        put_little_endian(std::span(loop).last(2), static_cast<std::uint32_t>(repeats));
        write_chunk_header(out_, "ANIM", loop.size());
        out_.write(loop);
        written_ = 4 + chunk_header_bytes + features.size() + chunk_header_bytes + loop.size();
    }

    void write_frame(const FramePart& part, std::int64_t milliseconds, std::span<const std::byte> pixels) {
        constexpr std::int64_t longest = (1 << 24) - 1;
        if (milliseconds > longest)
            throw FileError(
                fmt::format("a frame of a WebP file lasts at most {} ms, not {}", longest, milliseconds));
        std::array<std::byte, 16> control{};
        std::size_t at = 0;
        for (const std::int64_t number :
             {std::int64_t{part.at.x} / 2, std::int64_t{part.at.y} / 2, std::int64_t{part.size.width} - 1,
              std::int64_t{part.size.height} - 1, milliseconds}) {
            put_little_endian(std::span(control).subspan(at, 3), static_cast<std::uint32_t>(number));
            at += 3;
        }
        control[15] = std::byte{0x02}; // it replaces what was there, and stays
        write_chunk_header(out_, "ANMF", control.size() + pixels.size());
        out_.write(control);
        out_.write(pixels);
        written_ += chunk_header_bytes + control.size() + pixels.size();
    }

    ByteSink& sink_;
    MemorySink kept_; ///< until the size is known
    ByteSink& out_;
    EncodeOptions options_;
    Storage storage_;
    std::uint64_t written_ = 0; ///< behind the file's first eight bytes
    std::optional<Image> before_;
};

std::unique_ptr<ReelEncoder> webp_reel_encoder(ByteSink& sink, Size size, PixelFormat format,
                                               const Palette* palette, const ReelOptions& options) {
    return std::make_unique<WebpReelEncoder>(sink, size, format, palette, options);
}

constexpr std::string_view webp_reel_extensions[] = {".webp"};

} // namespace

const ReelCodec webp_reel{
    .type = ReelType::webp, .extensions = webp_reel_extensions, .encoder = webp_reel_encoder};

} // namespace coldbrick::files
