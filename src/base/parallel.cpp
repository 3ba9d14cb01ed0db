#include "base/parallel.hpp"

#include <tbb/parallel_for.h>
#include <tbb/task_arena.h>

#include <algorithm>
#include <thread>

// ThreadSanitizer does not see into the library that hands out the work, and would take what that does for
// races: it is told what comes first.
#ifdef COLDBRICK_THREAD_SANITIZER
#include <sanitizer/tsan_interface.h>
#define COLDBRICK_HAPPENS_BEFORE(place) __tsan_release(place)
#define COLDBRICK_HAPPENS_AFTER(place) __tsan_acquire(place)
#else
#define COLDBRICK_HAPPENS_BEFORE(place) static_cast<void>(place)
#define COLDBRICK_HAPPENS_AFTER(place) static_cast<void>(place)
#endif

namespace coldbrick::base {

int processors() {
    return std::max(1, static_cast<int>(std::thread::hardware_concurrency()));
}

void for_each_in_parallel(std::int64_t count, int threads, const std::function<void(std::int64_t)>& work) {
    char all_begin = 0;
    char all_end = 0;
    COLDBRICK_HAPPENS_BEFORE(&all_begin);
    tbb::task_arena(threads).execute([&] {
        tbb::parallel_for(std::int64_t{0}, count, [&](std::int64_t i) {
            COLDBRICK_HAPPENS_AFTER(&all_begin);
            work(i);
            COLDBRICK_HAPPENS_BEFORE(&all_end);
        });
    });
    COLDBRICK_HAPPENS_AFTER(&all_end);
}

} // namespace coldbrick::base
