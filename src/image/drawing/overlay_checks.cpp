#include "image/drawing/overlay_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

namespace coldbrick::image {

ConstImageView used_part(const ConstImageView& image, const Overlay& options) {
    return options.source ? image.cropped(*options.source) : image;
}

void check_overlay(const ConstImageView& image, const Overlay& options) {
    const ConstImageView part = used_part(image, options);
    if (options.mask != nullptr && options.mask->size() != part.size())
        throw ArgumentError(fmt::format("a mask of {} x {} does not fit an image of {} x {}",
                                        options.mask->size().width, options.mask->size().height, part.width(),
                                        part.height()));
}

} // namespace coldbrick::image
