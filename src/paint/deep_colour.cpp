#include <coldbrick/deep_colour.hpp>

#include "paint/channel_depth.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

namespace coldbrick {

namespace {

void check(const RealColour& colour) {
    const auto check_channel = [](const char* name, double value) {
        if (!(value >= 0 && value <= 1)) // which what is not a number is not
            throw ArgumentError(fmt::format("colour channel {} {} is outside 0..1", name, value));
    };
    check_channel("red", colour.red);
    check_channel("green", colour.green);
    check_channel("blue", colour.blue);
    check_channel("alpha", colour.alpha);
}

} // namespace

Colour colour(const Colour16& deep) {
    return paint::to_depth<Colour>(deep);
}

Colour colour(const RealColour& real) {
    check(real);
    return paint::to_depth<Colour>(real);
}

Colour16 colour16(const Colour& colour) {
    return paint::to_depth<Colour16>(colour);
}

Colour16 colour16(const RealColour& real) {
    check(real);
    return paint::to_depth<Colour16>(real);
}

RealColour real_colour(const Colour& colour) {
    return paint::to_depth<RealColour>(colour);
}

RealColour real_colour(const Colour16& deep) {
    return paint::to_depth<RealColour>(deep);
}

} // namespace coldbrick
