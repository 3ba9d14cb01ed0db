/// @file
/// Drawings drawn by many threads, and pictures larger than memory.
#pragma once

#include <coldbrick/callback.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/function_ref.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/stop_signal.hpp>

#include <cstdint> // numbers of rows

namespace [[gnu::visibility("default")]] coldbrick {

/// How a drawing is rendered.
struct RenderOptions {
    /// How many threads may draw at once: 1 is the caller's alone, 0 as many as the processor runs, which are
    /// never exceeded.
    int threads = 0;

    /// Is told now and then which share is done, above 0 and up to 1: from any of the threads, one at a time.
    Callback<void(double share)> progress = {};

    /// Rendering ends early when this is asked to stop.
    StopSignal stop = {};
};

/// Draws a drawing as draw() does, every byte the same, in bands of rows that several threads draw at once
/// where that is worth it.
/// @returns false if it was stopped: some bands are drawn, the others untouched.
/// @throws ArgumentError as draw(), and if there are fewer threads than 0; nothing is painted then.
bool render(const Drawing& drawing, const ImageView& view, const RenderOptions& options = {});

/// What a picture that is rendered in bands is like.
struct BandOptions {
    PixelFormat format = PixelFormat::rgba8;
    Colour ground = Colour(0, 0, 0, 0); ///< below the drawing
    const Palette* palette = nullptr;   ///< of indexed8; null stands for default_palette()
    RenderOptions rendering = {};
};

/// Takes rows of a picture: the view has them from row 0 on, as wide as the picture; in the picture the first
/// of them is row first_row. What it shows is there no longer than the call.
using BandReceiver = FunctionRef<void(const ConstImageView& rows, std::int32_t first_row)>;

/// Renders a drawing band by band, from the top, for pictures larger than memory: one band's pixels and the
/// layers of groups in it are all that is held at a time.
/// @param size of the whole picture, 1..2147483647 wide and high
/// @param band_height how many rows the receiver takes at a time, the last one perhaps fewer; 1 and up
/// @returns false if it was stopped.
/// @throws ArgumentError as render(), if a value is outside its range, or if the picture exceeds the address
/// space; std::bad_alloc; and what the receiver throws.
bool render_bands(const Drawing& drawing, Size size, std::int32_t band_height, BandReceiver receiver,
                  const BandOptions& options = {});

} // namespace coldbrick
