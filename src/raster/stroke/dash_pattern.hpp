/// @file
/// Which stretches of a path are on.
#pragma once

#include "base/contract.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <limits>
#include <span>
#include <vector>

namespace coldbrick::raster {

/// A piece of a path: where it begins, as a position on the path, and how long it is, in pixels.
struct PieceOfPath {
    long double begins;
    long double length;
    bool first;
    bool last;
};

/// What of an on stretch lies on one piece of the path, in pixels from the piece's beginning.
struct Dash {
    long double from;
    long double to;
    bool begins; ///< its first end is here, not on a piece before
    bool ends;   ///< its last end is here

    /// The part of the stretch [on, off] on the piece; if there is none, `from` lies behind `to`. A stretch
    /// that only touches the piece's end has no length there and is left out; one that has no length at all
    /// belongs to the piece that begins where it lies, or to the last one.
    static Dash on_piece(const PieceOfPath& piece, long double on, long double off) {
        const long double end = piece.begins + piece.length;
        const bool before = off < piece.begins || (off == piece.begins && on < off);
        const bool after = on > end || (on == end && (on < off || !piece.last));
        if (before || after) return {1, 0, false, false};
        return {std::max(0.0L, on - piece.begins), std::min(piece.length, off - piece.begins),
                piece.first || on >= piece.begins, piece.last || off <= end};
    }
};

/// On and off lengths that repeat along a path. Positions are pixels from its first point.
class DashPattern {
  public:
    DashPattern(std::span<const double> lengths, double offset) {
        // With an odd number of lengths on and off change places at every turn, so that two turns repeat.
        const std::size_t turns = lengths.size() % 2 == 0 ? 1 : 2;
        count_ = turns * lengths.size();
        if (count_ + 1 > few_.size()) many_.resize(count_ + 1);
        Bound* bound = many_.empty() ? few_.data() : many_.data();
        *bound = {0, 0};
        for (std::size_t turn = 0; turn < turns; ++turn)
            for (const double length : lengths) {
                period_ += length;
                *++bound = {period_, static_cast<double>(period_)};
            }
        if (offset != 0 && !lengths.empty()) offset_ = std::fmod(static_cast<long double>(offset), period_);
    }

    /// What all lengths of one repetition add up to.
    [[nodiscard]] long double period() const { return period_; }

    /// Where a length begins or ends, from the beginning of a repetition.
    struct Bound {
        long double place;
        double near; ///< the same, rounded
    };

    /// Calls visit(start, begin, end) for on stretches in order, until it returns false: where the repetition
    /// starts, and the stretch's bounds in it. The first ones may lie wholly before the position.
    template <class Visit>
    void for_each_on_about(long double position, const Visit& visit) const {
        const std::span<const Bound> bounds = this->bounds();
        std::int64_t repetition = repetition_of(position);
        long double start = start_of(repetition);
        std::size_t first = first_from(position - start);
        for (;; start = start_of(++repetition), first = 0)
            for (std::size_t i = first; i + 1 < bounds.size(); i += 2)
                if (!visit(start, bounds[i], bounds[i + 1])) return;
    }

    /// Calls visit(begin, end) for the on stretches that meet [from, to], in order.
    template <class Visit>
    void for_each_on(long double from, long double to, Visit visit) const {
        for_each_on_about(from, [&](long double start, const Bound& begin, const Bound& end) {
            if (start + begin.place > to) return false;
            if (start + end.place >= from) visit(start + begin.place, start + end.place);
            return true;
        });
    }

    /// True if an on stretch runs over the position: it begins before it and ends behind it.
    [[nodiscard]] bool runs_over(long double position) const {
        bool result = false;
        for_each_on(position, position, [&](long double begin, long double end) {
            result = result || (begin < position && position < end);
        });
        return result;
    }

    /// Positions on the path.
    struct Stretch {
        long double from;
        long double to;
    };

