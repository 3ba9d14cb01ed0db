#include <coldbrick/sector.hpp>

namespace coldbrick {

Sector Sector::about(Point centre, std::int32_t radius, Angle start, Angle sweep) {
    return {Ellipse::about(centre, radius, radius), start, sweep};
}

Sector Sector::moved(std::int64_t dx, std::int64_t dy) const {
    return {ellipse.moved(dx, dy), start, sweep};
}

} // namespace coldbrick
