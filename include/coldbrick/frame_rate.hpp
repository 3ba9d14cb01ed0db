/// @file
/// How fast frames follow each other.
#pragma once

#include <cstdint> // counts

namespace [[gnu::visibility("default")]] coldbrick {

/// How many frames are shown in how many seconds: {25} is 25 a second, {30000, 1001} nearly 30.
struct FrameRate {
    std::int32_t frames = 25; ///< 1..1000000
    std::int32_t seconds = 1; ///< 1..1000000

    friend bool operator==(const FrameRate&, const FrameRate&) = default;
};

} // namespace coldbrick
