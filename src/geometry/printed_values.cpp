#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <fmt/format.h>

#include <ostream>

namespace coldbrick {

std::ostream& operator<<(std::ostream& out, const Point& point) {
    return out << '(' << point.x << ", " << point.y << ')';
}

std::ostream& operator<<(std::ostream& out, const Size& size) {
    return out << size.width << " x " << size.height;
}

std::ostream& operator<<(std::ostream& out, const Box& box) {
    return out << '(' << box.x << ", " << box.y << ") " << box.width << " x " << box.height;
}

std::ostream& operator<<(std::ostream& out, const Angle& angle) {
    return out << fmt::format("{}_deg", angle.in_degrees());
}

} // namespace coldbrick
