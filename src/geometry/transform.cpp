#include <coldbrick/transform.hpp>

#include <Eigen/Geometry>

namespace coldbrick {

namespace {

Eigen::Affine2d affine(const Transform& transform) {
    Eigen::Affine2d result;
    result.matrix() << transform.xx, transform.xy, transform.x_shift, transform.yx, transform.yy,
        transform.y_shift, 0, 0, 1;
    return result;
}

Transform transform(const Eigen::Affine2d& map) {
    const auto& matrix = map.matrix();
    return {matrix(0, 0), matrix(0, 1), matrix(0, 2), matrix(1, 0), matrix(1, 1), matrix(1, 2)};
}

/// A linear map that leaves a position where it is.
Transform about(Position fixed, double xx, double xy, double yx, double yy) {
    Eigen::Matrix2d linear;
    linear << xx, xy, yx, yy;
    const Eigen::Translation2d there(fixed.x, fixed.y);
    return transform(there * Eigen::Affine2d(linear) * there.inverse());
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
    return transform(affine(other) * affine(*this));
}

Position Transform::operator()(Position position) const {
    const Eigen::Vector2d mapped = affine(*this) * Eigen::Vector2d(position.x, position.y);
    return {mapped.x(), mapped.y()};
}

} // namespace coldbrick
