/// @file
/// Where a motif's own coordinates lie on the sheet.
#pragma once

#include <coldbrick/angle.hpp>
#include <coldbrick/position.hpp>
#include <coldbrick/transform.hpp>

#include <optional>

namespace coldbrick::sheet {

/// Positions are moved by the offset and then mapped. Where nothing is turned, scaled or mirrored there is no
/// map, so that shapes stay what they are.
struct Placing {
    Position offset = {};
    std::optional<Transform> map = {};
    double scale = 1; ///< of the map, like those below
    Angle turn = {};
    bool mirrored = false;

    [[nodiscard]] Position moved(const Position& position) const {
        return {position.x + offset.x, position.y + offset.y};
    }
    [[nodiscard]] Position operator()(const Position& position) const {
        return map ? (*map)(moved(position)) : moved(position);
    }

    /// That of a motif placed at a position of this one.
    [[nodiscard]] Placing inner(const Position& at, Angle its_turn, double its_scale, bool is_mirrored) const;
};

} // namespace coldbrick::sheet
