/// @file
/// Smooth edges as textbooks have them: by samples, and by a buffer of signed areas.
#pragma once

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace textbook {

struct Corner {
    double x;
    double y;
};

/// Mixes a colour into four bytes, in proportion to a coverage of 0..255.
inline void mix_in(std::uint8_t* pixel, std::uint32_t colour, unsigned coverage) {
    for (unsigned k = 0; k < 4; ++k) {
        const unsigned over = colour >> (8 * k) & 255;
        pixel[k] = static_cast<std::uint8_t>((over * coverage + pixel[k] * (255 - coverage) + 127) / 255);
    }
}

/// For every pixel the sum of what edges that pass it add to all pixels right of it: the area right of each
/// edge in its own pixel and its height in the next. Positions count from a pixel's corner. What winds around
/// twice or crosses within a pixel comes out wrong.
class AreaBuffer {
  public:
    AreaBuffer(int width, int height)
        : width_(width), height_(height),
          sums_(static_cast<std::size_t>(width) * static_cast<std::size_t>(height) + 2) {}

    void add_edge(Corner from, Corner to) {
        if (from.y == to.y) return;
        const float direction = from.y < to.y ? 1.0F : -1.0F;
        if (from.y > to.y) std::swap(from, to);
        const double slope = (to.x - from.x) / (to.y - from.y);
        double x = from.x - std::min(from.y, 0.0) * slope;
        const int end = std::min(height_, static_cast<int>(std::ceil(to.y)));
        for (int y = std::max(0, static_cast<int>(from.y)); y < end; ++y) {
            const double tall = std::min(y + 1.0, to.y) - std::max<double>(y, from.y);
            const double next = x + slope * tall;
            add_row(&sums_[static_cast<std::size_t>(y) * static_cast<std::size_t>(width_)], std::min(x, next),
                    std::max(x, next), direction * static_cast<float>(tall));
            x = next;
        }
    }

    /// Paints all pixels and clears the sums.
    void paint(std::uint8_t* pixels, std::uint32_t colour) {
        float* sum = sums_.data();
        for (int y = 0; y < height_; ++y) {
            float covered = 0;
            for (int x = 0; x < width_; ++x, ++sum, pixels += 4) {
                covered += *sum;
                *sum = 0;
                const auto coverage = static_cast<unsigned>(255 * std::min(std::fabs(covered), 1.0F) + 0.5F);
                if (coverage != 0) mix_in(pixels, colour, coverage);
            }
        }
    }

  private:
    static void add_row(float* row, double left, double right, float tall) {
        const auto first = static_cast<std::ptrdiff_t>(left);
        if (right <= static_cast<double>(first + 1)) {
            const auto middle = static_cast<float>((left + right) / 2 - static_cast<double>(first));
            row[first] += tall * (1 - middle);
            row[first + 1] += tall * middle;
            return;
        }
        // The area right of the edge up to a column's far side.
        const double per_column = 1 / (right - left);
        double before = 0;
        for (std::ptrdiff_t column = first;; ++column) {
            const double begin = std::max(left, static_cast<double>(column));
            const double end = std::min(right, static_cast<double>(column + 1));
            const double passed = (end - begin) * per_column;
            const double beside = static_cast<double>(column + 1) - (begin + end) / 2;
            const double already = (begin - left) * per_column;
            const double area = already + passed * beside;
            row[column] += tall * static_cast<float>(area - before);
            before = area;
            if (end >= right) {
                row[column + 1] += tall * static_cast<float>(1 - before);
                return;
            }
        }
    }

    int width_;
    int height_;
    std::vector<float> sums_;
};

/// 4 x 4 places in every pixel of the bounding box; `inside(x, y)` tells of one, from a pixel's corner.
template <class Inside>
void paint_sampled(std::uint8_t* pixels, int width, int left, int top, int right, int bottom,
                   std::uint32_t colour, const Inside& inside) {
    for (int y = top; y < bottom; ++y)
        for (int x = left; x < right; ++x) {
            unsigned count = 0;
            for (int i = 0; i < 16; ++i)
                count += inside(x + (i % 4 + 0.5) / 4, y + (i / 4 + 0.5) / 4) ? 1U : 0U;
            std::uint8_t* const pixel = pixels + 4 * (static_cast<std::ptrdiff_t>(y) * width + x);
            if (count != 0) mix_in(pixel, colour, count * 255 / 16);
        }
}

/// The same of a polygon by the even-odd rule, four rows of places at a time: the crossings of each are
/// sorted and the places between them counted.
inline void paint_sampled_polygon(std::uint8_t* pixels, int width, int height,
                                  const std::vector<Corner>& corners, std::uint32_t colour) {
    std::vector<int> counts(static_cast<std::size_t>(width));
    std::vector<double> crossings;
    for (int y = 0; y < height; ++y) {
        std::fill(counts.begin(), counts.end(), 0);
        for (int i = 0; i < 4; ++i) {
            const double place = y + (i + 0.5) / 4;
            crossings.clear();
            for (std::size_t k = 0; k < corners.size(); ++k) {
                const Corner a = corners[k];
                const Corner b = corners[(k + 1) % corners.size()];
                if ((a.y <= place) != (b.y <= place))
                    crossings.push_back(a.x + (place - a.y) * (b.x - a.x) / (b.y - a.y));
            }
            std::sort(crossings.begin(), crossings.end());
            for (std::size_t k = 0; k + 1 < crossings.size(); k += 2) {
                const int from = std::max(0, static_cast<int>(std::ceil(4 * crossings[k] - 0.5)));
                const int to = std::min(4 * width, static_cast<int>(std::ceil(4 * crossings[k + 1] - 0.5)));
                for (int place_x = from; place_x < to; ++place_x)
                    ++counts[static_cast<std::size_t>(place_x / 4)];
            }
        }
        std::uint8_t* pixel = pixels + 4 * static_cast<std::ptrdiff_t>(y) * width;
        for (int x = 0; x < width; ++x, pixel += 4)
            if (const int count = counts[static_cast<std::size_t>(x)]; count != 0)
                mix_in(pixel, colour, static_cast<unsigned>(count) * 255 / 16);
    }
}

} // namespace textbook
