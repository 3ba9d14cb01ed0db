/// @file
/// Sequences of frames that play.
#pragma once

#include <coldbrick/duration.hpp>
#include <coldbrick/file_type.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/frame_rate.hpp>
#include <coldbrick/function_ref.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/own_state.hpp>
#include <coldbrick/palette.hpp>

#include <cstdint>  // counts
#include <iosfwd>   // streams
#include <optional> // options that may be left out
#include <vector>   // all frames of a reel

namespace [[gnu::visibility("default")]] coldbrick {

/// The kinds of files that reels are written to.
enum class ReelType : std::uint8_t {
    png,      ///< animated PNG (W3C, third edition); without loss
    gif,      ///< GIF 89a: one palette of up to 256 colours for all frames, and alpha of all or nothing
    webp,     ///< animated WebP (RFC 9649); without loss unless a quality is given
    y4m,      ///< YUV4MPEG2, uncompressed video of Rec. 709 (ITU-R BT.709-6) for any encoder; no alpha
    numbered, ///< a picture for each frame; in the path, a run of # stands for its number, from 0 on
};

/// The type that a path stands for: numbered if there is a # in the file's name, else by the extension: .png,
/// .apng, .gif, .webp, .y4m.
/// @throws FileError for any other extension, naming those known.
[[nodiscard]] ReelType reel_type(const FileName& path);

/// How reels are written.
struct ReelOptions {
    std::optional<ReelType> type = {}; ///< if it is told apart from the path; not for streams, which are told
    FrameRate rate = {};               ///< of frames that have no duration of their own
    std::int32_t repeats = 0;          ///< png, gif and webp: how often it plays, 1..65535; 0 for ever
    /// How many frames there will be, if that is known. A png reel can then be written to a stream as it
    /// goes; otherwise it is kept in memory, encoded, until the end.
    std::optional<std::int32_t> frame_count = {};
    /// gif: the colours of all frames, with a see-through entry where there are such pixels. Without it,
    /// write_reel() chooses them for all frames and a ReelWriter for the first one, by variance (Wu,
    /// "Efficient statistical computations for optimal color quantization", Graphics Gems II, 1991); colours
    /// that are few enough stay exact.
    std::optional<Palette> palette = {};
    bool dithered = true;            ///< gif: colours between those of the palette by an ordered pattern
    std::optional<int> quality = {}; ///< webp: 1..100
    /// png and lossless webp: 0..9, from fast to small. Without it, 6.
    std::optional<int> compression = {};
    ChromaSubsampling subsampling = ChromaSubsampling::both; ///< y4m: none or both
    std::optional<Colour> background = {};                   ///< y4m: what see-through pixels are laid on
    EncodeOptions numbered = {};                             ///< how numbered pictures are written
};

/// Writes a reel frame by frame, with memory for two of them. The file takes its place at the path by
/// finish(), in one step; numbered pictures each as they come. webp reels keep the encoded frames in memory
/// where what is written cannot be gone back to, as in pipes.
class ReelWriter {
  public:
    /// @throws FileError and ArgumentError as save().
    explicit ReelWriter(const FileName& path, const ReelOptions& options = {});

    /// To a stream, which must outlive the writer. Not numbered.
    ReelWriter(std::ostream& stream, ReelType type, const ReelOptions& options = {});

    /// Adds a frame that lasts 1 / rate. The whole image is taken, whatever its clip. Times are rounded to
    /// what the type can tell (gif: hundredths of a second, webp: thousandths) from the beginning of the
    /// reel, so that rounding never adds up.
    /// @throws ArgumentError if the size is not that of the first frame; FileError if the type cannot hold
    /// the frame or the system refuses.
    void add(const ConstImageView& frame);

    /// Adds a frame that lasts so long, which must be positive, and for y4m a multiple of 1 / rate.
    void add(const ConstImageView& frame, Duration duration);

    /// Ends the reel. @throws ArgumentError if there is no frame, or not as many as frame_count says;
    /// FileError if the system refuses.
    void finish();

  private:
    struct State;
    detail::OwnState<State> state_;
};

/// Tells how many of how many steps are done.
using Progress = FunctionRef<void(std::int64_t done, std::int64_t all)>;

/// Makes a frame by its number.
using FrameMaker = FunctionRef<Image(std::int32_t number)>;

/// Writes the frames first..last that a function makes, each lasting 1 / rate. For a gif without a palette,
/// each frame is made twice: once to choose the colours of all. What `progress` throws ends the reel; nothing
/// is written then.
/// @throws FileError and ArgumentError as ReelWriter.
void write_reel(const FileName& path, std::int32_t first, std::int32_t last, FrameMaker frame,
                ReelOptions options = {}, Progress progress = {});
void write_reel(std::ostream& stream, ReelType type, std::int32_t first, std::int32_t last, FrameMaker frame,
                ReelOptions options = {}, Progress progress = {});

/// A frame as it is shown, and for how long.
struct Frame {
    Image image;
    Duration duration;
};

/// Reads the frames of an animated PNG, GIF or WebP, each as it is shown: rgba8, or rgba16 of a png of 16
/// bits. Any other picture is a reel of one frame that lasts no time.
class ReelReader {
  public:
    /// @throws FileError as load().
    explicit ReelReader(const FileName& path, const DecodeLimits& limits = {});
    explicit ReelReader(std::span<const std::byte> file, const DecodeLimits& limits = {});

    [[nodiscard]] Size size() const;

    /// How often it plays; 0 for ever.
    [[nodiscard]] std::int32_t repeats() const;

    /// The next frame, or nothing after the last. @throws FileError if the file is broken.
    [[nodiscard]] std::optional<Frame> next();

  private:
    struct State;
    detail::OwnState<State> state_;
};

} // namespace coldbrick
