/// @file
/// Which stretches of a path are on.
#pragma once

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::raster {

/// A piece of a path: where it begins, as a position on the path, and how long it is.
struct PieceOfPath {
    long double begins;
    long double length;
    bool first;
    bool last;
};

/// What of an on stretch lies on one piece of the path, counted from the piece's beginning.
struct Dash {
    long double from;
    long double to;
    bool begins; ///< its first end is here, not on a piece before
    bool ends;   ///< its last end is here

    /// The part of the stretch [on, off] on the piece; if there is none, `from` lies behind `to`. A stretch
    /// that only touches the piece's end belongs to its neighbour.
    static Dash on_piece(const PieceOfPath& piece, long double on, long double off) {
        const long double end = piece.begins + piece.length;
        const bool before = off < piece.begins || (off == piece.begins && on < off && !piece.first);
        const bool after = on > end || (on == end && !piece.last);
        if (before || after) return {1, 0, false, false};
        return {std::max(0.0L, on - piece.begins), std::min(piece.length, off - piece.begins),
                piece.first || on >= piece.begins, piece.last || off <= end};
    }
};

/// On and off lengths that repeat along a path. Positions are pixels from its first point.
class DashPattern {
  public:
    DashPattern(std::span<const double> lengths, double offset) : lengths_(lengths) {
        for (const double length : lengths) period_ += length;
        if (lengths.size() % 2 != 0) period_ *= 2; // on and off change places at every turn
        if (!lengths.empty()) offset_ = std::fmod(static_cast<long double>(offset), period_);
    }

    /// What all lengths add up to.
    [[nodiscard]] long double period() const { return period_; }

    /// Calls visit(begin, end) for the on stretches that meet [from, to].
    template <class Visit>
    void for_each_on(long double from, long double to, Visit visit) const {
        for (std::int64_t period = period_of(from); start_of(period) <= to; ++period) {
            long double at = start_of(period);
            for (std::size_t i = 0; i < turns(); i += 2) {
                const long double end = at + length(i);
                if (end >= from && at <= to) visit(at, end);
                at = end + length(i + 1);
            }
        }
    }

    /// True if an on stretch runs over the position.
    [[nodiscard]] bool runs_over(long double position) const {
        bool result = false;
        for_each_on(position, position, [&](long double begin, long double end) {
            result = result || (begin < position && position < end);
        });
        return result;
    }

    /// True if the position lies in an on stretch, its far end left out. Fastest for positions near to each
    /// other.
    [[nodiscard]] bool on(long double position) {
        if (position < known_begin_ || position >= known_end_) look_up(position);
        return known_on_;
    }

    /// How far the position is from the nearest on stretch; 0 within one.
    [[nodiscard]] long double distance_to_on(long double position) {
        return on(position) ? 0 : std::min(position - known_begin_, known_end_ - position);
    }

  private:
    [[nodiscard]] std::size_t turns() const {
        return lengths_.size() % 2 == 0 ? lengths_.size() : 2 * lengths_.size();
    }
    [[nodiscard]] long double length(std::size_t i) const { return lengths_[i % lengths_.size()]; }

    /// The period in which the position lies, and where a period starts: from its number alone, so that the
    /// stretches do not depend on where one begins to look.
    [[nodiscard]] std::int64_t period_of(long double position) const {
        return static_cast<std::int64_t>(std::floor((position + offset_) / period_));
    }
    [[nodiscard]] long double start_of(std::int64_t period) const {
        return static_cast<long double>(period) * period_ - offset_;
    }

    void look_up(long double position) {
        const std::int64_t period = period_of(position);
        known_end_ = start_of(position < start_of(period) ? period - 1 : period); // if it was rounded
        for (std::size_t i = 0;; i = (i + 1) % turns()) {
            known_begin_ = known_end_;
            known_end_ += length(i);
            known_on_ = i % 2 == 0;
            if (position < known_end_) return;
        }
    }

    std::span<const double> lengths_;
    long double offset_ = 0;
    long double period_ = 0;
    long double known_begin_ = 0;
    long double known_end_ = 0;
    bool known_on_ = false;
};

} // namespace coldbrick::raster
