#include "files/codecs/png.hpp"

#include "files/codecs/canvas.hpp"
#include "files/codecs/frame_part.hpp"
#include "files/codecs/png_chunks.hpp"
#include "files/fields.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <array>
#include <optional>
#include <utility>
#include <vector>

// Animated PNG: W3C, Portable Network Graphics (PNG) Specification, third edition, sections 4.9 and 11.3.6.

namespace coldbrick::files {

namespace {

[[noreturn]] void fail_decoding_png(std::string_view message) {
    throw FileError(fmt::format("cannot decode PNG: {}", message));
}

/// A frame as the file has it.
struct StoredFrame {
    FramePart part;
    Duration duration;
    Disposal disposal = Disposal::keep;
    bool over = false;
    std::vector<std::span<const std::byte>> pixels; ///< deflated, in parts
};

/// A file's frames, and the chunks that all of them need.
class PngFrameFinder {
  public:
    explicit PngFrameFinder(std::span<const std::byte> file) {
        PngChunks chunks(file);
        while (const auto chunk = chunks.next()) note(*chunk);
        if (frames_.size() != count_ && is_animated_)
            fail_decoding_png(
                fmt::format("it has {} frames, not the {} that it tells", frames_.size(), count_));
    }

    [[nodiscard]] bool is_animated() const { return is_animated_; }
    [[nodiscard]] const std::vector<StoredFrame>& frames() const { return frames_; }
    [[nodiscard]] std::int32_t repeats() const { return repeats_; }
    [[nodiscard]] Size size() const { return size_; }
    [[nodiscard]] bool is_deep() const { return is_deep_; }

    /// A file of its own for a frame.
    [[nodiscard]] std::vector<std::byte> file_of(const StoredFrame& frame) const {
        MemorySink file;
        file.write(png_signature());
        std::vector<std::byte> header(header_.begin(), header_.end());
        put_big_endian(std::span(header).first(4), static_cast<std::uint32_t>(frame.part.size.width));
        put_big_endian(std::span(header).subspan(4, 4), static_cast<std::uint32_t>(frame.part.size.height));
        write_png_chunk(file, "IHDR", header);
        for (const PngChunk& chunk : shared_) write_png_chunk(file, chunk.type, chunk.data);
        for (const auto& pixels : frame.pixels) write_png_chunk(file, "IDAT", pixels);
        write_png_chunk(file, "IEND", {});
        return std::move(file.bytes());
    }

  private:
    void note(const PngChunk& chunk) {
        const Fields fields(chunk.data, "cannot decode PNG: a chunk is too short");
        if (chunk.type == "IHDR") {
            header_ = fields.part(0, 13);
            size_ = {number(fields, 0), number(fields, 4)};
            is_deep_ = fields.byte(8) == 16;
        } else if (chunk.type == "acTL") {
            is_animated_ = true;
            count_ = fields.big(0, 4);
            repeats_ = number(fields, 4);
        } else if (chunk.type == "fcTL") {
            note_control(fields);
        } else if (chunk.type == "IDAT") {
            pixels_begun_ = true;
            if (!frames_.empty()) frames_.back().pixels.push_back(chunk.data);
        } else if (chunk.type == "fdAT") {
            if (frames_.empty()) fail_decoding_png("a frame's pixels come before it is told");
            check_sequence(fields);
            frames_.back().pixels.push_back(chunk.data.subspan(4));
        } else if (!pixels_begun_ && (chunk.type == "PLTE" || chunk.type == "tRNS" || chunk.type == "gAMA" ||
                                      chunk.type == "sRGB" || chunk.type == "iCCP")) {
            shared_.push_back(chunk);
        }
    }

    static std::int32_t number(const Fields& fields, std::size_t at) {
        const std::uint32_t value = fields.big(at, 4);
        if (value > 0x7FFFFFFF)
            fail_decoding_png(fmt::format("the number {} of a chunk is above 2147483647", value));
        return static_cast<std::int32_t>(value);
    }

    void check_sequence(const Fields& fields) {
        if (fields.big(0, 4) != sequence_++) fail_decoding_png("its frames are not in order");
    }

    void note_control(const Fields& fields) {
        check_sequence(fields);
        StoredFrame frame;
        frame.part = {{number(fields, 12), number(fields, 16)}, {number(fields, 4), number(fields, 8)}};
        const auto& [at, size] = frame.part;
        if (size.width < 1 || size.height < 1 || size.width > size_.width - at.x ||
            size.height > size_.height - at.y)
            fail_decoding_png("a frame is not inside the picture");
        frame.duration = png_frame_duration(fields);
        const unsigned disposal = fields.byte(24);
        if (disposal > 2 || fields.byte(25) > 1) fail_decoding_png("a frame is laid in an unknown way");
        frame.disposal = disposal == 0   ? Disposal::keep
                         : disposal == 1 ? Disposal::see_through
                                         : Disposal::previous;
        // There is nothing to go back to from the first.
        if (frames_.empty() && frame.disposal == Disposal::previous) frame.disposal = Disposal::see_through;
        frame.over = fields.byte(25) == 1;
        frames_.push_back(std::move(frame));
    }

    std::span<const std::byte> header_;
    std::vector<PngChunk> shared_;
    std::vector<StoredFrame> frames_;
    Size size_;
    bool is_animated_ = false;
    bool is_deep_ = false;
    bool pixels_begun_ = false;
    std::uint32_t count_ = 0;
    std::uint32_t sequence_ = 0;
    std::int32_t repeats_ = 1;
};

class PngFrames final : public FrameDecoder {
  public:
    PngFrames(const PngFrameFinder& finder, const DecodeLimits& limits)
        : finder_(finder), limits_(limits),
          canvas_(finder.size(), finder.is_deep() ? PixelFormat::rgba16 : PixelFormat::rgba8, limits) {}

    [[nodiscard]] Size size() const override { return finder_.size(); }
    [[nodiscard]] std::int32_t repeats() const override { return finder_.repeats(); }

    std::optional<Frame> next() override {
        if (next_ == finder_.frames().size()) return std::nullopt;
        const StoredFrame& frame = finder_.frames()[next_++];
        const Image image = decode_png(finder_.file_of(frame), limits_);
        canvas_.show(image, frame.part.at, frame.over, frame.disposal);
        return Frame{canvas_.image(), frame.duration};
    }

  private:
    PngFrameFinder finder_;
    DecodeLimits limits_;
    Canvas canvas_;
    std::size_t next_ = 0;
};

} // namespace

Duration png_frame_duration(const Fields& control) {
    const std::int64_t divisor = control.big(22, 2) == 0 ? 100 : control.big(22, 2);
    return Duration((control.big(20, 2) * std::int64_t{2'000'000} + divisor) / (2 * divisor));
}

std::unique_ptr<FrameDecoder> png_frames(std::span<const std::byte> file, const DecodeLimits& limits) {
    const PngFrameFinder finder(file);
    if (!finder.is_animated()) return nullptr;
    return std::make_unique<PngFrames>(finder, limits);
}

} // namespace coldbrick::files
