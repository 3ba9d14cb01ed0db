/// @file
/// Bounces circles, boxes and polygons about a basin, and keeps what they do as a reel.
///
/// usage: bouncing FILE   a .png, .gif, .webp or .y4m file

#include <coldbrick/coldbrick.hpp>

#include <iostream>
#include <vector>

namespace cb = coldbrick;

namespace {

constexpr cb::Size basin{240, 160};

/// What all that drifts has in common, whatever its shape: where it is, how fast it goes, and how far it
/// reaches. A shape knows its own place and its bounds; only its velocity is to be kept beside it.
struct Drifter {
    cb::Shape shape;
    int right_a_frame; ///< pixels; negative to the left
    int down_a_frame;  ///< pixels; negative upwards
    cb::Colour colour;
};

/// The bounds of any shape: the call is the same for each of them.
cb::Box bounds_of(const cb::Shape& shape) {
    return std::visit([](const auto& any) { return any.bounds(); }, shape);
}

cb::Shape moved(const cb::Shape& shape, int right, int down) {
    return std::visit([&](const auto& any) -> cb::Shape { return any.moved(right, down); }, shape);
}

/// Turns a velocity round if the next step would leave `low` to `high` by either end.
void turn_at_ends(int& velocity, std::int64_t first, std::int64_t last, std::int64_t low, std::int64_t high) {
    if (first + velocity < low || last + velocity > high) velocity = -velocity;
}

/// One frame later. The bounds decide, so nothing here asks what shape it is.
void step(Drifter& drifter) {
    const cb::Box box = bounds_of(drifter.shape);
    turn_at_ends(drifter.right_a_frame, box.x, box.x + box.width - 1, 0, basin.width - 1);
    turn_at_ends(drifter.down_a_frame, box.y, box.y + box.height - 1, 0, basin.height - 1);
    drifter.shape = moved(drifter.shape, drifter.right_a_frame, drifter.down_a_frame);
}

/// Fills those shapes that have an inside, and strokes the others.
void draw(const cb::ImageView& view, const Drifter& drifter) {
    std::visit(
        [&]<class S>(const S& shape) {
            if constexpr (cb::ClosedShape<S>)
                cb::draw(view, shape, cb::Fill{drifter.colour});
            else
                cb::draw(view, shape, cb::Stroke{drifter.colour, 3});
        },
        drifter.shape);
}

std::vector<Drifter> drifters() {
    return {
        {cb::Circle{{60, 40}, 14}, 3, 2, cb::colour("gold")},
        {cb::Box{120, 90, 40, 18}, -2, 3, cb::colour("teal")},
        {cb::Polygon{{{180, 30}, {210, 48}, {200, 74}, {166, 66}}}, 4, -1, cb::colour("tomato")},
        {cb::regular_polygon({90, 110}, 16, 6), -3, -2, cb::colour("plum")},
    };
}

} // namespace

int main(int argument_count, char** arguments) {
    if (argument_count != 2) {
        std::cerr << "usage: bouncing FILE\n";
        return 2;
    }
    try {
        std::vector<Drifter> all = drifters();
        cb::ReelWriter reel(arguments[1], {.rate = {25}});
        for (int frame = 0; frame < 100; ++frame) {
            cb::Image picture(basin, cb::PixelFormat::rgb8, cb::colour("midnightblue"));
            for (const Drifter& drifter : all) draw(picture, drifter);
            reel.add(picture);
            for (Drifter& drifter : all) step(drifter);
        }
        reel.finish();
    } catch (const cb::Error& error) {
        std::cerr << "bouncing: " << error.what() << '\n';
        return 1;
    }
}
