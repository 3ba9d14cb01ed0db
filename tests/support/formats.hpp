/// @file
/// All pixel formats.
#pragma once

#include <coldbrick/pixel_format.hpp>

namespace coldbrick::test {

constexpr PixelFormat all_formats[] = {PixelFormat::gray8,    PixelFormat::gray16,  PixelFormat::graya8,
                                       PixelFormat::rgb8,     PixelFormat::bgr8,    PixelFormat::rgba8,
                                       PixelFormat::bgra8,    PixelFormat::argb8,   PixelFormat::abgr8,
                                       PixelFormat::rgb16,    PixelFormat::rgba16,  PixelFormat::rgb565,
                                       PixelFormat::indexed8, PixelFormat::gray32f, PixelFormat::rgba32f};

} // namespace coldbrick::test
