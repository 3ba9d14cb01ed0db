/// @file
/// How reels of each type are written.
#pragma once

#include "files/byte_sink.hpp"
#include "files/reels/frame_times.hpp"

#include <coldbrick/file_type.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/reel.hpp>

#include <memory>
#include <span>
#include <string_view>

namespace coldbrick::files {

/// Writes a reel's frames. All have the same size and format.
class ReelEncoder {
  public:
    ReelEncoder() = default;
    ReelEncoder(const ReelEncoder&) = delete;
    ReelEncoder& operator=(const ReelEncoder&) = delete;
    virtual ~ReelEncoder() = default;

    virtual void add(const ConstImageView& frame, const FrameTimes& times) = 0;

    /// Called once, after the last frame.
    virtual void finish() = 0;
};

/// A type of reels that are one file.
struct ReelCodec {
    ReelType type;
    std::span<const std::string_view> extensions;
    std::unique_ptr<ReelEncoder> (*encoder)(ByteSink& sink, Size size, PixelFormat format,
                                            const Palette* palette, const ReelOptions& options);
};

/// All of them, in the order of ReelType.
std::span<const ReelCodec* const> reel_codecs();

/// The type that the options tell, or else the path.
ReelType reel_type_of(const FileName& path, const ReelOptions& options);

/// Throws ArgumentError if an option is outside its range or means nothing to the type.
void check_reel_options(ReelType type, const ReelOptions& options);

extern const ReelCodec png_reel;
extern const ReelCodec gif_reel;
extern const ReelCodec webp_reel;
extern const ReelCodec y4m_reel;

} // namespace coldbrick::files
