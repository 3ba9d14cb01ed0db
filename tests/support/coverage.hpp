/// @file
/// How much of each pixel a call covers.
#pragma once

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <cstdint>
#include <functional>
#include <vector>

namespace coldbrick::test {

/// Numbers 0..255, row by row.
struct Coverages {
    Size size;
    std::vector<int> values;

    [[nodiscard]] int at(std::int64_t x, std::int64_t y) const {
        return values.at(static_cast<std::size_t>(y * size.width + x));
    }
    [[nodiscard]] std::int64_t sum() const {
        std::int64_t result = 0;
        for (const int value : values) result += value;
        return result;
    }
    friend bool operator==(const Coverages&, const Coverages&) = default;
};

std::ostream& operator<<(std::ostream& out, const Coverages& coverages);

/// What a call that paints white covers in a window from (0, 0). The test fails if a pixel outside the window
/// is touched, or if one is painted twice.
Coverages covered(Size size,
                  const std::function<void(const ImageView& view, const Colour& colour)>& draw_call);

/// A shape with smooth edges; the style's own colour does not matter.
template <class S>
Coverages covered_by(Size size, const S& shape, Fill fill = {}) {
    fill.edges = Edges::smooth;
    return covered(size, [&](const ImageView& view, const Colour& colour) {
        fill.paint = colour;
        draw(view, shape, fill);
    });
}
template <class S>
Coverages covered_by(Size size, const S& shape, Stroke stroke) {
    stroke.edges = Edges::smooth;
    return covered(size, [&](const ImageView& view, const Colour& colour) {
        stroke.paint = colour;
        draw(view, shape, stroke);
    });
}

} // namespace coldbrick::test
