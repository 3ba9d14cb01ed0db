#include <coldbrick/deep_colour.hpp>

#include "paint/formats/channel_depth.hpp"

namespace coldbrick {

Colour colour(const Colour16& deep) {
    return paint::to_depth<Colour>(deep);
}

Colour colour(const RealColour& real) {
    paint::check_channels(real);
    return paint::to_depth<Colour>(real);
}

Colour16 colour16(const Colour& colour) {
    return paint::to_depth<Colour16>(colour);
}

Colour16 colour16(const RealColour& real) {
    paint::check_channels(real);
    return paint::to_depth<Colour16>(real);
}

RealColour real_colour(const Colour& colour) {
    return paint::to_depth<RealColour>(colour);
}

RealColour real_colour(const Colour16& deep) {
    return paint::to_depth<RealColour>(deep);
}

} // namespace coldbrick
