// The guards of the tests themselves: painted() sees what it is there to see.

#include "support/pixel_set.hpp"

#include <coldbrick/draw.hpp>

#include <gtest/gtest-spi.h>
#include <gtest/gtest.h>

namespace coldbrick::test {

namespace {

constexpr Size window{7, 3};

/// Paints a call that also writes a byte so far from the first pixel.
PixelSet painted_with_stray_byte(std::ptrdiff_t offset) {
    return painted(window, [offset](const ImageView& view, const Colour& colour) {
        draw(view, Box{1, 1, 3, 1}, Fill{colour});
        view.bytes()[offset] = std::byte{1};
    });
}

} // namespace

TEST(PixelSet, TheGuardsSeeBytesOutsideThePixels) {
    EXPECT_EQ(painted(window,
                      [](const ImageView& whole, const Colour& colour) {
                          draw(whole, Box{1, 1, 3, 1}, Fill{colour});
                      })
                  .count(),
              3);
    constexpr std::ptrdiff_t stride = 12; // five canaries between rows
    for (const std::ptrdiff_t outside : {std::ptrdiff_t{-1}, std::ptrdiff_t{-64}, std::ptrdiff_t{7},
                                         stride - 1, 2 * stride + 7, 2 * stride + 70})
        EXPECT_NONFATAL_FAILURE(painted_with_stray_byte(outside), "memory outside the pixels was written");
}

TEST(PixelSet, PaintingAPixelTwiceIsSeen) {
    const auto paint_twice = [] {
        return painted({2, 1}, [](const ImageView& view, const Colour& colour) {
            draw(view, Box{0, 0, 1, 1}, Fill{colour});
            draw(view, Box{0, 0, 1, 1}, Fill{colour});
        });
    };
    testing::TestPartResultArray failures;
    {
        const testing::ScopedFakeTestPartResultReporter reporter(
            testing::ScopedFakeTestPartResultReporter::INTERCEPT_ONLY_CURRENT_THREAD, &failures);
        (void)paint_twice();
    }
    ASSERT_GE(failures.size(), 1);
    EXPECT_NE(std::string(failures.GetTestPartResult(0).message()).find("painted more than once"),
              std::string::npos);
}

} // namespace coldbrick::test
