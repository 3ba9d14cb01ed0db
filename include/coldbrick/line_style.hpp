/// @file
/// How the ends and corners of wide lines look.
#pragma once

#include <cstdint> // the enumerations' underlying type

namespace [[gnu::visibility("default")]] coldbrick {

/// What lies beyond the ends of an open line of width 2 and up. Both end pixels belong to it with any cap.
enum class Cap : std::uint8_t {
    butt,   ///< nothing
    square, ///< the line goes on by half its width
    round,  ///< a disc about the end
};

/// What fills the outer side of the corner where two segments of width 2 and up meet.
enum class Join : std::uint8_t {
    mitre, ///< both sides go on to where they meet, or a bevel if that is too far
    bevel, ///< the triangle between the vertex and the two outer corners
    round, ///< a disc about the vertex
};

/// On which side of a closed shape's edge its stroke lies.
enum class Alignment : std::uint8_t {
    centred, ///< on both
    inside,  ///< none of it outside the shape when filled
    outside, ///< none of it on the filled shape
};

} // namespace coldbrick
