/// @file
/// Who hides items.
#pragma once

#include "drawing/pixel_numbers.hpp"

#include <coldbrick/span.hpp>
#include <coldbrick/visibility.hpp>

#include <cstddef>
#include <cstdint>
#include <vector>

namespace coldbrick::drawing {

/// Adds up pixels by the tags of the items that hide them last.
class HiderCounts {
  public:
    /// @param items in the order of their numbers
    explicit HiderCounts(const std::vector<Visibility>& items);

    /// Adds to an item's list who hides pixels of its spans. @param number the item's
    void add(const std::vector<Span>& spans, const PixelNumbers& hiders, std::int32_t number,
             Visibility& item);

  private:
    std::vector<std::uint32_t> tags_;  ///< all that there are, in order
    std::vector<std::uint32_t> ranks_; ///< of the items' tags among them
    std::vector<std::int64_t> counts_; ///< by ranks; 0 between calls
    std::vector<std::uint32_t> found_; ///< ranks whose count is not 0
};

/// Keeps those who hide most, or none if the item is not hidden after all.
void settle(Visibility& item);

} // namespace coldbrick::drawing
