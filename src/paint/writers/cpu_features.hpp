/// @file
/// What the processor can do beyond what all of its family can.
#pragma once

// COLDBRICK_WIDE compiles a function for registers of 32 bytes. With COLDBRICK_WIDE_EVERYWHERE, the same code
// is compiled for whatever the processor has, so that it can be tested on every one.
#if defined(__x86_64__) && !defined(COLDBRICK_WIDE_EVERYWHERE)
#define COLDBRICK_WIDE [[gnu::target("avx2")]]
#else
#define COLDBRICK_WIDE
#endif

namespace coldbrick::paint {

/// Whether functions compiled for wide registers are used: where the processor has them. Tests may turn it
/// off, before they start threads.
inline bool& wide_vectors() {
#if defined(COLDBRICK_WIDE_EVERYWHERE)
    static bool result = true;
#elif defined(__x86_64__)
    static bool result = static_cast<bool>(__builtin_cpu_supports("avx2"));
#else
    static bool result = false;
#endif
    return result;
}

} // namespace coldbrick::paint
