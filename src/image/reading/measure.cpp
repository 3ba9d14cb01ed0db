#include <coldbrick/measure.hpp>

#include "base/range_checks.hpp"
#include "geometry/shape_checks.hpp"
#include "image/reading/colour_gap.hpp"
#include "image/reading/pixel_reader.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <span>
#include <unordered_map>
#include <utility>
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

/// Adds a pixel right of or below those before.
void add_pixel(std::vector<Span>& spans, std::int32_t x, std::int32_t y) {
    if (!spans.empty() && spans.back().y == y && spans.back().x_end == x)
        ++spans.back().x_end;
    else
        spans.push_back({y, x, std::int64_t{x} + 1});
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

Difference difference(const ConstImageView& a, const ConstImageView& b, const Comparison& comparison) {
    if (a.size() != b.size())
        throw ArgumentError(fmt::format("images of {} x {} and {} x {} cannot be compared", a.width(),
                                        a.height(), b.width(), b.height()));
    base::check_range("tolerance", comparison.tolerance, 0, 255);
    image::check_palette(b);
    Difference result{.picture = Image(a.size(), PixelFormat::rgba8)};
    const image::PixelReader<Colour> other(b);
    std::array<std::int64_t, 4> sums{};
    std::vector<Span> differing;
    for_each_pixel(a, [&](std::int32_t x, std::int32_t y, const Colour& colour) {
        for (const Box& box : comparison.ignored)
            if (box.contains({x, y})) return result.picture.set_pixel({x, y}, Colour(0, 0, 0));
        ++result.compared;
        const image::ColourGap gap(colour, other.at(x, y));
        result.picture.set_pixel({x, y}, {gap.red, gap.green, gap.blue, 255 - gap.alpha});
        if (gap.largest() == 0) return;
        const std::array<int, 4> gaps{gap.red, gap.green, gap.blue, gap.alpha};
        for (std::size_t i = 0; i < gaps.size(); ++i) {
            sums[i] += gaps[i];
            result.largest_of[i] = std::max(result.largest_of[i], gaps[i]);
        }
        if (gap.largest() > comparison.tolerance) add_pixel(differing, x, y);
    });
    result.largest = *std::ranges::max_element(result.largest_of);
    for (std::size_t i = 0; i < sums.size(); ++i)
        if (result.compared > 0)
            result.mean_of[i] = static_cast<double>(sums[i]) / static_cast<double>(result.compared);
    result.region = Region(std::move(differing));
    result.pixels = result.region.area();
    result.bounds = result.region.bounds();
    return result;
}

Image amplified(const ConstImageView& image, int factor) {
    base::check_range("factor", factor, 1, 255);
    Image result(image.size(), PixelFormat::rgb8);
    const auto times = [factor](int channel) { return std::min(channel * factor, 255); };
    for_each_pixel(image, [&](std::int32_t x, std::int32_t y, const Colour& colour) {
        result.set_pixel({x, y}, {times(colour.red), times(colour.green), times(colour.blue)});
    });
    return result;
}

Image highlighted(const ConstImageView& image, const Region& region) {
    const bool has_alpha = layout(image.format()).has_alpha();
    Image result(image.size(), has_alpha ? PixelFormat::rgba8 : PixelFormat::rgb8);
    auto span = region.spans().begin();
    const auto is_before = [&](std::int32_t x, std::int32_t y) {
        return span->y < y || (span->y == y && span->x_end <= x);
    };
    for_each_pixel(image, [&](std::int32_t x, std::int32_t y, const Colour& colour) {
        while (span != region.spans().end() && is_before(x, y)) ++span;
        const bool inside = span != region.spans().end() && span->y == y && span->x_begin <= x;
        const int dim = 24 + paint::gray_of(colour) / 5;
        result.set_pixel({x, y}, inside ? colour : Colour(dim, dim, dim, colour.alpha));
    });
    return result;
}

Region pixels_like(const ConstImageView& image, const Colour& colour, int tolerance) {
    base::check_range("tolerance", tolerance, 0, 255);
    std::vector<Span> spans;
    for_each_pixel(image, [&](std::int32_t x, std::int32_t y, const Colour& pixel) {
        if (image::ColourGap(pixel, colour).largest() <= tolerance) add_pixel(spans, x, y);
    });
    return Region(std::move(spans));
}

ColourCounts count_colours(const ConstImageView& image, std::size_t most) {
    const auto number_of = [](const Colour& colour) {
        return std::uint32_t{colour.red} << 24 | std::uint32_t{colour.green} << 16 |
               std::uint32_t{colour.blue} << 8 | colour.alpha;
    };
    std::unordered_map<std::uint32_t, std::int64_t> counts;
    std::uint32_t last = 0;
    std::int64_t* count = nullptr;
    for_each_pixel(image, [&](std::int32_t, std::int32_t, const Colour& colour) {
        const std::uint32_t number = number_of(colour);
        if (count == nullptr || number != last) count = &counts[number];
        last = number;
        ++*count;
    });
    std::vector<std::pair<std::uint32_t, std::int64_t>> sorted(counts.begin(), counts.end());
    const auto commoner = [](const auto& a, const auto& b) {
        return a.second != b.second ? a.second > b.second : a.first < b.first;
    };
    const std::size_t kept = std::min(most, sorted.size());
    std::partial_sort(sorted.begin(), sorted.begin() + static_cast<std::ptrdiff_t>(kept), sorted.end(),
                      commoner);
    ColourCounts result{static_cast<std::int64_t>(sorted.size()), {}};
    const auto channel = [](std::uint32_t number, int shift) {
        return static_cast<int>(number >> shift & 255);
    };
    for (const auto& [number, pixels] : std::span(sorted).first(kept))
        result.commonest.push_back(
            {Colour(channel(number, 24), channel(number, 16), channel(number, 8), channel(number, 0)),
             pixels});
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
