// What is written straight to memory has the pixels of the raster layer's spans, in every format and layout
// of rows; and what can be written so, is.

#include "image/drawing/draw_pipeline.hpp"
#include "paint/blending/composite_integers.hpp"
#include "paint/blending/composite_reals.hpp"
#include "support/formats.hpp"
#include "support/generators.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/region.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <span>
#include <variant>
#include <vector>

namespace coldbrick::test {

namespace {

constexpr Size window{37, 29};
const Colour ground(0, 0, 0);    // NOLINT(cert-err58-cpp): plain values, likewise below
const Colour ink(255, 255, 255); // NOLINT(cert-err58-cpp)

/// A picture whose rows have odd gaps between them or lie bottom-up, in a frame that must stay as it is.
class OddPicture {
  public:
    OddPicture(PixelFormat format, std::ptrdiff_t gap, bool bottom_up)
        : stride_(window.width * layout(format).bytes + gap),
          bytes_(static_cast<std::size_t>(stride_ * (window.height + 2)), std::byte{0x5a}),
          view_(bytes_.data() + stride_ * (bottom_up ? window.height : 1), window, format,
                bottom_up ? -stride_ : stride_) {
        clear(view_, ground);
        before_ = bytes_;
    }

    [[nodiscard]] const ImageView& view() const { return view_; }

    /// True if just the region's pixels in the clip have the ink.
    [[nodiscard]] bool shows(const Region& region, const Box& clip) const {
        for (std::int32_t y = 0; y < window.height; ++y)
            for (std::int32_t x = 0; x < window.width; ++x) {
                const bool inked = clip.contains({x, y}) && region.contains({x, y});
                if (view_.pixel({x, y}) != stored(inked ? ink : ground)) return false;
            }
        return true;
    }

    /// True if no byte outside of the pixels has changed.
    [[nodiscard]] bool keeps_its_frame() {
        clear(view_, ground);
        return bytes_ == before_;
    }

  private:
    /// The colour as the format holds it.
    [[nodiscard]] Colour stored(const Colour& colour) const {
        return Image({1, 1}, view_.format(), colour).pixel({0, 0});
    }

