/// @file
/// Many colours made few.
#pragma once

#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/own_state.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/point.hpp>

#include <cstddef> // numbers of colours

namespace [[gnu::visibility("default")]] coldbrick {

/// Counts the colours of one or more images and chooses the palette that suits them. Channels count as of 8
/// bits, and pixels with an alpha below 128 as one see-through colour. It takes about 11 MB.
class ColourCensus {
  public:
    ColourCensus();

    /// Counts all pixels of an image, whatever its clip.
    void add(const ConstImageView& image);

    /// True if the colours counted are so few that a palette of this size holds each of them.
    [[nodiscard]] bool fits(std::size_t most = Palette::largest) const;

    /// The colours themselves if they fit, in the order of their numbers 0xRRGGBB, else the means of as many
    /// boxes of the colour cube, cut so that the variance in them is small: Wu, "Efficient statistical
    /// computations for optimal color quantization", Graphics Gems II, 1991, with 64 steps a channel. If
    /// there was anything see-through, the last entry is see-through black.
    /// @param most 2..256
    /// @throws ArgumentError if `most` is outside its range, or if nothing was counted.
    [[nodiscard]] Palette palette(std::size_t most = Palette::largest) const;

  private:
    struct State;
    detail::OwnState<State> state_;
};

/// Makes images of the colours of a palette, which it remembers from one to the next. Colours of the palette
/// stay. With dithering, other ones become a pattern of two entries whose mean is near, by 16 x 16
/// thresholds, as in Bayer, "An optimum method for two-level rendition of continuous-tone pictures", IEEE
/// International Conference on Communications, 1973; they depend on the pixel's place alone, so that what
/// stays in its place from frame to frame stays the same. Without, they become the nearest entry. Pixels with
/// an alpha below 128 become the first see-through entry, if there is one. For one thread at a time.
class Quantiser {
  public:
    Quantiser(const Palette& palette, bool dithered);

    [[nodiscard]] const Palette& palette() const;

    /// The image, whatever its clip, as indexed8.
    /// @param origin where the thresholds begin, for parts of a larger image
    [[nodiscard]] Image quantised(const ConstImageView& image, Point origin = {0, 0});

  private:
    struct State;
    detail::OwnState<State> state_;
};

/// One image with the colours of a palette, as above.
[[nodiscard]] Image quantised(const ConstImageView& image, const Palette& palette, bool dithered,
                              Point origin = {0, 0});

} // namespace coldbrick
