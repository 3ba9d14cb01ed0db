/// @file
/// Single opaque pixels, written one by one.
#pragma once

#include "paint/painter.hpp"

#include <cstddef>
#include <cstring>

namespace coldbrick::paint {

/// Writes pixels of a size that is known when compiling.
template <std::size_t Bytes>
struct PixelWriter {
    PixelBytes pixel;

    void operator()(std::byte* at) const { std::memcpy(at, pixel.data(), Bytes); }
};

/// Calls write_all(writer) with the writer for the painter's pixels. False, without a call, if it does not
/// replace pixels of a size that there is a writer for.
template <class WriteAll>
bool with_pixel_writer(const Painter& painter, WriteAll write_all) {
    if (!painter.replaces()) return false;
    switch (painter.surface().codec.layout->bytes) {
    case 1: write_all(PixelWriter<1>{painter.pixel()}); return true;
    case 2: write_all(PixelWriter<2>{painter.pixel()}); return true;
    case 3: write_all(PixelWriter<3>{painter.pixel()}); return true;
    case 4: write_all(PixelWriter<4>{painter.pixel()}); return true;
    default: return false;
    }
}

} // namespace coldbrick::paint
