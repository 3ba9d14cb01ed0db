// Marks what was found in a picture: a box round each thing, and captions that keep out of each other's way.

#include <coldbrick/coldbrick.hpp>

#include <cstdio>
#include <vector>

namespace cb = coldbrick;

namespace {

/// Water at dusk, which stands for a photograph.
cb::Image picture() {
    cb::Image result({640, 400}, cb::PixelFormat::rgb8);
    cb::draw(result, cb::Box{0, 0, 640, 400},
             cb::Fill{cb::LinearGradient{
                 {0, 0},
                 {0, 400},
                 {{0, cb::colour("#5b5478")}, {0.4, cb::colour("#c98a6b")}, {1, cb::colour("#1b263c")}}}});
    return result;
}

// NOLINTNEXTLINE(cert-err58-cpp): without memory there is no example
const std::vector<cb::Caption> found{
    {"trawler Marram 0.97", {226, 152, 172, 128}},
    {"cutter Alder 0.88", {446, 160, 116, 136}},
    {"skiff? 0.41", {144, 290, 88, 34}},
    {"gull 0.52", {250, 120, 26, 18}},
    {"gull 0.47", {284, 132, 22, 16}},
    {"gull 0.44", {262, 140, 24, 14}},
    {"lighthouse 0.99", {120, 100, 34, 90}},
    {"buoy 0.73", {608, 250, 26, 40}},
};

} // namespace

int main(int argument_count, char** arguments) {
    if (argument_count != 2) {
        std::fputs("usage: captions FILE\n", stderr);
        return 2;
    }
    try {
        cb::Image image = picture();
        for (const cb::Caption& one : found)
            cb::draw(image, one.box, cb::Stroke{.paint = cb::colour("#58e0a0"), .width = 2});
        cb::CaptionStyle style;
        style.text.size = 15;
        cb::draw(image, cb::place_captions(found, cb::Box::of(image.size()), style), style);
        cb::save(image, arguments[1]);
    } catch (const cb::Error& error) {
        std::fprintf(stderr, "captions: %s\n", error.what());
        return 1;
    }
}
