/// @file
/// What is fuzzed: each target takes any bytes and must neither crash, nor hang, nor break a promise. A
/// broken promise ends the program by require().
#pragma once

#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::fuzz {

using Bytes = std::span<const std::uint8_t>;

// Image files: that what was decoded comes back, and that they are what they tell.
void png(Bytes bytes);
void jpeg(Bytes bytes);
void webp(Bytes bytes);
void gif(Bytes bytes);
void bmp(Bytes bytes);
void qoi(Bytes bytes);
void anymap(Bytes bytes);
void sheets(Bytes bytes);   ///< sheets, read and drawn
void texts(Bytes bytes);    ///< colours, palettes, bitmaps
void drawing(Bytes bytes);  ///< shapes and styles: only pixels in the clip change, and bands change nothing
void scenes(Bytes bytes);   ///< drawings with groups and layers, in tiles, bands and as they are looked at
void tables(Bytes bytes);   ///< tables of values and marks, from the words that they consist of
void outlines(Bytes bytes); ///< texts with wide outlines, in tiles
void region_algebra(Bytes bytes); ///< the laws of sets
void fonts(Bytes bytes);          ///< font files, and texts in them
void lettering(Bytes bytes);      ///< texts and captions in any style: measured as they are painted
void overlays(Bytes bytes);       ///< images onto images, and that nothing outside changes
void resizing(Bytes bytes);       ///< sizes and resamplings

/// A target and its name, which is that of the folder of its inputs.
struct Target {
    const char* name;
    void (*run)(Bytes bytes);
};
inline constexpr Target targets[] = {{"png", png},           {"jpeg", jpeg},
                                     {"webp", webp},         {"gif", gif},
                                     {"bmp", bmp},           {"qoi", qoi},
                                     {"anymap", anymap},     {"sheets", sheets},
                                     {"texts", texts},       {"tables", tables},
                                     {"drawing", drawing},   {"scenes", scenes},
                                     {"outlines", outlines}, {"region_algebra", region_algebra},
                                     {"fonts", fonts},       {"lettering", lettering},
                                     {"overlays", overlays}, {"resizing", resizing}};

/// Ends the program, telling what does not hold, unless it does.
void require(bool holds, const char* promise);

} // namespace coldbrick::fuzz
