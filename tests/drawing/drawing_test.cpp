// A drawing paints what the single calls paint, in their order, in any band.

#include <coldbrick/draw.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>

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

} // namespace coldbrick::test
