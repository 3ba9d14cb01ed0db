/// @file
/// Many small pictures on one.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>

#include <cstdint> // columns
#include <span>    // many pictures
#include <string>  // captions

namespace [[gnu::visibility("default")]] coldbrick {

/// A picture and what is written under it.
struct CaptionedPicture {
    Image picture;
    std::string caption; ///< UTF-8; made smaller or cut if it is wider than the widest picture
};

/// How a table of pictures looks.
struct PictureTable {
    std::int32_t columns = 0; ///< 0..32767: 0 stands for about as wide as high
    std::int32_t gap = 12;    ///< between pictures and at the edges, 0..32767
    double text_size = 15;    ///< of captions, 1..32767
    Colour ground{38, 44, 52};
    Colour ink{236, 238, 240};
};

/// The pictures in rows, each in a cell as large as the largest, with their captions below them, as rgb8.
/// What is see-through shows the ground.
/// @throws ArgumentError if there is no picture, if a value is outside its range or the result is too large
/// for an image.
[[nodiscard]] Image picture_table(std::span<const CaptionedPicture> pictures, const PictureTable& table = {});

} // namespace coldbrick
