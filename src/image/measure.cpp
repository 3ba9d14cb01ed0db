#include <coldbrick/measure.hpp>

#include "geometry/shape_checks.hpp"
#include "image/pixel_reader.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cstdlib>
#include <vector>

namespace coldbrick {

namespace {

/// The channels' differences.
struct Gap {
    int red;
    int green;
    int blue;
    int alpha;

    Gap(const Colour& a, const Colour& b)
        : red(std::abs(a.red - b.red)), green(std::abs(a.green - b.green)), blue(std::abs(a.blue - b.blue)),
          alpha(std::abs(a.alpha - b.alpha)) {}

    [[nodiscard]] int largest() const { return std::max({red, green, blue, alpha}); }
};

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
class Extent {
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

/// Spreads over an image run by run: Smith, "Tint Fill", Computer Graphics 13(2), 1979.
class Spread {
  public:
    Spread(const ConstImageView& image, Point from, const Flood& flood)
        : reader_(image), width_(image.width()), height_(image.height()), flood_(flood),
          wanted_(reader_.at(from.x, from.y)),
          reached_(static_cast<std::size_t>(width_) * static_cast<std::size_t>(height_)) {
        add_run_at(from.x, from.y);
    }

    std::vector<Span> run() {
        while (!open_.empty()) {
            const Span span = open_.back();
            open_.pop_back();
            const std::int64_t wider = flood_.diagonally ? 1 : 0;
            visit_neighbours(span, span.y - 1, wider);
            visit_neighbours(span, span.y + 1, wider);
        }
        return std::move(spans_);
    }

  private:
    [[nodiscard]] bool is_open(std::int64_t x, std::int64_t y) const {
        const auto index = static_cast<std::size_t>(y * width_ + x);
        return !reached_[index] && Gap(reader_.at(x, y), wanted_).largest() <= flood_.tolerance;
    }

    void visit_neighbours(const Span& span, std::int64_t y, std::int64_t wider) {
        if (y < 0 || y >= height_) return;
        const std::int64_t end = std::min(span.x_end + wider, width_);
        for (std::int64_t x = std::max<std::int64_t>(span.x_begin - wider, 0); x < end; ++x)
            if (is_open(x, y)) x = add_run_at(x, y);
    }

    /// Adds the whole run of open pixels around one; returns its end.
    std::int64_t add_run_at(std::int64_t x, std::int64_t y) {
        std::int64_t begin = x;
        std::int64_t end = x + 1;
        while (begin > 0 && is_open(begin - 1, y)) --begin;
        while (end < width_ && is_open(end, y)) ++end;
        for (std::int64_t at = begin; at < end; ++at)
            reached_[static_cast<std::size_t>(y * width_ + at)] = true;
        spans_.push_back({static_cast<std::int32_t>(y), static_cast<std::int32_t>(begin), end});
        open_.push_back(spans_.back());
        return end;
    }

    image::PixelReader<Colour> reader_;
    std::int64_t width_;
    std::int64_t height_;
    Flood flood_;
    Colour wanted_;
    std::vector<bool> reached_;
    std::vector<Span> spans_;
    std::vector<Span> open_; ///< whose neighbours are still to be visited
};

} // namespace

Region flooded(const ConstImageView& image, Point from, const Flood& flood) {
    base::check_range("tolerance", flood.tolerance, 0, 255);
    (void)image.pixel(from); // checks the position
    image::check_palette(image);
    return Region(Spread(image, from, flood).run());
}

Difference difference(const ConstImageView& a, const ConstImageView& b) {
    if (a.size() != b.size())
        throw ArgumentError(fmt::format("images of {} x {} and {} x {} cannot be compared", a.width(),
                                        a.height(), b.width(), b.height()));
    image::check_palette(b);
    Difference result{0, 0, {}, Image(a.size(), PixelFormat::rgba8)};
    const image::PixelReader<Colour> other(b);
    Extent extent;
    for_each_pixel(a, [&](std::int32_t x, std::int32_t y, const Colour& colour) {
        const Gap gap(colour, other.at(x, y));
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
    Extent extent;
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
