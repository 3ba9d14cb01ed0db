/// @file
/// Random bits that are decided by where they are asked for, not by what was asked for before.
#pragma once

#include <cstdint>
#include <string_view>

namespace coldbrick::sheet {

/// One step of SplitMix64: G. L. Steele, D. Lea, C. H. Flood, "Fast splittable pseudorandom number
/// generators", OOPSLA 2014.
constexpr std::uint64_t mixed_bits(std::uint64_t bits) {
    bits += 0x9E3779B97F4A7C15U;
    bits = (bits ^ bits >> 30U) * 0xBF58476D1CE4E5B9U;
    bits = (bits ^ bits >> 27U) * 0x94D049BB133111EBU;
    return bits ^ bits >> 31U;
}

/// Bits that two values decide.
constexpr std::uint64_t mixed_bits(std::uint64_t a, std::uint64_t b) {
    return mixed_bits(mixed_bits(a) ^ b);
}

/// Bits that a text decides: G. Fowler, L. C. Noll, K.-P. Vo, D. Eastlake, "The FNV non-cryptographic hash
/// algorithm", FNV-1a of 64 bits.
constexpr std::uint64_t text_bits(std::string_view text) {
    std::uint64_t bits = 0xCBF29CE484222325U;
    for (const char c : text) bits = (bits ^ static_cast<unsigned char>(c)) * 0x100000001B3U;
    return bits;
}

/// A number of 0 up to 1, out of 2^53 of equal distance.
constexpr double share_of_bits(std::uint64_t bits) {
    return static_cast<double>(bits >> 11U) * 0x1p-53;
}

} // namespace coldbrick::sheet
