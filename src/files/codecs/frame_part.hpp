/// @file
/// The part of a reel's picture that a frame changes.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

namespace coldbrick::files {

struct FramePart {
    Point at; ///< its first pixel
    Size size;

    [[nodiscard]] Box box() const { return {at.x, at.y, size.width, size.height}; }

    friend bool operator==(const FramePart&, const FramePart&) = default;
};

} // namespace coldbrick::files
