#include "drawing/hider_counts.hpp"

#include <algorithm>
#include <utility>

namespace coldbrick::drawing {

namespace {

/// Those who hide most come first, so many of them.
void keep(std::vector<Visibility::Hider>& hiders, std::size_t most) {
    const auto kept = std::min(most, hiders.size());
    const auto more = [](const Visibility::Hider& a, const Visibility::Hider& b) {
        return a.pixels != b.pixels ? a.pixels > b.pixels : a.tag < b.tag;
    };
    std::partial_sort(hiders.begin(), hiders.begin() + static_cast<std::ptrdiff_t>(kept), hiders.end(), more);
    hiders.resize(kept);
}

} // namespace

HiderCounts::HiderCounts(const std::vector<Visibility>& items) {
    tags_.reserve(items.size());
    for (const Visibility& item : items) tags_.push_back(item.tag);
    std::ranges::sort(tags_);
    tags_.erase(std::unique(tags_.begin(), tags_.end()), tags_.end());
    ranks_.reserve(items.size());
    for (const Visibility& item : items)
        ranks_.push_back(
            static_cast<std::uint32_t>(std::ranges::lower_bound(tags_, item.tag) - tags_.begin()));
    counts_.resize(tags_.size());
}

void HiderCounts::add(const std::vector<Span>& spans, const PixelNumbers& hiders, std::int32_t number,
                      Visibility& item) {
    for (const Span& span : spans) {
        const std::int32_t* const numbers = hiders.at(span);
        const std::int64_t count = span.x_end - span.x_begin;
        for (std::int64_t i = 0; i < count;) {
            std::int64_t end = i + 1;
            while (end < count && numbers[end] == numbers[i]) ++end;
            if (numbers[i] > number) {
                const std::uint32_t rank = ranks_[static_cast<std::size_t>(numbers[i] - 1)];
                if (counts_[rank] == 0) found_.push_back(rank);
                counts_[rank] += end - i;
            }
            i = end;
        }
    }
    for (Visibility::Hider& known : item.hidden_by) { // in another part of a clip
        const auto rank =
            static_cast<std::size_t>(std::ranges::lower_bound(tags_, known.tag) - tags_.begin());
        known.pixels += std::exchange(counts_[rank], 0);
    }
    for (const std::uint32_t rank : found_)
        if (const std::int64_t pixels = std::exchange(counts_[rank], 0); pixels > 0)
            item.hidden_by.push_back({tags_[rank], pixels});
    found_.clear();
    constexpr std::size_t most_at_a_time = 64;
    keep(item.hidden_by, most_at_a_time);
    item.hidden_by.shrink_to_fit();
}

void settle(Visibility& item) {
    constexpr std::size_t most = 8;
    if (item.on_top > 0) item.hidden_by.clear();
    keep(item.hidden_by, most);
    item.hidden_by.shrink_to_fit();
}

} // namespace coldbrick::drawing