    std::ptrdiff_t stride_;
    std::vector<std::byte> bytes_;
    std::vector<std::byte> before_;
    ImageView view_;
};

Shape any_plain_shape() {
    switch (*rc::gen::inRange(0, 6)) {
    case 0: return *any_box(window);
    case 1: return *any_circle(window);
    case 2: return *any_line(window);
    case 3: {
        const Point centre = *any_point_near(window);
        return Ellipse::about(centre, *rc::gen::inRange(0, 20), *rc::gen::inRange(0, 20));
    }
    case 4: return *any_polygon(window);
    default: {
        Polyline polyline{{}, *rc::gen::arbitrary<bool>()};
        for (int n = *rc::gen::inRange(1, 6); n > 0; --n) polyline.points.push_back(*any_point_near(window));
        return polyline;
    }
    }
}

} // namespace

RC_GTEST_PROP(PlainShapes, AreTheSpansInEveryFormat, ()) {
    const auto format = *rc::gen::elementOf(all_formats);
    OddPicture picture(format, *rc::gen::inRange(0, 8), *rc::gen::arbitrary<bool>());
    const Box clip = *rc::gen::inRange(0, 3) == 0 ? *any_box(window) : Box::of(window);
    const ImageView view = picture.view().clipped(clip);
    const Shape shape = any_plain_shape();
    Stroke stroke{ink};
    if (*rc::gen::inRange(0, 3) == 0)
        stroke.dashes = {{*rc::gen::inRange(0, 5) * 0.75, 2.5}, *rc::gen::inRange(-9, 9) / 2.0};
    if (!stroke.dashes.lengths.empty() && stroke.dashes.lengths[0] == 0) stroke.dashes.lengths[0] = 1;
    const Fill fill{ink};
    const bool fills = *rc::gen::arbitrary<bool>();
    Region wanted;
    const auto draw_one = [&]<class S>(const S& one) {
        if constexpr (ClosedShape<S>)
            if (fills) {
                draw(view, one, fill);
                wanted = region(one, fill, Box::of(window));
                return;
            }
        draw(view, one, stroke);
        wanted = region(one, stroke, Box::of(window));
    };
    std::visit(draw_one, shape);
    RC_ASSERT(picture.shows(wanted, clip));
    RC_ASSERT(picture.keeps_its_frame());
}

RC_GTEST_PROP(PlainShapes, SeeThroughColoursAreMixedAsInSpans, ()) {
    const Colour film(*rc::gen::inRange(0, 256), 40, 250, *rc::gen::inRange(0, 256));
    Image one(window, *rc::gen::elementOf(all_formats), ground);
    const bool opaque = *rc::gen::arbitrary<bool>();
    for (std::int32_t i = 0; i < window.width * window.height; ++i)
        one.set_pixel({i % window.width, i / window.width},
                      Colour(i * 7 % 256, i * i % 256, i * 31 % 256, opaque || i % 5 < 3 ? 255 : i % 256));
    Image other = one;
    const Shape shape = any_plain_shape();
    const bool fills = *rc::gen::arbitrary<bool>();
    const bool as_array = *rc::gen::arbitrary<bool>();
    const auto draw_both = [&]<class S>(const S& shape_of_type) {
        const auto draw_styled = [&](const auto& style) {
            if (as_array)
                draw(one, std::span(&shape, 1), style);
            else
                draw(one, shape_of_type, style);
            draw(other, region(shape_of_type, style, Box::of(window)), film);
        };
        if constexpr (ClosedShape<S>)
            if (fills) return draw_styled(Fill{film});
        draw_styled(Stroke{film});
    };
    std::visit(draw_both, shape);
    for (std::int32_t y = 0; y < window.height; ++y)
        RC_ASSERT(std::ranges::equal(one.view().row(y), other.view().row(y)));
}

RC_GTEST_PROP(PlainShapes, PointsAreDrawnAsTheShapesOfThem, ()) {
    std::vector<Point> points;
    for (int n = *rc::gen::inRange(1, 9); n > 0; --n) points.push_back(*any_point_near(window));
    const bool closed = *rc::gen::arbitrary<bool>();
    Stroke stroke = *any_stroke();
    stroke.paint = *rc::gen::element(ink, Colour(90, 200, 10, 100));
    Fill fill{stroke.paint, *rc::gen::element(FillRule::even_odd, FillRule::non_zero),
              *rc::gen::element(FillExtent::whole, FillExtent::tiling)};
    fill.edges = *rc::gen::element(Edges::crisp, Edges::smooth);
    Image one(window, PixelFormat::rgba8, ground);
    Image other = one;
    draw(one, points, fill);
    draw(one, points, stroke, closed);
    draw(other, Polygon(points), fill);
    draw(other, Polyline{points, closed}, stroke);
    for (std::int32_t y = 0; y < window.height; ++y)
        RC_ASSERT(std::ranges::equal(one.view().row(y), other.view().row(y)));
}

TEST(PlainShapes, AreWrittenStraightToMemory) {
    for (const PixelFormat format : all_formats) {
        const bool bytes = layout(format).kind == PixelLayout::Kind::bytes;
        const auto* const name = layout(format).name.data();
        Image drawn(window, format);
        EXPECT_EQ(image::draw_plainly(drawn, Box{3, 4, 7, 5}, Fill{ink}), bytes) << name;
        EXPECT_EQ(image::draw_plainly(drawn, Circle{{15, 15}, 6}, Fill{ink}), bytes) << name;
        EXPECT_EQ(image::draw_plainly(drawn, Circle{{15, 15}, 6}, Stroke{ink}), bytes) << name;
        EXPECT_EQ(image::draw_plainly(drawn, Line{{1, 2}, {30, 20}}, Stroke{ink}), bytes) << name;
        EXPECT_EQ(image::draw_plainly(drawn, Line{{1, 2}, {900, 20}}, Stroke{ink}), bytes) << name;
        EXPECT_EQ(image::draw_plainly(drawn, Ellipse{{2, 3, 9, 7}}, Stroke{ink}), bytes) << name;
        EXPECT_EQ(image::draw_plainly(drawn, Ellipse{{2, 3, 29, 21}}, Stroke{ink}), bytes) << name;
    }
    Image image(window, PixelFormat::rgb8);
    const auto is_plain = [&](const Stroke& stroke) {
        return image::draw_plainly(image, Line{{1, 2}, {9, 9}}, stroke);
    };
    EXPECT_TRUE(is_plain(Stroke{ink}));
    EXPECT_TRUE(is_plain(Stroke{Colour(1, 2, 3, 4)}));
    EXPECT_FALSE(is_plain(Stroke{Colour(1, 2, 3, 0)}));
    EXPECT_FALSE(is_plain(Stroke{Colour16{1, 2, 3, 4}}));
    EXPECT_FALSE(is_plain(Stroke{ink, 2}));
    Stroke stroke{ink};
    stroke.blending.opacity = 254;
    EXPECT_FALSE(is_plain(stroke));
    EXPECT_FALSE(image::draw_plainly(image.view().masked({.red = false}), Line{{1, 2}, {9, 9}}, Stroke{ink}));
    EXPECT_FALSE(image::draw_plainly(image, Circle{{5, 5}, -1}, Fill{ink})) << "left to be refused";
}

TEST(PlainShapes, ModesGoByRuns) {
    using Mode = BlendMode;
    Image bytes({4, 4}, PixelFormat::rgba8);
    Image words({4, 4}, PixelFormat::rgb16);
    Image floats({4, 4}, PixelFormat::rgba32f);
    for (auto mode = Mode::source_over; mode <= Mode::exclusion;
         mode = static_cast<Mode>(static_cast<int>(mode) + 1)) {
        const bool divides =
            mode == Mode::colour_dodge || mode == Mode::colour_burn || mode == Mode::soft_light;
        const Blending blending{mode};
        EXPECT_EQ(paint::composites_integers(image::surface_of(bytes), blending, false), !divides)
            << int(mode);
        EXPECT_EQ(paint::composites_integers(image::surface_of(words), blending, false), !divides)
            << int(mode);
        EXPECT_TRUE(paint::composites_reals(image::surface_of(floats), blending)) << int(mode);
    }
}

} // namespace coldbrick::test