    /// A stretch and whether it is on, and whether the ones before and after it have no length.
    struct Piece {
        Stretch stretch;
        bool on;
        bool dot_before;
        bool dot_after;
    };

    /// The stretch in which the position lies, its far end left out.
    [[nodiscard]] Piece at(long double position) const {
        COLDBRICK_ASSERT(period() > 0);
        std::int64_t repetition = repetition_of(position);
        if (position < start_of(repetition)) --repetition; // it was rounded
        const long double start = start_of(repetition);
        std::size_t i = first_from(position - start);
        while (i < count_ && position >= start + bounds()[i + 1].place) ++i;
        if (i == count_) return at_start_of(repetition + 1);
        return piece_at(start, i);
    }

  private:
    /// In which repetition the position lies, and where one starts: from its number alone, so that the
    /// stretches do not depend on where one begins to look.
    [[nodiscard]] std::int64_t repetition_of(long double position) const {
        return static_cast<std::int64_t>(std::floor((position + offset_) / period()));
    }
    [[nodiscard]] long double start_of(std::int64_t repetition) const {
        return static_cast<long double>(repetition) * period() - offset_;
    }

    /// The number, even and perhaps a little early, of an on length that is not wholly before a place in a
    /// repetition.
    [[nodiscard]] std::size_t first_from(long double place) const {
        const auto ends = bounds().subspan(1);
        const auto found = std::ranges::lower_bound(ends, place, {}, &Bound::place) - ends.begin();
        const std::size_t i = static_cast<std::size_t>(std::max<std::ptrdiff_t>(found - 1, 0));
        return i - i % 2;
    }

    /// The first stretch of a repetition that has a length.
    [[nodiscard]] Piece at_start_of(std::int64_t repetition) const {
        std::size_t i = 0;
        while (i + 1 < count_ && bounds()[i + 1].place == 0) ++i;
        return piece_at(start_of(repetition), i);
    }

    [[nodiscard]] Piece piece_at(long double start, std::size_t i) const {
        const std::span<const Bound> bounds = this->bounds();
        const auto is_dot = [bounds](std::size_t j) { return bounds[j].place == bounds[j + 1].place; };
        const std::size_t last = count_ - 1;
        return {{start + bounds[i].place, start + bounds[i + 1].place},
                i % 2 == 0,
                is_dot(i == 0 ? last : i - 1),
                is_dot(i == last ? 0 : i + 1)};
    }

    /// Of the lengths, one more than there are.
    [[nodiscard]] std::span<const Bound> bounds() const {
        return {many_.empty() ? few_.data() : many_.data(), count_ + 1};
    }

    std::array<Bound, 9> few_; ///< the bounds, without memory of their own if they are no more
    std::vector<Bound> many_;
    std::size_t count_ = 0; ///< of the lengths
    long double period_ = 0;
    long double offset_ = 0;
};

/// Tells of one position after the other whether it is on: fastest where they are near to each other.
class DashFinder {
  public:
    explicit DashFinder(const DashPattern& dashes) : dashes_(dashes) {}

    /// True if the position lies in an on stretch, its far end left out.
    [[nodiscard]] bool on(long double position) {
        if (!(position >= known_.stretch.from && position < known_.stretch.to)) known_ = dashes_.at(position);
        return known_.on;
    }

    /// How far the position is from the nearest on stretch of a path of this length; 0 within one. A stretch
    /// that only touches the path's end is none.
    [[nodiscard]] long double distance_to_on(long double position, long double path_length) {
        if (on(position)) return 0;
        const long double none = std::numeric_limits<long double>::infinity();
        const DashPattern::Stretch off = known_.stretch;
        const bool is_before = off.from > 0 || (off.from == 0 && known_.dot_before);
        const bool is_after = off.to < path_length || (off.to == path_length && known_.dot_after);
        return std::min(is_before ? position - off.from : none, is_after ? off.to - position : none);
    }

  private:
    const DashPattern& dashes_;
    DashPattern::Piece known_{{0, 0}, false, false, false};
};

} // namespace coldbrick::raster
