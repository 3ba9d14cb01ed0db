/// @file
/// Checks of how images are laid onto others.
#pragma once

#include <coldbrick/image_view.hpp>
#include <coldbrick/overlay.hpp>

namespace coldbrick::image {

/// The part of the image that the options use. @throws ArgumentError unless it lies in the image.
ConstImageView used_part(const ConstImageView& image, const Overlay& options);

/// Throws ArgumentError unless the image can be laid as the options say: the part lies in it, and the mask
/// fits the part.
void check_overlay(const ConstImageView& image, const Overlay& options);

} // namespace coldbrick::image
