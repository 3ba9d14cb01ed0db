#include "paint/formats/channel_depth.hpp"

#include "base/range_checks.hpp"

namespace coldbrick::paint {

void check_channels(const RealColour& colour) {
    base::check_share("colour channel red", colour.red);
    base::check_share("colour channel green", colour.green);
    base::check_share("colour channel blue", colour.blue);
    base::check_share("colour channel alpha", colour.alpha);
}

} // namespace coldbrick::paint
