#include "files/codecs/gif.hpp"

#include "files/codecs/canvas.hpp"
#include "files/fields.hpp"
#include "files/palette_numbers.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>
#include <gif_lib.h>

#include <algorithm>
#include <array>
#include <cstring>
#include <optional>
#include <utility>
#include <vector>

namespace coldbrick::files {

namespace {

[[noreturn]] void fail_decoding_gif(std::string_view message) {
    throw FileError(fmt::format("cannot decode GIF: {}", message));
}

/// What a file tells of a frame.
struct FrameHeader {
    FramePart part;
    Palette palette; ///< with its see-through entry
    bool interlaced = false;
    std::int32_t hundredths = 0;
    Disposal disposal = Disposal::keep;

    [[nodiscard]] Duration duration() const { return Duration(std::int64_t{hundredths} * 10'000); }
};

/// Reads a file frame by frame.
class GifInput {
  public:
    explicit GifInput(std::span<const std::byte> file) : rest_(file) {
        int error = 0;
        gif_ = DGifOpen(this, take, &error);
        if (gif_ == nullptr) fail_decoding_gif(message_of(error));
        if (gif_->SWidth < 1 || gif_->SHeight < 1) {
            DGifCloseFile(gif_, &error);
            fail_decoding_gif("its width or height is 0");
        }
    }
    GifInput(const GifInput&) = delete;
    GifInput& operator=(const GifInput&) = delete;
    ~GifInput() {
        int ignored = 0;
        DGifCloseFile(gif_, &ignored);
    }

    [[nodiscard]] Size size() const { return {gif_->SWidth, gif_->SHeight}; }
    [[nodiscard]] std::int32_t repeats() const { return repeats_; }

    /// Goes on to the next frame, whose pixels follow; nothing after the last.
    std::optional<FrameHeader> next_frame() {
        GraphicsControlBlock control{0, false, 0, NO_TRANSPARENT_COLOR};
        while (true) {
            GifRecordType record{};
            check(DGifGetRecordType(gif_, &record));
            if (record == TERMINATE_RECORD_TYPE) return std::nullopt;
            if (record == EXTENSION_RECORD_TYPE) read_extension(control);
            if (record == IMAGE_DESC_RECORD_TYPE) return frame_header(control);
        }
    }

    void read_pixels(const FrameHeader& frame, const ImageView& numbers) {
        constexpr std::array<std::array<std::int32_t, 2>, 4> passes{{{0, 8}, {4, 8}, {2, 4}, {1, 2}}};
        if (!frame.interlaced) return read_rows(frame, numbers, 0, 1);
        for (const auto& [first, step] : passes) read_rows(frame, numbers, first, step);
    }

    /// Passes over the pixels without decoding them.
    void skip_pixels() {
        int code_size = 0;
        GifByteType* block = nullptr;
        check(DGifGetCode(gif_, &code_size, &block));
        while (block != nullptr) check(DGifGetCodeNext(gif_, &block));
    }

  private:
    static std::string_view message_of(int error) {
        const char* const text = GifErrorString(error);
        if (error == D_GIF_ERR_READ_FAILED || error == D_GIF_ERR_EOF_TOO_SOON)
            return "the file ends too early";
        return text != nullptr ? text : "the file is broken";
    }

    static int take(GifFileType* gif, GifByteType* target, int count) {
        auto& rest = static_cast<GifInput*>(gif->UserData)->rest_;
        const std::size_t taken = std::min(rest.size(), static_cast<std::size_t>(count));
        if (taken > 0) std::memcpy(target, rest.data(), taken);
        rest = rest.subspan(taken);
        return static_cast<int>(taken);
    }

    void check(int status) const {
        if (status != GIF_OK) fail_decoding_gif(message_of(gif_->Error));
    }

    void read_extension(GraphicsControlBlock& control) {
        int code = 0;
        GifByteType* block = nullptr;
        check(DGifGetExtension(gif_, &code, &block));
        const bool is_application = code == APPLICATION_EXT_FUNC_CODE && block != nullptr && block[0] == 11 &&
                                    (std::memcmp(block + 1, "NETSCAPE2.0", 11) == 0 ||
                                     std::memcmp(block + 1, "ANIMEXTS1.0", 11) == 0);
        if (code == GRAPHICS_EXT_FUNC_CODE && block != nullptr && block[0] == 4)
            DGifExtensionToGCB(block[0], block + 1, &control);
        while (block != nullptr) {
            check(DGifGetExtensionNext(gif_, &block));
            if (is_application && block != nullptr && block[0] == 3 && block[1] == 1) {
                const int again = block[2] + 256 * block[3];
                repeats_ = again == 0 ? 0 : again + 1;
            }
        }
    }

    FrameHeader frame_header(const GraphicsControlBlock& control) {
        check(DGifGetImageDesc(gif_));
        const GifImageDesc& image = gif_->Image;
        if (image.Width < 1 || image.Height < 1) fail_decoding_gif("a frame's width or height is 0");
        const ColorMapObject* const map = image.ColorMap != nullptr ? image.ColorMap : gif_->SColorMap;
        if (map == nullptr) fail_decoding_gif("a frame has no palette");
        std::vector<Palette::Entry> entries;
        entries.reserve(static_cast<std::size_t>(map->ColorCount));
        for (int i = 0; i < map->ColorCount; ++i)
            entries.push_back({Colour(map->Colors[i].Red, map->Colors[i].Green, map->Colors[i].Blue,
                                      i == control.TransparentColor ? 0 : 255)});
        return {.part = {{image.Left, image.Top}, {image.Width, image.Height}},
                .palette = Palette(std::move(entries)),
                .interlaced = image.Interlace,
                .hundredths = control.DelayTime,
                .disposal = control.DisposalMode == DISPOSE_BACKGROUND ? Disposal::see_through
                            : control.DisposalMode == DISPOSE_PREVIOUS ? Disposal::previous
                                                                       : Disposal::keep};
    }

    void read_rows(const FrameHeader& frame, const ImageView& numbers, std::int32_t first,
                   std::int32_t step) {
        for (std::int32_t y = first; y < numbers.height(); y += step) {
            const std::span<std::byte> row = numbers.row(y);
            check(
                DGifGetLine(gif_, reinterpret_cast<GifPixelType*>(row.data()), static_cast<int>(row.size())));
            check_numbers(row, frame.palette);
        }
    }

    std::span<const std::byte> rest_;
    GifFileType* gif_;
    std::int32_t repeats_ = 1;
};

/// A frame's pixels, as numbers of its palette. Each takes at least a bit of the file: LZW codes of up to 12
/// bits stand for up to 4096 pixels, each after shorter ones.
Image read_frame(GifInput& input, const FrameHeader& frame, const DecodeLimits& limits) {
    Image numbers = image_within(limits, frame.part.size, PixelFormat::indexed8, &frame.palette);
    input.read_pixels(frame, numbers);
    return numbers;
}

bool covers(const FramePart& part, Size size) {
    return part == FramePart{{0, 0}, size};
}

class GifFrames final : public FrameDecoder {
  public:
    GifFrames(std::span<const std::byte> file, const DecodeLimits& limits)
        : input_(file), limits_(limits), canvas_(input_.size(), PixelFormat::rgba8, limits),
          frame_(input_.next_frame()) {}

    [[nodiscard]] Size size() const override { return canvas_.size(); }
    [[nodiscard]] std::int32_t repeats() const override { return input_.repeats(); }

    std::optional<Frame> next() override {
        if (!frame_) return std::nullopt;
        const FrameHeader frame = *std::exchange(frame_, std::nullopt);
        canvas_.show(read_frame(input_, frame, limits_), frame.part.at, true, frame.disposal);
        frame_ = input_.next_frame();
        return Frame{canvas_.image(), frame.duration()};
    }

  private:
    GifInput input_;
    DecodeLimits limits_;
    Canvas canvas_;
    std::optional<FrameHeader> frame_; ///< whose pixels come next
};

Image decode_gif(std::span<const std::byte> file, const DecodeLimits& limits) {
    GifInput input(file);
    const auto frame = input.next_frame();
    if (!frame) fail_decoding_gif("it has no picture");
    const bool whole = covers(frame->part, input.size());
    check_limits(input.size(), whole ? PixelFormat::indexed8 : PixelFormat::rgba8, limits);
    Image image = [&] {
        if (whole) return read_frame(input, *frame, limits);
        Canvas canvas(input.size(), PixelFormat::rgba8, limits);
        canvas.show(read_frame(input, *frame, limits), frame->part.at, true, Disposal::keep);
        return canvas.image();
    }();
    for (auto next = input.next_frame(); next; next = input.next_frame()) input.skip_pixels(); // a whole file
    return image;
}

ImageInfo inspect_gif(std::span<const std::byte> file) {
    GifInput input(file);
    const auto first = input.next_frame();
    if (!first) fail_decoding_gif("it has no picture");
    ImageInfo info{.type = FileType::gif,
                   .size = input.size(),
                   .format = covers(first->part, input.size()) ? PixelFormat::indexed8 : PixelFormat::rgba8,
                   .channels = 1,
                   .bits = 8,
                   .frames = 0};
    for (auto frame = first; frame; frame = input.next_frame()) {
        input.skip_pixels();
        ++info.frames;
        info.duration.microseconds += frame->duration().microseconds;
    }
    info.repeats = input.repeats();
    return info;
}

/// Writes a picture as the only frame.
class GifEncoder final : public RowEncoder {
  public:
    GifEncoder(ByteSink& sink, const StoredPicture& picture) : stream_(sink, picture.size, *picture.palette) {
        stream_.begin_frame({{0, 0}, picture.size}, 0, false);
    }
    void row(std::span<const std::byte> row) override { stream_.row(row); }
    void finish() override { stream_.finish(); }

  private:
    GifStream stream_;
};

std::unique_ptr<RowEncoder> gif_encoder(ByteSink& sink, const StoredPicture& picture, const EncodeOptions&) {
    return std::make_unique<GifEncoder>(sink, picture);
}

bool begins_as_gif(std::span<const std::byte> file) {
    return says(file, 0, "GIF8");
}

constexpr std::string_view gif_extensions[] = {".gif"};

} // namespace

std::unique_ptr<FrameDecoder> gif_frames(std::span<const std::byte> file, const DecodeLimits& limits) {
    return std::make_unique<GifFrames>(file, limits);
}

const Codec gif_codec{
    .type = FileType::gif,
    .name = "GIF",
    .extensions = gif_extensions,
    .holds = {.on_off_alpha = true, .palette = true, .most_colours = Palette::largest},
    .takes = {},
    .begins = begins_as_gif,
    .inspect = inspect_gif,
    .decode = decode_gif,
    .encoder = gif_encoder,
    .frames = gif_frames,
};

} // namespace coldbrick::files
