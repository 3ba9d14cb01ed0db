/// @file
/// What the items of a sheet's drawing are painted with, and where they have pixels.
#pragma once

#include <coldbrick/drawing.hpp>
#include <coldbrick/sheet_check.hpp>

#include <cstddef>

namespace coldbrick::sheet {

/// How an item is painted.
struct PaintFacts {
    int alpha;     ///< of its least transparent paint, times its opacity, 0..255
    bool simple;   ///< all of it is simply laid over what is there
    bool replaces; ///< all pixels that it covers get its one opaque colour
};
[[nodiscard]] PaintFacts paint_facts(const Drawing::Item& item);

/// Where an item that covers nothing of a sheet has pixels, whatever clips it.
struct ItemReach {
    bool on_sheet = false;
    bool exists = false;
    Box outside = {}; ///< a box around those outside of the sheet, if it is not too large to look for them
};
[[nodiscard]] ItemReach reach_of(const Drawing::Item& item, Size sheet);

/// About how much memory an item takes, without images, which are counted where they are loaded, and without
/// the drawing of a group.
[[nodiscard]] std::size_t bytes_of(const Drawing::Item& item);

} // namespace coldbrick::sheet
