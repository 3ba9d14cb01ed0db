#include <coldbrick/path_of.hpp>

#include "geometry/shape_checks.hpp"
#include "geometry/shape_instances.hpp"
#include "raster/path/shape_contours.hpp"

#include <concepts>

namespace coldbrick {

namespace {

constexpr auto parts = static_cast<double>(raster::sub_pixels);

Position position_of(raster::SubPoint at) {
    return {static_cast<double>(at.x) / parts, static_cast<double>(at.y) / parts};
}

/// Shapes have no other curves than these.
PathPiece piece_of(const raster::Curve& curve) {
    const Position to = position_of(curve.to());
    if (curve.is_straight()) return PathLine{to};
    const auto& arc = std::get<raster::ArcForm>(curve.form());
    const Position from = position_of(curve.from());
    return PathArc{{from.x + arc.centre.x / parts, from.y + arc.centre.y / parts},
                   {arc.across.x / parts, arc.across.y / parts},
                   {arc.down.x / parts, arc.down.y / parts},
                   arc.start,
                   arc.sweep,
                   to};
}

} // namespace

template <AnyShape S>
Path path_of(const S& shape) {
    geometry::check(shape);
    if constexpr (std::same_as<S, Path>) {
        return shape;
    } else {
        Path path;
        for (const raster::CurveContour& contour : raster::contours_of(shape)) {
            path.move_to(position_of(contour.curves.front().from()));
            for (const raster::Curve& curve : contour.curves) path.add(piece_of(curve));
            if (contour.closed) path.close();
        }
        return path;
    }
}

#define COLDBRICK_INSTANTIATE(S) template COLDBRICK_EXPORTED Path path_of(const S&);
COLDBRICK_FOR_EACH_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE

} // namespace coldbrick
