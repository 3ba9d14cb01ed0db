#include "support/coverage.hpp"

#include <gtest/gtest.h>

#include <iomanip>
#include <ostream>

namespace coldbrick::test {

std::ostream& operator<<(std::ostream& out, const Coverages& coverages) {
    out << coverages.size.width << " x " << coverages.size.height << '\n';
    for (std::int64_t y = 0; y < coverages.size.height; ++y) {
        for (std::int64_t x = 0; x < coverages.size.width; ++x) out << std::setw(4) << coverages.at(x, y);
        out << '\n';
    }
    return out;
}

namespace {

constexpr int margin = 2;

/// What a call leaves of black.
Image painted_on_black(Size size, const std::function<void(const ImageView&, const Colour&)>& draw_call,
                       const Colour& colour) {
    Image image({size.width + 2 * margin, size.height + 2 * margin}, PixelFormat::gray8, Colour(0, 0, 0));
    const ImageView all = image.view();
    const ImageView window(all.bytes() + margin * all.row_stride_bytes() + margin, size, PixelFormat::gray8,
                           all.row_stride_bytes());
    draw_call(window, colour);
    return image;
}

} // namespace

Coverages covered(Size size,
                  const std::function<void(const ImageView& view, const Colour& colour)>& draw_call) {
    const Box window{margin, margin, size.width, size.height};
    const Image opaque = painted_on_black(size, draw_call, Colour(255, 255, 255));
    const Image half = painted_on_black(size, draw_call, Colour(255, 255, 255, 128));
    Coverages result{size, {}};
    for (std::int32_t y = 0; y < opaque.size().height; ++y)
        for (std::int32_t x = 0; x < opaque.size().width; ++x) {
            const int value = opaque.pixel({x, y}).red;
            EXPECT_EQ(half.pixel({x, y}).red, (2 * 128 * value + 255) / 510)
                << "painted twice at (" << x - margin << ", " << y - margin << ')';
            if (window.contains({x, y}))
                result.values.push_back(value);
            else
                EXPECT_EQ(value, 0) << "outside the window";
        }
    return result;
}

} // namespace coldbrick::test
