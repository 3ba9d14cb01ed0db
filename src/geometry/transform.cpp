#include <coldbrick/transform.hpp>

namespace coldbrick {

namespace {

/// A linear map that leaves a position where it is.
Transform about(Position fixed, double xx, double xy, double yx, double yy) {
    return {xx, xy, fixed.x - (xx * fixed.x + xy * fixed.y), yx, yy, fixed.y - (yx * fixed.x + yy * fixed.y)};
}

} // namespace

Transform Transform::move(double dx, double dy) {
    return {1, 0, dx, 0, 1, dy};
}

Transform Transform::turn(Angle by, Position about_position) {
    return about(about_position, by.cosine(), -by.sine(), by.sine(), by.cosine());
}

Transform Transform::scale(double across, double down, Position about_position) {
    return about(about_position, across, 0, 0, down);
}

Transform Transform::shear(double across, double down, Position about_position) {
    return about(about_position, 1, across, down, 1);
}

Transform Transform::then(const Transform& other) const {
    const Position shift = other({x_shift, y_shift});
    return {other.xx * xx + other.xy * yx, other.xx * xy + other.xy * yy, shift.x,
            other.yx * xx + other.yy * yx, other.yx * xy + other.yy * yy, shift.y};
}

Position Transform::operator()(Position position) const {
    return {xx * position.x + xy * position.y + x_shift, yx * position.x + yy * position.y + y_shift};
}

} // namespace coldbrick
