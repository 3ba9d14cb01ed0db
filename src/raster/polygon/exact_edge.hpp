/// @file
/// Edges of polygons anywhere in the 32-bit coordinates.
#pragma once

#include "raster/areas/incremental_division.hpp"

#include <coldbrick/fill_rule.hpp>
#include <coldbrick/point.hpp>

#include <algorithm>
#include <cstdint>
#include <cstdlib>

namespace coldbrick::raster {

/// An edge on one row after the other, from its upper end down. The crossing with row k below the upper end
/// is sideways * k * width / height from there; the outline has the pixels of raster::ThinLineSteps: on a
/// steep edge the nearest one to the crossing, else those between the crossings half a row above and below.
class ExactEdge {
  public:
    /// What rows and columns are told as.
    using Place = std::int64_t;

    /// @param upper_end,lower_end its ends; one of them each if it is level
    /// @param winding 1 if its ring runs along it downwards, else -1
    /// @param top the first row that is asked for
    ExactEdge(Point upper_end, Point lower_end, int winding, FillExtent extent, std::int64_t top)
        : upper_(upper_end), sideways_(upper_end.x <= lower_end.x ? 1 : -1),
          width_(std::abs(std::int64_t{lower_end.x} - upper_end.x)), own_winding_(winding),
          kind_(extent == FillExtent::tiling                                      ? Kind::bare
                : width_ >= std::int64_t{lower_end.y} - std::int64_t{upper_end.y} ? Kind::flat
                                                                                  : Kind::steep),
          first_(std::max<std::int64_t>(upper_end.y, top)), end_(lower_end.y),
          bound_(start(first_ - upper_end.y, std::int64_t{lower_end.y} - upper_end.y)) {
        if (kind_ == Kind::flat) step(first_ - 1);
        step(first_);
    }

    /// The rows that it has pixels on or changes the winding on.
    [[nodiscard]] Place first_row() const { return first_; }
    [[nodiscard]] Place last_row() const { return kind_ == Kind::bare ? end_ - 1 : end_; }

    // What it has on its present row, which is the first one at first: the pixels [begin, end) of its
    // outline, none for tiling, and by how much the winding changes there. Where within its own pixels it
    // does so makes no difference.
    [[nodiscard]] Place begin() const { return begin_; }
    [[nodiscard]] Place end() const { return pixels_end_; }
    [[nodiscard]] int winding() const { return winding_; }

    /// Goes on to the row, which follows the row before.
    void step(Place y) {
        winding_ = y < end_ ? own_winding_ : 0;
        const std::int64_t value = bound_.value();
        bound_.next();
        switch (kind_) {
        case Kind::bare: begin_ = pixels_end_ = upper_.x - value; break;
        case Kind::steep:
            begin_ = upper_.x + value;
            pixels_end_ = begin_ + 1;
            break;
        case Kind::flat: {
            // The pixels `near` to `far` from the upper end.
            const std::int64_t near = std::max<std::int64_t>(-previous_, 0);
            const std::int64_t far = std::min(-value - 1, width_);
            begin_ = sideways_ > 0 ? upper_.x + near : upper_.x - far;
            pixels_end_ = begin_ + far - near + 1;
            previous_ = value;
        }
        }
    }

  private:
    enum class Kind : std::uint8_t { bare, steep, flat };

    [[nodiscard]] IncrementalDivision<std::int64_t> start(std::int64_t row, std::int64_t height) const {
        const base::Int128 k = row;
        const std::int64_t dx = sideways_ * width_;
        if (height == 0) return {0, -base::Int128{width_} - 1, 1}; // level: all of it on one row
        switch (kind_) {
        case Kind::bare: return {-k * dx, -dx, height};
        case Kind::steep: return {2 * k * dx + height, 2 * base::Int128{dx}, 2 * height};
        default: return {-(2 * k - 1) * width_, -2 * base::Int128{width_}, 2 * height};
        }
    }

    Point upper_;
    int sideways_;
    std::int64_t width_;
    int own_winding_;
    Kind kind_;
    std::int64_t first_;
    std::int64_t end_; ///< the lower end's row
    IncrementalDivision<std::int64_t> bound_;
    std::int64_t previous_ = 0; ///< the bound half a row above
    std::int64_t begin_ = 0;
    std::int64_t pixels_end_ = 0;
    int winding_ = 0;
};

} // namespace coldbrick::raster
