#include "files/content.hpp"
#include "files/reels/reel_encoder.hpp"
#include "files/stored_rows.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <vector>

// YUV4MPEG2: a line of text, then for each frame a line of text and its planes. Rec. 709: ITU-R BT.709-6,
// section 3, with digital levels of 16..235 and 16..240.

namespace coldbrick::files {

namespace {

/// The sums of red, green and blue of some pixels.
struct Sums {
    int red = 0;
    int green = 0;
    int blue = 0;
    int pixels = 0;
};

/// Weights of red, green and blue in 2^-16, scaled to the level's range, and where it begins.
struct Weights {
    std::array<int, 3> weights;
    int offset;
};

constexpr Weights weights(double red, double green, double blue, double range, int offset) {
    const auto weight = [range](double share) {
        constexpr double one = 1 << 16;
        const double exact = share * range / 255 * one;
        return static_cast<int>(exact + (exact < 0 ? -0.5 : 0.5));
    };
    return {{weight(red), weight(green), weight(blue)}, offset};
}
constexpr Weights luma = weights(0.2126, 0.7152, 0.0722, 219, 16);
constexpr Weights blue_difference = weights(-0.2126 / 1.8556, -0.7152 / 1.8556, 0.5, 224, 128);
constexpr Weights red_difference = weights(0.5, -0.7152 / 1.5748, -0.0722 / 1.5748, 224, 128);

/// The level of the pixels' mean, rounded, halves up. They are 1, 2 or 4.
std::byte level(const Sums& sums, const Weights& of) {
    const int weighted = of.weights[0] * sums.red + of.weights[1] * sums.green + of.weights[2] * sums.blue;
    const unsigned shift = 16 + static_cast<unsigned>(sums.pixels) / 2;
    // The offset keeps what is shifted positive.
    return static_cast<std::byte>((weighted + (of.offset << shift) + (1 << (shift - 1))) >> shift);
}

class Y4mEncoder final : public ReelEncoder {
  public:
    Y4mEncoder(ByteSink& sink, Size size, PixelFormat format, const Palette* palette,
               const ReelOptions& options)
        : sink_(sink), size_(size), share_(options.subsampling == ChromaSubsampling::none ? 1 : 2) {
        if (options.subsampling == ChromaSubsampling::across)
            throw ArgumentError("a y4m file has a chroma subsampling of none or both");
        const Content content = content_of(format, palette);
        if (content.alpha && !options.background)
            throw FileError(
                fmt::format("a .y4m file cannot hold the alpha of {}: use .png or .webp, or give a "
                            "background",
                            layout(format).name));
        storage_.picture.format = PixelFormat::rgb8;
        if (content.alpha) storage_.background = options.background;
        sink_.write(fmt::format("YUV4MPEG2 W{} H{} F{}:{} Ip A1:1 C{} XCOLORRANGE=LIMITED\n", size.width,
                                size.height, options.rate.frames, options.rate.seconds,
                                share_ == 1 ? "444" : "420jpeg"));
    }

    void add(const ConstImageView& frame, const FrameTimes& times) override {
        const Image colours = as_stored(frame, storage_, 0);
        planes_.clear();
        add_plane(colours, luma, 1);
        add_plane(colours, blue_difference, share_);
        add_plane(colours, red_difference, share_);
        for (std::int64_t i = frames_of(times); i > 0; --i) {
            sink_.write("FRAME\n");
            sink_.write(planes_);
        }
    }

    void finish() override {}

  private:
    static std::int64_t frames_of(const FrameTimes& times) {
        if (times.is_regular()) return 1;
        constexpr std::int64_t second = 1'000'000;
        const std::int64_t microseconds = times.end.microseconds - times.begin.microseconds;
        const std::int64_t frames = (microseconds * times.rate.frames + second * times.rate.seconds / 2) /
                                    (second * times.rate.seconds);
        const Moment wanted{frames, 0};
        if (frames < 1 || std::abs(wanted.in_units(second, times.rate) - microseconds) > 1)
            throw FileError(
                fmt::format("a frame of {} microseconds does not fit the {} frames in {} seconds of a .y4m "
                            "file",
                            microseconds, times.rate.frames, times.rate.seconds));
        return frames;
    }

    void add_plane(const Image& image, const Weights& of, std::int32_t share) {
        std::vector<Sums> row(static_cast<std::size_t>((size_.width + share - 1) / share));
        for (std::int32_t top = 0; top < size_.height; top += share) {
            std::ranges::fill(row, Sums{});
            for (std::int32_t y = top; y < std::min(top + share, size_.height); ++y)
                add_row(image.view().row(y), static_cast<std::size_t>(share), row);
            for (const Sums& sums : row) planes_.push_back(level(sums, of));
        }
    }

    static void add_row(std::span<const std::byte> pixels, std::size_t share, std::vector<Sums>& row) {
        for (std::size_t x = 0; 3 * x < pixels.size(); ++x) {
            Sums& sums = row[share == 1 ? x : x / 2];
            sums.red += std::to_integer<int>(pixels[3 * x]);
            sums.green += std::to_integer<int>(pixels[3 * x + 1]);
            sums.blue += std::to_integer<int>(pixels[3 * x + 2]);
            ++sums.pixels;
        }
    }

    ByteSink& sink_;
    Size size_;
    std::int32_t share_; ///< how many pixels of a row share a colour difference
    Storage storage_;
    std::vector<std::byte> planes_;
};

std::unique_ptr<ReelEncoder> y4m_reel_encoder(ByteSink& sink, Size size, PixelFormat format,
                                              const Palette* palette, const ReelOptions& options) {
    return std::make_unique<Y4mEncoder>(sink, size, format, palette, options);
}

constexpr std::string_view y4m_reel_extensions[] = {".y4m"};

} // namespace

const ReelCodec y4m_reel{
    .type = ReelType::y4m, .extensions = y4m_reel_extensions, .encoder = y4m_reel_encoder};

} // namespace coldbrick::files
