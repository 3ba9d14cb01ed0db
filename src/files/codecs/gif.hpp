/// @file
/// GIF: what moving ones are made of, too.
#pragma once

#include "files/codecs/codec.hpp"
#include "files/codecs/frame_part.hpp"

#include <cstdint>
#include <exception>
#include <memory>
#include <optional>
#include <span>
#include <vector>

struct GifFileType;

namespace coldbrick::files {

/// Writes a GIF file frame by frame.
class GifStream {
  public:
    /// @param palette of all frames; its first see-through entry, if there is one, leaves what is there
    GifStream(ByteSink& sink, Size size, const Palette& palette);
    GifStream(const GifStream&) = delete;
    GifStream& operator=(const GifStream&) = delete;
    ~GifStream();

    /// To be called before the first frame. @param count how often to play, 0 for ever
    void repeat(std::int32_t count);

    /// Begins a frame, whose rows follow. @param hundredths how long it is shown
    void begin_frame(const FramePart& part, std::int32_t hundredths, bool clear_afterwards);
    void row(std::span<const std::byte> numbers);

    void finish();

  private:
    explicit GifStream(ByteSink& sink);

    static int hand_on(GifFileType* gif, const unsigned char* bytes, int count);
    void check(int status);

    ByteSink& sink_;
    GifFileType* gif_ = nullptr;
    std::optional<int> see_through_; ///< the palette's entry
    std::vector<unsigned char> row_;
    bool discard_ = false;       ///< at the end of a file that failed
    std::exception_ptr failure_; ///< what the sink has thrown
};

std::unique_ptr<FrameDecoder> gif_frames(std::span<const std::byte> file, const DecodeLimits& limits);

} // namespace coldbrick::files
