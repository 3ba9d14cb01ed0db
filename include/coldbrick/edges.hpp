/// @file
/// Crisp and smooth edges.
#pragma once

#include <cstdint> // the enumeration's underlying type

namespace [[gnu::visibility("default")]] coldbrick {

/// How the pixels at a shape's edges are painted.
enum class Edges : std::uint8_t {
    crisp,  ///< wholly or not at all, as the rules for each shape say
    smooth, ///< by the share of their square that the shape covers, its overlaps counted once
};

} // namespace coldbrick
