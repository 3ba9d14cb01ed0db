#include "support/pixel_set.hpp"

#include <coldbrick/draw.hpp>

#include <gtest/gtest.h>

#include <algorithm>
#include <ostream>

namespace coldbrick::test {

namespace {

constexpr auto canary = std::byte{0xA5};
constexpr std::size_t margin = 64; ///< canaries before the first row and after the last
constexpr std::size_t padding = 5; ///< canaries between rows

/// Black gray8 pixels, guarded.
class GuardedPixels {
  public:
    explicit GuardedPixels(Size size)
        : size_(size), stride_(static_cast<std::size_t>(size.width) + padding),
          bytes_(2 * margin + stride_ * static_cast<std::size_t>(size.height), canary) {
        for (std::int32_t y = 0; y < size.height; ++y) std::fill_n(row(y), size.width, std::byte{0});
    }

    ImageView view() {
        return {bytes_.data() + margin, size_, PixelFormat::gray8, static_cast<std::ptrdiff_t>(stride_)};
    }

    std::byte* row(std::int32_t y) { return bytes_.data() + margin + static_cast<std::size_t>(y) * stride_; }

    [[nodiscard]] bool guards_hold() const {
        const auto hold = [this](std::size_t begin, std::size_t end) {
            return std::all_of(bytes_.data() + begin, bytes_.data() + end,
                               [](std::byte b) { return b == canary; });
        };
        const auto width = static_cast<std::size_t>(size_.width);
        std::size_t begin = 0; // of the canaries before the next row
        for (std::size_t at = margin; at < bytes_.size() - margin; at += stride_) {
            if (!hold(begin, at)) return false;
            begin = at + width;
        }
        return hold(begin, bytes_.size());
    }

    /// The pixels that have the value. Fails the test if one has neither it nor 0.
    PixelSet with_value(std::byte value) {
        PixelSet result(size_);
        for (std::int32_t y = 0; y < size_.height; ++y) {
            const std::byte* const pixels = row(y);
            for (std::int32_t x = 0; x < size_.width; ++x) {
                if (pixels[x] == std::byte{0}) continue;
                if (pixels[x] == value)
                    result.insert(x, y);
                else
                    ADD_FAILURE() << "pixel (" << x << ", " << y << ") is " << std::to_integer<int>(pixels[x])
                                  << ", not " << std::to_integer<int>(value) << ": painted more than once";
            }
        }
        return result;
    }

  private:
    Size size_;
    std::size_t stride_;
    std::vector<std::byte> bytes_;
};

} // namespace

PixelSet PixelSet::where(Size size, const std::function<bool(std::int64_t, std::int64_t)>& rule) {
    PixelSet result(size);
    for (std::int64_t y = 0; y < size.height; ++y)
        for (std::int64_t x = 0; x < size.width; ++x)
            if (rule(x, y)) result.insert(x, y);
    return result;
}

std::int64_t PixelSet::count() const {
    return std::ranges::count(pixels_, 1);
}

std::ostream& operator<<(std::ostream& out, const PixelSet& set) {
    out << '\n';
    for (std::int32_t y = 0; y < set.size().height; ++y) {
        for (std::int32_t x = 0; x < set.size().width; ++x) out << (set.contains(x, y) ? '#' : '.');
        out << '\n';
    }
    return out;
}

PixelSet painted(Size size, const std::function<void(const ImageView&, const Colour&)>& draw_call) {
    GuardedPixels opaque(size);
    draw_call(opaque.view(), Colour(255, 255, 255));
    GuardedPixels half(size);
    draw_call(half.view(), Colour(255, 255, 255, 128));
    EXPECT_TRUE(opaque.guards_hold() && half.guards_hold()) << "memory outside the pixels was written";
    PixelSet result = opaque.with_value(std::byte{255});
    EXPECT_EQ(half.with_value(std::byte{128}), result) << "a see-through colour paints other pixels";
    return result;
}

PixelSet filled(Size size, const Shape& shape, Fill fill) {
    return painted(size, [&](const ImageView& view, const Colour& colour) {
        fill.paint = colour;
        const auto draw_one = [&]<class S>(const S& one) {
            if constexpr (ClosedShape<S>) draw(view, one, fill);
        };
        std::visit(draw_one, shape);
    });
}

PixelSet stroked(Size size, const Shape& shape, Stroke stroke) {
    return painted(size, [&](const ImageView& view, const Colour& colour) {
        stroke.paint = colour;
        std::visit([&](const auto& one) { draw(view, one, stroke); }, shape);
    });
}

} // namespace coldbrick::test
