/// @file
/// Composes a picture: a gradient, a hatch, a reflection, markers with a hot spot, a part marked by inverting
/// it.
///
/// usage: compose FILE

#include <coldbrick/coldbrick.hpp>

#include <iostream>

namespace cb = coldbrick;

namespace {

/// A buoy that floats on the pixel below its middle.
const char* const buoy = "..#..\n"
                         ".###.\n"
                         ".###.\n"
                         "#####\n"
                         ".###.\n";

cb::Image harbour_at_dusk() {
    const cb::Colour night = cb::default_palette().find("night").value();
    cb::Image picture({240, 160}, cb::PixelFormat::bgra8, night);
    const cb::Colour lamp = cb::default_palette().find("lamp").value();
    cb::draw(picture, cb::Box{0, 0, 240, 110},
             cb::Fill{cb::LinearGradient{
                 {0, 0}, {0, 109}, {{0, night}, {0.7, cb::mix(night, lamp, 0.4)}, {1, lamp}}}});
    cb::draw(picture,
             cb::Polygon{{{0, 110}, {60, 70}, {95, 84}, {130, 60}, {190, 96}, {240, 80}, {240, 110}}},
             cb::Fill{cb::Hatch{cb::Hatch::Direction::lattice, 5, 2, night, cb::darker(lamp, 0.8)}});
    return picture;
}

/// What is above the water line, upside down and faint.
void reflect(cb::Image& picture) {
    cb::Overlay below;
    below.source = cb::Box{0, 60, 240, 50};
    below.orientation = {.mirrored = true, .quarters = 2};
    below.blending.opacity = 90;
    cb::overlay(picture, picture, {0, 110}, below);
}

} // namespace

int main(int argument_count, char** arguments) {
    if (argument_count != 2) {
        std::cerr << "usage: compose FILE\n";
        return 2;
    }
    try {
        cb::Image picture = harbour_at_dusk();
        reflect(picture);
        const cb::Bitmap marker(buoy);
        cb::Point place{40, 128};
        for (const cb::Colour& colour : cb::distinct_colours(4, 3)) {
            cb::overlay(picture, marker, place, {.foreground = colour, .hot_spot = {2, 4}});
            place = {place.x + 50, place.y + 6};
        }
        cb::draw(picture, cb::Box{80, 60, 60, 40}, cb::Fill{cb::Colour(), {}, {}, {cb::BlendMode::invert}});
        cb::save(cb::resized(picture, {480, 320}, {.resampling = cb::Resampling::nearest}), arguments[1]);
    } catch (const cb::Error& error) {
        std::cerr << error.what() << '\n';
        return 1;
    }
    return 0;
}
