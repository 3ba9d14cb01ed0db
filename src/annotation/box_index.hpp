/// @file
/// Many boxes, found by where they lie.
#pragma once

#include <coldbrick/box.hpp>

#include <algorithm>
#include <array>
#include <bit>
#include <cstddef>
#include <cstdint>
#include <unordered_map>
#include <vector>

namespace coldbrick::text {

/// Boxes in square cells, on a level for each power of two: a box lies in the cell of its top-left pixel, on
/// the first level whose cells are as large as the box. Adding one takes a constant time, and finding those
/// that meet a window the time of the cells that the window meets or of all that hold any, whichever are
/// fewer.
class BoxIndex {
  public:
    /// @param box not empty, with sides in 32 bits
    void add(const Box& box) {
        const auto level = level_of(std::max(box.width, box.height));
        levels_[level][cell_of(box.x, box.y, level)].push_back(box);
    }

    /// Calls visit(box) with all boxes that share a pixel with the window until it returns true.
    /// @returns whether it did
    template <class Visit>
    bool find(const Box& window, const Visit& visit) const {
        if (window.empty()) return false;
        const auto visit_cell = [&](const std::vector<Box>& boxes) {
            return std::ranges::any_of(boxes,
                                       [&](const Box& box) { return meet(box, window) && visit(box); });
        };
        for (std::size_t level = 0; level < levels_.size(); ++level) {
            const Cells& cells = levels_[level];
            if (cells.empty()) continue;
            // A box reaches into the next cell at most.
            const std::int64_t left = (window.x >> shift_of(level)) - 1;
            const std::int64_t top = (window.y >> shift_of(level)) - 1;
            const std::int64_t right = (window.end_x() - 1) >> shift_of(level);
            const std::int64_t bottom = (window.end_y() - 1) >> shift_of(level);
            if (static_cast<double>(right - left + 1) * static_cast<double>(bottom - top + 1) >
                static_cast<double>(cells.size())) {
                for (const auto& [key, boxes] : cells)
                    if (visit_cell(boxes)) return true;
                continue;
            }
            for (std::int64_t y = top; y <= bottom; ++y)
                for (std::int64_t x = left; x <= right; ++x)
                    if (const auto cell = cells.find(key_of(x, y)); cell != cells.end())
                        if (visit_cell(cell->second)) return true;
        }
        return false;
    }

  private:
    using Cells = std::unordered_map<std::uint64_t, std::vector<Box>>;
    static constexpr std::size_t smallest_shift = 5; ///< cells of 32 pixels

    static std::size_t shift_of(std::size_t level) { return level + smallest_shift; }
    static std::size_t level_of(std::int64_t extent) {
        const auto bits = static_cast<std::size_t>(std::bit_width(static_cast<std::uint64_t>(extent - 1)));
        return bits <= smallest_shift ? 0 : bits - smallest_shift;
    }
    static std::uint64_t key_of(std::int64_t x, std::int64_t y) {
        return (static_cast<std::uint64_t>(y) << 32U) ^ (static_cast<std::uint64_t>(x) & 0xFFFFFFFFU);
    }
    static std::uint64_t cell_of(std::int64_t x, std::int64_t y, std::size_t level) {
        return key_of(x >> shift_of(level), y >> shift_of(level));
    }
    static bool meet(const Box& a, const Box& b) {
        return a.x < b.end_x() && b.x < a.end_x() && a.y < b.end_y() && b.y < a.end_y();
    }

    std::array<Cells, 32> levels_;
};

} // namespace coldbrick::text
