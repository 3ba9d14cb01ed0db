#include "geometry/shape_instances.hpp"

#include <coldbrick/arc.hpp>

namespace coldbrick {

template <EllipsePartKind kind>
EllipsePart<kind> EllipsePart<kind>::about(Point centre, std::int32_t radius, Angle start, Angle sweep) {
    return {Ellipse::about(centre, radius, radius), start, sweep};
}

template <EllipsePartKind kind>
EllipsePart<kind> EllipsePart<kind>::moved(std::int64_t dx, std::int64_t dy) const {
    return {ellipse.moved(dx, dy), start, sweep};
}

#define COLDBRICK_INSTANTIATE(Part)                                                                          \
    template COLDBRICK_EXPORTED Part Part::about(Point, std::int32_t, Angle, Angle);                         \
    template COLDBRICK_EXPORTED Part Part::moved(std::int64_t, std::int64_t) const;
COLDBRICK_INSTANTIATE(EllipsePart<EllipsePartKind::arc>)
COLDBRICK_INSTANTIATE(EllipsePart<EllipsePartKind::sector>)
COLDBRICK_INSTANTIATE(EllipsePart<EllipsePartKind::segment>)

} // namespace coldbrick
