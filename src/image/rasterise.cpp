#include "image/rasterise.hpp"

#include <algorithm>

namespace coldbrick::image {

std::int64_t reach_of_wide(const Stroke& stroke) {
    // A tip goes as far as the mitre limit in half widths, and twice as far for a stroke outside.
    const double factor = stroke.join == Join::mitre ? std::max(stroke.mitre_limit, 2.0) : 2.0;
    constexpr auto beyond_all = static_cast<double>(base::beyond_all_pixels);
    return static_cast<std::int64_t>(std::min(1 + (1 + stroke.width) * factor, beyond_all));
}

} // namespace coldbrick::image
