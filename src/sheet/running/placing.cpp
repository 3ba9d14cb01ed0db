#include "sheet/running/placing.hpp"

namespace coldbrick::sheet {

Placing Placing::inner(const Position& at, Angle its_turn, double its_scale, bool is_mirrored) const {
    const Position origin = moved(at);
    Placing result = *this;
    if (its_turn == Angle() && its_scale == 1 && !is_mirrored) {
        result.offset = origin;
        return result;
    }
    result.offset = {};
    const Transform own = Transform::scale(is_mirrored ? -its_scale : its_scale, its_scale)
                              .then(Transform::turn(its_turn))
                              .then(Transform::move(origin.x, origin.y));
    result.map = map ? own.then(*map) : own;
    result.scale = scale * its_scale;
    result.turn = mirrored ? turn - its_turn : turn + its_turn;
    result.mirrored = mirrored != is_mirrored;
    return result;
}

} // namespace coldbrick::sheet
