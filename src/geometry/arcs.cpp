// Arcs, sectors and segments as plain values.

#include <coldbrick/arc.hpp>
#include <coldbrick/sector.hpp>
#include <coldbrick/segment.hpp>

namespace coldbrick {

Arc Arc::about(Point centre, std::int32_t radius, Angle start, Angle sweep) {
    return {Ellipse::about(centre, radius, radius), start, sweep};
}

Arc Arc::moved(std::int64_t dx, std::int64_t dy) const {
    return {ellipse.moved(dx, dy), start, sweep};
}

Sector Sector::about(Point centre, std::int32_t radius, Angle start, Angle sweep) {
    return {Ellipse::about(centre, radius, radius), start, sweep};
}

Sector Sector::moved(std::int64_t dx, std::int64_t dy) const {
    return {ellipse.moved(dx, dy), start, sweep};
}

Segment Segment::about(Point centre, std::int32_t radius, Angle start, Angle sweep) {
    return {Ellipse::about(centre, radius, radius), start, sweep};
}

Segment Segment::moved(std::int64_t dx, std::int64_t dy) const {
    return {ellipse.moved(dx, dy), start, sweep};
}

} // namespace coldbrick
