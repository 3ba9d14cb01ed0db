#include "files/reels/changed_part.hpp"

#include <algorithm>
#include <cstring>
#include <span>

namespace coldbrick::files {

namespace {

struct Columns {
    std::size_t first;
    std::size_t end;
};

bool is_same(std::span<const std::byte> a, std::span<const std::byte> b) {
    return std::memcmp(a.data(), b.data(), a.size()) == 0;
}

} // namespace

FramePart changed_part(const ConstImageView& before, const ConstImageView& now) {
    std::int32_t top = 0;
    std::int32_t bottom = now.height();
    while (top < bottom && is_same(before.row(top), now.row(top))) ++top;
    if (top == bottom) return {{0, 0}, {1, 1}};
    while (is_same(before.row(bottom - 1), now.row(bottom - 1))) --bottom;
    const auto pixel_bytes = static_cast<std::size_t>(layout(now.format()).bytes);
    Columns changed{now.row(0).size(), 0}; // in bytes
    for (std::int32_t y = top; y < bottom; ++y) {
        const auto old_row = before.row(y);
        const auto row = now.row(y);
        const auto first =
            static_cast<std::size_t>(std::ranges::mismatch(old_row, row).in1 - old_row.begin());
        if (first == row.size()) continue;
        std::size_t end = row.size();
        while (old_row[end - 1] == row[end - 1]) --end;
        changed = {std::min(changed.first, first), std::max(changed.end, end)};
    }
    const auto left = static_cast<std::int32_t>(changed.first / pixel_bytes);
    const auto right = static_cast<std::int32_t>((changed.end + pixel_bytes - 1) / pixel_bytes);
    return {{left, top}, {right - left, bottom - top}};
}

} // namespace coldbrick::files
