#include <coldbrick/flood.hpp>

#include "base/range_checks.hpp"
#include "image/reading/colour_gap.hpp"
#include "image/reading/pixel_reader.hpp"

#include <algorithm>
#include <utility>
#include <vector>

namespace coldbrick {

namespace {

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
        return !reached_[index] && image::ColourGap(reader_.at(x, y), wanted_).largest() <= flood_.tolerance;
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

} // namespace coldbrick
