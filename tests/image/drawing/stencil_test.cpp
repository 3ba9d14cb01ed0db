#include <coldbrick/coldbrick.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

namespace {

/// The smooth coverages of a shape in a box of the image.
Stencil stencil_of(const Circle& shape, const Box& box) {
    Image coverage({static_cast<std::int32_t>(box.width), static_cast<std::int32_t>(box.height)},
                   PixelFormat::gray8);
    draw(coverage, shape.moved(-box.x, -box.y), Fill{.paint = colour("white"), .edges = Edges::smooth});
    return {Shared<Image>(std::move(coverage)),
            {static_cast<std::int32_t>(box.x), static_cast<std::int32_t>(box.y)}};
}

bool same_pixels(const Image& a, const Image& b) {
    return difference(a, b).pixels == 0;
}

} // namespace

RC_GTEST_PROP(Stencil, PaintsWhatTheSmoothShapePaints, ()) {
    const Circle circle{{*rc::gen::inRange(-20, 60), *rc::gen::inRange(-20, 60)}, *rc::gen::inRange(0, 30)};
    const auto mode =
        *rc::gen::element(BlendMode::source_over, BlendMode::copy, BlendMode::invert, BlendMode::multiply);
    const auto format = *rc::gen::element(PixelFormat::rgb8, PixelFormat::rgba8, PixelFormat::gray8,
                                          PixelFormat::rgba16, PixelFormat::rgb565);
    const Blending blending{mode, *rc::gen::element<std::uint8_t>(255, 100)};
    const Box clip{*rc::gen::inRange(0, 20), *rc::gen::inRange(0, 20), *rc::gen::inRange(0, 30),
                   *rc::gen::inRange(0, 30)};
    const Paint paint(Colour{200, 40, 90, 180});
    Image expected({40, 40}, format, Colour{20, 120, 220, 130});
    Image image = expected;
    draw(expected.view().clipped(clip), circle,
         Fill{.paint = paint, .blending = blending, .edges = Edges::smooth});
    const Stencil stencil = stencil_of(circle, circle.bounds().inset(-1));
    draw(image.view().clipped(clip), stencil, paint, blending);
    RC_ASSERT(same_pixels(image, expected));
    RC_ASSERT(region(stencil) == region(circle, Fill{.paint = paint, .edges = Edges::smooth}));
    Drawing drawing;
    drawing.add(stencil, paint, blending);
    Image drawn({40, 40}, format, Colour{20, 120, 220, 130});
    draw(drawn.view().clipped(clip), drawing);
    RC_ASSERT(same_pixels(drawn, image));
}

TEST(Stencil, PatternsThatBelongToTheShapeCountFromItsCorner) {
    const Image white({3, 2}, PixelFormat::gray8, colour("white"));
    Image image({8, 8}, PixelFormat::rgb8);
    Image dots({2, 2}, PixelFormat::rgb8, colour("red"));
    dots.set_pixel({0, 0}, colour("gold"));
    draw(image, Stencil{white, {3, 4}}, Paint(texture(dots, PatternOrigin::shape)));
    EXPECT_EQ(image.pixel({3, 4}), colour("gold"));
    EXPECT_EQ(image.pixel({4, 4}), colour("red"));
    EXPECT_EQ(image.pixel({5, 4}), colour("gold"));
    EXPECT_EQ(image.pixel({3, 6}), colour("black"));
}

TEST(Stencil, OtherFormatsAndPlacesBeyondAllPixelsAreRefused) {
    const Stencil colourful{Image({2, 2}, PixelFormat::rgb8), {}};
    Image image({4, 4}, PixelFormat::rgb8);
    Drawing drawing;
    const auto message = [](const auto& action) {
        try {
            action();
        } catch (const ArgumentError& error) {
            return std::string(error.what());
        }
        return std::string();
    };
    const std::string refusal = "a stencil has the format rgb8; its coverages are those of gray8";
    EXPECT_EQ(message([&] { draw(image, colourful, colour("red")); }), refusal);
    EXPECT_EQ(message([&] { drawing.add(colourful, colour("red")); }), refusal);
    EXPECT_EQ(message([&] { (void)region(colourful); }), refusal);
    const Stencil far{Image({2, 2}, PixelFormat::gray8, colour("white")), {2147483647, 2147483647}};
    EXPECT_NO_THROW(draw(image, far, colour("red")));
    EXPECT_NE(message([&] { (void)region(far); }).find("stencil's last row"), std::string::npos);
}

} // namespace coldbrick::test
