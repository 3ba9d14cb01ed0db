// A drawing paints what the single calls paint, in their order, in any band.

#include "support/errors.hpp"
#include "support/generators.hpp"

#include <coldbrick/bitmap.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <memory>

namespace coldbrick::test {

TEST(Drawing, PaintsAsTheSingleCallsDoAlsoInBands) {
    const Box quay{3, 5, 20, 9};
    const Circle light{{18, 14}, 9};
    const Line beam{{0, 0}, {39, 29}};
    Image single({40, 30}, PixelFormat::rgba8);
    draw(single, quay, Fill{colour("#2f6f5e")});
    draw(single, light, Fill{colour("#ffd70080")}, Stroke{colour("white"), 2});
    draw(single, beam, Stroke{colour("#ff000040")});

    Drawing drawing;
    drawing.add(quay, Fill{colour("#2f6f5e")});
    drawing.add(light, Fill{colour("#ffd70080")}, Stroke{colour("white"), 2});
    drawing.add(beam, Stroke{colour("#ff000040")});
    EXPECT_EQ(drawing.items().size(), 3U);

    Image whole({40, 30}, PixelFormat::rgba8);
    draw(whole, drawing);
    Image banded({40, 30}, PixelFormat::rgba8);
    for (int y = 0; y < 30; y += 7) draw(banded.view().clipped({0, y, 40, 7}), drawing);
    for (int i = 0; i < 40 * 30; ++i) {
        const Point at{i % 40, i / 40};
        ASSERT_EQ(whole.pixel(at), single.pixel(at));
        ASSERT_EQ(banded.pixel(at), single.pixel(at));
    }
}

namespace {

bool same(const Image& a, const Image& b) {
    for (std::int32_t y = 0; y < a.height(); ++y)
        if (!std::ranges::equal(a.view().row(y), b.view().row(y))) return false;
    return true;
}

} // namespace

RC_GTEST_PROP(Drawing, AFillAndAStrokeAreOneCall, ()) {
    constexpr Size window{60, 45};
    const Shape shape = *any_closed_shape(window);
    Stroke stroke = *any_stroke();
    stroke.paint = Colour(255, 255, 255);
    stroke.width = std::min<double>(stroke.width, 40);
    stroke.alignment = *rc::gen::element(Alignment::centred, Alignment::inside, Alignment::outside);
    const Fill fill{Colour(200, 0, 0), *rc::gen::element(FillRule::even_odd, FillRule::non_zero),
                    *rc::gen::element(FillExtent::whole, FillExtent::tiling)};
    Drawing drawing;
    Image wanted(window, PixelFormat::rgb8);
    const auto add = [&]<class S>(const S& one) {
        if constexpr (ClosedShape<S>) {
            drawing.add(one, fill, stroke);
            draw(wanted, one, fill, stroke);
        }
    };
    std::visit(add, shape);
    Image drawn(window, PixelFormat::rgb8);
    draw(drawn, drawing);
    RC_ASSERT(drawing.items().size() == 1U);
    RC_ASSERT(same(drawn, wanted));
}

TEST(Drawing, ChecksWhatIsAddedAndPaintsNothingInAFormatThatDoesNotFit) {
    Drawing drawing;
    expect_errors<ArgumentError>({
        {[&] {
             drawing.add(Circle{{0, 0}, -1}, Fill{});
         },
         "circle radius -1 is outside 0..2147483647"},
        {[&] {
             drawing.add(Box{0, 0, 4, 4}, Fill{}, Stroke{{}, 0});
         },
         "stroke width 0 is outside 1..2147483647"},
        {[&] {
             drawing.add({Box{0, 0, 4, 4}, std::nullopt, std::nullopt});
         },
         "a shape of a drawing has neither fill nor stroke"},
        {[&] {
             drawing.add({Line{{0, 0}, {4, 4}}, Fill{}, std::nullopt});
         },
         "dots, lines, polylines and arcs have no inside to fill: use a stroke"},
    });
    EXPECT_TRUE(drawing.items().empty());
    drawing.add(Box{0, 0, 4, 4}, Fill{colour("red")});
    drawing.add(Box{0, 0, 2, 2}, Fill{colour("red"), {}, {}, {BlendMode::bits_xor}});
    Image floats({4, 4}, PixelFormat::rgba32f);
    EXPECT_THROW(draw(floats, drawing), ArgumentError);
    EXPECT_EQ(floats.pixel({3, 3}), Colour(0, 0, 0, 0));
}

TEST(Drawing, OwnsTheMasksOfItsPictures) {
    Drawing drawing;
    {
        const Bitmap mask("#.\n.#");
        drawing.add(Image({2, 2}, PixelFormat::rgb8, colour("teal")), {1, 1}, {.mask = &mask});
        Bitmap wrong("#");
        EXPECT_THROW(drawing.add(Image({2, 2}, PixelFormat::rgb8), {1, 1}, {.mask = &wrong}), ArgumentError);
    }
    Image image({4, 4}, PixelFormat::rgb8);
    draw(image, Drawing(drawing));
    EXPECT_EQ(image.pixel({1, 1}), colour("teal"));
    EXPECT_EQ(image.pixel({2, 1}), Colour(0, 0, 0));
}

namespace {

Drawing lights() {
    Drawing result;
    result.add(Circle{{14, 12}, 9}, Fill{colour("#ffd70080")}, Stroke{colour("white"), 2});
    result.add(Box{10, 8, 25, 14}, Fill{Colour(40, 90, 200), {}, {}, {BlendMode::multiply}});
    return result;
}

} // namespace

TEST(Drawing, AClippedGroupPaintsJustItsRegionAsItsItemsWould) {
    const Region clip = region(Circle{{18, 15}, 11}) - region(Box{15, 10, 6, 20});
    Drawing clipped;
    clipped.add(Shared<Drawing>(lights()), {.clip = Shared<Region>(clip)});
    Image whole({40, 30}, PixelFormat::rgb8, colour("teal"));
    Image unclipped = whole;
    const Image before = whole;
    draw(whole, clipped);
    draw(unclipped, lights());
    for (int i = 0; i < 40 * 30; ++i) {
        const Point at{i % 40, i / 40};
        ASSERT_EQ(whole.pixel(at), (clip.contains(at) ? unclipped : before).pixel(at)) << at.x << "," << at.y;
    }
}

TEST(Drawing, ALayerIsAPictureLaidOverWhatIsThere) {
    const Blending laid{BlendMode::screen, 150};
    const Region clip = region(Circle{{18, 15}, 11});
    for (const PixelFormat format : {PixelFormat::rgb8, PixelFormat::rgba16, PixelFormat::rgba32f}) {
        for (const bool is_clipped : {false, true}) {
            Drawing drawing;
            Drawing::GroupStyle style{.layer = laid};
            if (is_clipped) style.clip = Shared<Region>(clip);
            drawing.add(Shared<Drawing>(lights()), style);

            const PixelFormat apart = format == PixelFormat::rgb8 ? PixelFormat::rgba8 : format;
            Image layer({40, 30}, apart, Colour(0, 0, 0, 0));
            draw(layer, lights());
            if (is_clipped)
                for (int i = 0; i < 40 * 30; ++i)
                    if (!clip.contains({i % 40, i / 40}))
                        layer.set_pixel({i % 40, i / 40}, Colour(0, 0, 0, 0));
            Image expected({40, 30}, format, colour("teal"));
            Image found = expected;
            Image banded = expected;
            overlay(expected, layer, {}, {.blending = laid});
            draw(found, drawing);
            for (int y = 0; y < 30; y += 7) draw(banded.view().clipped({0, y, 40, 7}), drawing);
            EXPECT_TRUE(same(found, expected));
            EXPECT_TRUE(same(banded, expected));
        }
    }
}

TEST(Drawing, GroupsLieWithinEachOtherSoOften) {
    Drawing drawing = lights();
    for (int i = 0; i < Drawing::deepest_groups; ++i) {
        Drawing outer;
        outer.add(Shared<Drawing>(drawing), {.layer = Blending{}});
        drawing = outer;
    }
    Image image({40, 30}, PixelFormat::rgba8);
    Image plain = image;
    draw(image, drawing);
    Drawing once;
    once.add(Shared<Drawing>(lights()), {.layer = Blending{}});
    draw(plain, once);
    EXPECT_TRUE(same(image, plain));
    Drawing outer;
    expect_errors<ArgumentError>({{[&] { outer.add(drawing, Drawing::GroupStyle()); },
                                   "groups of a drawing lie within each other more than 64 times"}});
}

} // namespace coldbrick::test
