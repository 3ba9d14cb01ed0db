/// @file
/// Sets of columns of one row.
#pragma once

#include "base/contract.hpp"
#include "raster/spans/span_sink.hpp"

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>

namespace coldbrick::raster {

/// The columns [begin, end).
struct Run {
    std::int64_t begin;
    std::int64_t end;
};

/// A set of columns: a few runs from left to right that neither overlap nor touch. Made for shapes that are
/// put together from parts row by row, of which a row never meets more than `capacity`.
class RowRuns {
  public:
    static constexpr std::size_t capacity = 40;

    RowRuns() = default;
    explicit RowRuns(Run run) { unite(run); }
    RowRuns(const RowRuns& other) { *this = other; }
    RowRuns& operator=(const RowRuns& other) {
        if (this == &other) return *this;
        count_ = other.count_;
        std::copy(other.begin(), other.end(), runs_.begin());
        return *this;
    }
    ~RowRuns() = default;

    [[nodiscard]] const Run* begin() const { return runs_.data(); }
    [[nodiscard]] const Run* end() const { return runs_.data() + count_; }
    [[nodiscard]] bool empty() const { return count_ == 0; }

    /// Adds the run's columns.
    void unite(Run run) {
        if (run.begin >= run.end) return;
        std::size_t kept = 0;
        while (kept < count_ && runs_[kept].end < run.begin) ++kept;
        std::size_t beyond = kept;
        for (; beyond < count_ && runs_[beyond].begin <= run.end; ++beyond) {
            run.begin = std::min(run.begin, runs_[beyond].begin);
            run.end = std::max(run.end, runs_[beyond].end);
        }
        replace(kept, beyond, run);
    }

    void unite(const RowRuns& other) {
        for (const Run& run : other) unite(run);
    }

    [[nodiscard]] RowRuns intersection(const RowRuns& other) const {
        RowRuns result;
        const Run* a = begin();
        const Run* b = other.begin();
        while (a != end() && b != other.end()) {
            result.append({std::max(a->begin, b->begin), std::min(a->end, b->end)});
            if (a->end < b->end)
                ++a;
            else
                ++b;
        }
        return result;
    }

    /// The columns that are not in the other set.
    [[nodiscard]] RowRuns without(const RowRuns& other) const {
        RowRuns result;
        const Run* hole = other.begin();
        for (Run run : *this) {
            while (hole != other.end() && hole->end <= run.begin) ++hole;
            for (const Run* next = hole; next != other.end() && next->begin < run.end; ++next) {
                result.append({run.begin, next->begin});
                run.begin = next->end;
            }
            result.append(run);
        }
        return result;
    }

    /// Adds the columns to a row of the sink, which lies in its clip.
    void give(std::int64_t y, SpanSink& sink) const {
        for (const Run& run : *this) sink.add(static_cast<std::int32_t>(y), run.begin, run.end);
    }

  private:
    /// Puts one run in the place of those from `first` up to `end`.
    void replace(std::size_t first, std::size_t end, Run run) {
        if (first == end) {
            COLDBRICK_ENSURE(count_ < capacity); // see the class
            std::copy_backward(runs_.begin() + static_cast<std::ptrdiff_t>(first),
                               runs_.begin() + static_cast<std::ptrdiff_t>(count_),
                               runs_.begin() + static_cast<std::ptrdiff_t>(count_ + 1));
            ++count_;
        } else {
            std::copy(runs_.begin() + static_cast<std::ptrdiff_t>(end),
                      runs_.begin() + static_cast<std::ptrdiff_t>(count_),
                      runs_.begin() + static_cast<std::ptrdiff_t>(first + 1));
            count_ -= end - first - 1;
        }
        runs_[first] = run;
    }

    /// Adds a run right of all others, if it is not empty.
    void append(Run run) {
        if (run.begin >= run.end) return;
        COLDBRICK_ENSURE(count_ < capacity);
        COLDBRICK_ASSERT(count_ == 0 || runs_[count_ - 1].end <= run.begin);
        runs_[count_++] = run;
    }

    std::size_t count_ = 0;
    std::array<Run, capacity> runs_; // left as it is: only what count_ covers is read
};

} // namespace coldbrick::raster
