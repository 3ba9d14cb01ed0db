/// @file
/// What differs between two frames.
#pragma once

#include "files/codecs/frame_part.hpp"

#include <coldbrick/image_view.hpp>

namespace coldbrick::files {

/// The smallest part that holds all pixels whose bytes differ; the first pixel's if none do, since a reel has
/// no frame without pixels. Both have the same size and format, and no gaps between their pixels.
FramePart changed_part(const ConstImageView& before, const ConstImageView& now);

} // namespace coldbrick::files
