#include <coldbrick/measure.hpp>

#include "geometry/shape_checks.hpp"
#include "image/colour_gap.hpp"
#include "image/pixel_reader.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cstdlib>
#include <vector>

namespace coldbrick {

namespace {

/// Calls visit(x, y, colour) for all pixels.
template <class Visit>
void for_each_pixel(const ConstImageView& image, Visit visit) {
    image::check_palette(image);
    const image::PixelReader<Colour> reader(image);
    std::vector<Colour> colours(static_cast<std::size_t>(image.width()));
    for (std::int32_t y = 0; y < image.height(); ++y) {
        reader.row(0, y, colours);
        std::int32_t x = 0;
        for (const Colour& colour : colours) visit(x++, y, colour);
    }
}

/// A box that grows around pixels.
class GrowingBox {
  public:
    void add(std::int32_t x, std::int32_t y) {
        box_ = box_.empty() ? Box{x, y, 1, 1}
                            : Box{std::min<std::int64_t>(box_.x, x), std::min<std::int64_t>(box_.y, y), 0, 0};
        right_ = std::max(right_, x);
        bottom_ = std::max(bottom_, y);
        box_.width = right_ - box_.x + 1;
        box_.height = bottom_ - box_.y + 1;
    }

    [[nodiscard]] const Box& box() const { return box_; }

  private:
    Box box_;
    std::int32_t right_ = 0;
    std::int32_t bottom_ = 0;
};

} // namespace

Difference difference(const ConstImageView& a, const ConstImageView& b) {
    if (a.size() != b.size())
        throw ArgumentError(fmt::format("images of {} x {} and {} x {} cannot be compared", a.width(),
                                        a.height(), b.width(), b.height()));
    image::check_palette(b);
    Difference result{0, 0, {}, Image(a.size(), PixelFormat::rgba8)};
    const image::PixelReader<Colour> other(b);
    GrowingBox extent;
    for_each_pixel(a, [&](std::int32_t x, std::int32_t y, const Colour& colour) {
        const image::ColourGap gap(colour, other.at(x, y));
        result.picture.set_pixel({x, y}, {gap.red, gap.green, gap.blue, 255 - gap.alpha});
        if (gap.largest() == 0) return;
        ++result.pixels;
        result.largest = std::max(result.largest, gap.largest());
        extent.add(x, y);
    });
    result.bounds = extent.box();
    return result;
}

Box extent_of_content(const ConstImageView& image, const Colour& ground) {
    GrowingBox extent;
    for_each_pixel(image, [&](std::int32_t x, std::int32_t y, const Colour& colour) {
        if (colour != ground) extent.add(x, y);
    });
    return extent.box();
}

std::array<std::int64_t, 256> histogram(const ConstImageView& image, Channel channel) {
    base::check_choice("channel", channel, Channel::gray);
    std::array<std::int64_t, 256> counts{};
    for_each_pixel(image, [&](std::int32_t, std::int32_t, const Colour& colour) {
        const auto value = [&]() -> std::uint8_t {
            switch (channel) {
            case Channel::red: return colour.red;
            case Channel::green: return colour.green;
            case Channel::blue: return colour.blue;
            case Channel::alpha: return colour.alpha;
            default: return paint::gray_of(colour);
            }
        };
        ++counts[value()];
    });
    return counts;
}

} // namespace coldbrick
