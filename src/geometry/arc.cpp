#include <coldbrick/arc.hpp>

namespace coldbrick {

Arc Arc::about(Point centre, std::int32_t radius, Angle start, Angle sweep) {
    return {Ellipse::about(centre, radius, radius), start, sweep};
}

Arc Arc::moved(std::int64_t dx, std::int64_t dy) const {
    return {ellipse.moved(dx, dy), start, sweep};
}

} // namespace coldbrick
