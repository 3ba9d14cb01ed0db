#include <coldbrick/shared.hpp>

#include <atomic>

namespace coldbrick::detail {

void HandleCount::add() noexcept {
    std::atomic_ref(count_).fetch_add(1, std::memory_order_relaxed);
}

bool HandleCount::remove() noexcept {
    // What other handles' threads did to the value comes before its end.
    return std::atomic_ref(count_).fetch_sub(1, std::memory_order_acq_rel) == 1;
}

} // namespace coldbrick::detail
