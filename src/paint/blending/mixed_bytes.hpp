/// @file
/// Bytes mixed with others, many at a time.
#pragma once

#include <cstdint>

// Functions that are all inlined have no binary interface that registers could change.
#pragma GCC diagnostic ignored "-Wpsabi"

namespace coldbrick::paint {

// Bytes at even and odd places apart, in 16 bits each: `even` and `odd` are the shares that are added times
// 255, and 128; `keep` is the share of what is there. Divided by 255 as divide_by_255() does.

/// @tparam Word of 32 or 64 bits
template <class Word>
constexpr Word low_bytes = static_cast<Word>(0x00FF00FF00FF00FF);
template <class Word>
constexpr Word half_of_255 = static_cast<Word>(0x0080008000800080); ///< rounded up, for each

template <class Word>
[[gnu::always_inline]] constexpr Word mixed_word(Word backdrop, Word keep, Word even, Word odd) {
    constexpr Word low = low_bytes<Word>;
    even += (backdrop & low) * keep;
    odd += (backdrop >> 8U & low) * keep;
    return ((even + (even >> 8U & low)) >> 8U & low) | ((odd + (odd >> 8U & low)) & ~low);
}

/// @tparam Lanes vectors of 16 bits
template <class Lanes>
[[gnu::always_inline]] inline Lanes mixed_lanes(const Lanes& backdrop, const Lanes& keep, const Lanes& even,
                                                const Lanes& odd) {
    const Lanes low = (backdrop & 255) * keep + even;
    const Lanes high = (backdrop >> 8) * keep + odd;
    return (low + (low >> 8)) >> 8 | ((high + (high >> 8)) & 0xFF00);
}

} // namespace coldbrick::paint
