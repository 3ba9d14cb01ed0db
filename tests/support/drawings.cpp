#include "support/drawings.hpp"

#include "support/generators.hpp"

#include <coldbrick/draw.hpp>

#include <rapidcheck.h>

#include <array>

namespace coldbrick::test {

namespace {

Blending random_blending() {
    return {*rc::gen::weightedElement<BlendMode>({{8, BlendMode::source_over},
                                                  {1, BlendMode::copy},
                                                  {1, BlendMode::clear},
                                                  {1, BlendMode::multiply},
                                                  {1, BlendMode::destination_over},
                                                  {1, BlendMode::invert}}),
            *rc::gen::weightedElement<std::uint8_t>({{6, 255}, {1, 128}, {1, 0}}), BlendSpace::encoded};
}

Paint random_paint() {
    const std::array<Colour, 4> colours{Colour(200, 0, 0), Colour(201, 0, 0), Colour(255, 255, 255),
                                        Colour(0, 90, 30, 128)};
    const Colour one = *rc::gen::elementOf(colours);
    if (*rc::gen::inRange(0, 5) != 0) return one;
    return LinearGradient{{0, 0}, {21, 9}, {{0, one}, {0.5, one}, {1, Colour(0, 0, 255, 60)}}};
}

Image random_image() {
    Image result({9, 7}, PixelFormat::rgba8, Colour(90, 80, 200));
    draw(result, *any_box({9, 7}), Fill{Colour(0, 0, 0, 0), {}, {}, {BlendMode::copy}});
    draw(result, *any_box({9, 7}), Fill{Colour(9, 9, 9)});
    return result;
}

void add_shape(Drawing& drawing, Size window) {
    const bool closed = *rc::gen::inRange(0, 3) != 0;
    Drawing::StyledShape item{closed ? *any_closed_shape(window) : *any_open_shape(window), std::nullopt,
                              std::nullopt};
    const Edges edges = *rc::gen::element(Edges::crisp, Edges::smooth);
    const int parts = closed ? *rc::gen::inRange(0, 3) : 1;
    if (parts != 1)
        item.fill = Fill{random_paint(), FillRule::non_zero, FillExtent::whole, random_blending(), edges};
    if (parts != 0) {
        item.stroke = *any_stroke_for(item.shape);
        item.stroke->paint = random_paint();
        item.stroke->blending = random_blending();
    }
    drawing.add(item);
}

} // namespace

Drawing random_drawing(Size window, int depth) {
    Drawing result;
    for (int n = *rc::gen::inRange(1, depth == 0 ? 9 : 5); n > 0; --n) {
        result.set_tag(*rc::gen::inRange<std::uint32_t>(1, 6));
        const Point place = *any_point(window);
        const int kind = *rc::gen::inRange(0, 10);
        if (kind == 0) {
            Overlay options{.blending = random_blending()};
            const Bitmap mask("##.######\n#########\n####..###\n#########\n#########\n##.######\n.########");
            if (*rc::gen::inRange(0, 2) == 0) options.mask = &mask;
            if (*rc::gen::inRange(0, 3) == 0) options.key = Colour(9, 9, 9);
            options.orientation = {*rc::gen::arbitrary<bool>(), *rc::gen::inRange(0, 4)};
            result.add(random_image(), place, options);
        } else if (kind == 1) {
            Image cover({8, 6}, PixelFormat::gray8);
            draw(cover, Circle{{4, 3}, 3}, Fill{Colour(255, 255, 255), {}, {}, {}, Edges::smooth});
            result.add(Stencil{cover, place}, random_paint(), random_blending());
        } else if (kind <= 3 && depth < 2) {
            Drawing::GroupStyle style;
            if (kind == 2 || *rc::gen::inRange(0, 3) == 0)
                style.clip = Shared<Region>(region(*any_circle(window), Fill{}, Box::of(window)));
            if (kind == 3) style.layer = random_blending();
            result.add(random_drawing(window, depth + 1), style);
        } else {
            add_shape(result, window);
        }
    }
    return result;
}

} // namespace coldbrick::test
