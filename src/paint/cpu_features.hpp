/// @file
/// What the processor can do beyond what all of its family can.
#pragma once

namespace coldbrick::paint {

#if defined(__x86_64__)
/// Whether functions that are compiled for AVX2 may be called.
inline bool has_avx2() {
    static const bool result = static_cast<bool>(__builtin_cpu_supports("avx2"));
    return result;
}
#define COLDBRICK_AVX2 [[gnu::target("avx2")]]
#else
inline bool has_avx2() {
    return false;
}
#define COLDBRICK_AVX2
#endif

} // namespace coldbrick::paint
