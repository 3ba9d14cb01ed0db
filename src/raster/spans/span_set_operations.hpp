/// @file
/// Sets of pixels from two others.
#pragma once

#include "base/limits.hpp"

#include <coldbrick/span.hpp>

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

namespace coldbrick::raster {

/// Walks through the boundaries of a row's spans.
class Boundaries {
  public:
    Boundaries(std::span<const Span> spans, std::size_t& at, std::int32_t y)
        : spans_(spans), at_(at), y_(y) {}

    [[nodiscard]] std::int64_t next() const {
        if (at_ == spans_.size() || spans_[at_].y != y_) return base::beyond_all_pixels;
        return inside_ ? spans_[at_].x_end : spans_[at_].x_begin;
    }
    void pass() {
        if (inside_) ++at_;
        inside_ = !inside_;
    }
    [[nodiscard]] bool inside() const { return inside_; }

  private:
    std::span<const Span> spans_;
    std::size_t& at_;
    std::int32_t y_;
    bool inside_ = false;
};

/// The pixels for which belongs(in a, in b), in order. Both lists are in order, row by row and from left to
/// right, without overlaps.
template <class Belongs>
std::vector<Span> combined(std::span<const Span> a, std::span<const Span> b, Belongs belongs) {
    std::vector<Span> result;
    std::size_t in_a = 0;
    std::size_t in_b = 0;
    while (in_a < a.size() || in_b < b.size()) {
        const std::int32_t y = in_a == a.size()   ? b[in_b].y
                               : in_b == b.size() ? a[in_a].y
                                                  : std::min(a[in_a].y, b[in_b].y);
        Boundaries of_a(a, in_a, y);
        Boundaries of_b(b, in_b, y);
        bool inside = false;
        while (true) {
            const std::int64_t x = std::min(of_a.next(), of_b.next());
            if (x == base::beyond_all_pixels) break;
            while (of_a.next() == x) of_a.pass();
            while (of_b.next() == x) of_b.pass();
            if (belongs(of_a.inside(), of_b.inside()) == inside) continue;
            inside = !inside;
            if (inside)
                result.push_back({y, static_cast<std::int32_t>(x), x});
            else
                result.back().x_end = x;
        }
    }
    return result;
}

} // namespace coldbrick::raster
