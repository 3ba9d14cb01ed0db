#include <coldbrick/line.hpp>

#include "geometry/checks.hpp"

namespace coldbrick {

Line Line::moved(std::int64_t dx, std::int64_t dy) const {
    return {coldbrick::moved(from, dx, dy), coldbrick::moved(to, dx, dy)};
}

Line Line::placed(Anchor anchor, Point position) const {
    return placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
