/// @file
/// The same work for many numbers, by several threads.
#pragma once

#include <cstdint>
#include <functional>

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] base {

/// How many threads work at once at most.
int processors();

/// Calls work(i) for i in 0..count-1, in any order and by up to `threads` threads at once, and returns when
/// all are done. What the first call that throws throws is thrown here, and calls that have not begun by then
/// are left out.
/// @param threads 1 and up
void for_each_in_parallel(std::int64_t count, int threads, const std::function<void(std::int64_t)>& work);

} // namespace base

} // namespace coldbrick
