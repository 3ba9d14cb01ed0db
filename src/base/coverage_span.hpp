/// @file
/// Runs of pixels that a shape covers in part.
#pragma once

#include <coldbrick/span.hpp>

#include <cstdint>

namespace coldbrick::base {

/// A run of pixels and how much of each one is covered: 1..255, of which 255 is all.
struct CoverageSpan {
    Span span;
    const std::uint8_t* coverages; ///< one a pixel
};

} // namespace coldbrick::base
