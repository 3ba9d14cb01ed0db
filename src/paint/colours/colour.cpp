#include <coldbrick/colour.hpp>

#include "base/range_checks.hpp"

#include <coldbrick/colour_text.hpp>

#include <ostream>
#include <string>

namespace coldbrick {

void detail::throw_channel_out_of_range(const char* channel, int value) {
    base::throw_out_of_range(std::string("colour channel ") + channel, value, 0, 255);
}

std::ostream& operator<<(std::ostream& out, const Colour& colour) {
    return out << hex(colour);
}

} // namespace coldbrick
