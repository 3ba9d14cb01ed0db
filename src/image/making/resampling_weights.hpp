/// @file
/// Which pixels of a row make the pixels of a resized one.
#pragma once

#include <coldbrick/resize.hpp>

#include <cstdint>
#include <vector>

namespace coldbrick::image {

/// The source pixels of one pixel: `weights` for first, first + 1, ...; they add up to 1.
struct ResamplingWeights {
    std::int32_t first;
    std::vector<double> weights;
};

/// The part of a row or column that is resized.
struct ResizedPart {
    double begin; ///< in source pixels
    double length;
    std::int32_t source; ///< how many pixels the source has
    std::int32_t target; ///< how many pixels the result has
};

/// The weights of each of the result's pixels.
std::vector<ResamplingWeights> weights_of(const ResizedPart& extent, Resampling resampling);

} // namespace coldbrick::image
