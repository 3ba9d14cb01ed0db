#include <coldbrick/colour.hpp>

#include "base/range_checks.hpp"

#include <string>

namespace coldbrick::detail {

void throw_channel_out_of_range(const char* channel, int value) {
    base::throw_out_of_range(std::string("colour channel ") + channel, value, 0, 255);
}

} // namespace coldbrick::detail
