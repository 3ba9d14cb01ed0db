/// @file
/// Sets of pixels: what a call draws, and what a rule says, to be compared.
#pragma once

#include <coldbrick/fill.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <cstdint>
#include <functional>
#include <iosfwd>
#include <vector>

namespace coldbrick::test {

/// The pixels of a window from (0, 0), each in the set or not. Prints as a picture.
class PixelSet {
  public:
    explicit PixelSet(Size size)
        : size_(size), pixels_(static_cast<std::size_t>(size.width) * static_cast<std::size_t>(size.height)) {
    }

    /// The pixels for which the rule holds, asked one by one.
    static PixelSet where(Size size, const std::function<bool(std::int64_t x, std::int64_t y)>& rule);

    [[nodiscard]] Size size() const { return size_; }
    [[nodiscard]] bool contains(std::int64_t x, std::int64_t y) const {
        return x >= 0 && x < size_.width && y >= 0 && y < size_.height && pixels_[index(x, y)] != 0;
    }
    void insert(std::int64_t x, std::int64_t y) { pixels_.at(index(x, y)) = 1; }
    [[nodiscard]] std::int64_t count() const;

    friend bool operator==(const PixelSet&, const PixelSet&) = default;

  private:
    Size size_;
    [[nodiscard]] std::size_t index(std::int64_t x, std::int64_t y) const {
        return static_cast<std::size_t>(y * size_.width + x);
    }

    std::vector<std::uint8_t> pixels_; ///< 1 for those in the set
};

std::ostream& operator<<(std::ostream& out, const PixelSet& set);

/// What a drawing call paints in a window from (0, 0).
///
/// The call is made twice, in an opaque and in a half see-through colour, on gray memory with padded rows and
/// canaries all round. The test fails if the two sets differ, if a pixel is painted twice, or if a canary is
/// touched.
PixelSet painted(Size size,
                 const std::function<void(const ImageView& view, const Colour& colour)>& draw_call);

/// What drawing a shape paints; the style's own colour does not matter. An open shape fills nothing.
PixelSet filled(Size size, const Shape& shape, Fill fill = {});
PixelSet stroked(Size size, const Shape& shape, Stroke stroke = {});

} // namespace coldbrick::test
