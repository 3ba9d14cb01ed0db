/// @file
/// What the frames of a reel that is read are laid onto.
#pragma once

#include "files/codecs/codec.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/image.hpp>

#include <cstdint>
#include <optional>

namespace coldbrick::files {

/// What becomes of a frame's box after it was shown.
enum class Disposal : std::uint8_t {
    keep, ///< it stays
    see_through,
    previous, ///< what was there before the frame
};

/// A reel's picture, which each frame changes.
class Canvas {
  public:
    /// See-through, rgba8 or rgba16.
    Canvas(Size size, PixelFormat format, const DecodeLimits& limits);

    [[nodiscard]] Size size() const { return image_.size(); }
    [[nodiscard]] const Image& image() const { return image_; }

    /// Lays a frame onto what the ones before have left. What is outside the canvas is cut off.
    /// @param over true to composite it, false to replace what is there
    void show(const ConstImageView& frame, Point at, bool over, Disposal disposal);

  private:
    void dispose();

    Image image_;
    std::optional<Image> before_; ///< the canvas before a frame that is to be taken back
    Box box_{};                   ///< the last frame's
    Disposal disposal_ = Disposal::keep;
};

} // namespace coldbrick::files
