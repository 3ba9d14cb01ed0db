#include "paint/blending/constant_blend.hpp"

#include "paint/writers/cpu_features.hpp"

#include <cstring>

namespace coldbrick::paint {

ConstantBlend::ConstantBlend(const Colour& colour, const RepeatedPixel& pattern, const Codec& codec)
    : colour_(colour), codec_(codec) {
    shares_.keep = Lanes{} + static_cast<std::uint16_t>(255 - colour.alpha);
    std::array<std::byte, block_bytes> bytes;
    std::memcpy(bytes.data(), pattern.bytes(), RepeatedPixel::period);
    std::memcpy(bytes.data() + RepeatedPixel::period, pattern.bytes(), RepeatedPixel::period);
    std::array<Lanes, parts> values;
    std::memcpy(values.data(), bytes.data(), block_bytes);
    const Lanes alpha = Lanes{} + colour.alpha;
    for (std::size_t i = 0; i < parts; ++i)
        shares_.parts_of_block[i] = ByteShare<Lanes>::of(values[i], alpha);
    if (codec.layout->alpha == PixelLayout::none) return;
    const std::uint64_t byte = std::uint64_t{255} << (8 * codec.layout->alpha);
    shares_.alpha = reinterpret_cast<Lanes>(
        Words{} + byte * (codec.layout->bytes == 2 ? 0x0001000100010001U : 0x100000001U));
}

void ConstantBlend::mix(std::byte* begin, std::size_t count) const {
    wide_vectors() ? mix_wide(begin, count) : mix_narrow(begin, count);
}

COLDBRICK_WIDE void ConstantBlend::mix_wide(std::byte* at, std::size_t count) const {
    mix_run(at, count);
}

void ConstantBlend::mix_narrow(std::byte* at, std::size_t count) const {
    mix_run(at, count);
}

/// Block by block, then part by part.
void ConstantBlend::mix_run(std::byte* at, std::size_t count) const {
    // A copy: stores through std::byte* may alias members, which would be reloaded each time.
    const Shares shares = shares_;
    for (; count >= block_bytes; count -= block_bytes, at += block_bytes) mix_parts<0, parts>(at, shares);
    if (count < lanes_bytes) return mix_rest<0>(at, count, shares);
    mix_parts<0, 1>(at, shares);
    if (count < 2 * lanes_bytes) return mix_rest<1>(at + lanes_bytes, count - lanes_bytes, shares);
    mix_parts<1, 1>(at + lanes_bytes, shares);
    mix_rest<2>(at + 2 * lanes_bytes, count - 2 * lanes_bytes, shares);
}

/// Less than a part, filled up with opaque pixels.
template <std::size_t Part>
void ConstantBlend::mix_rest(std::byte* at, std::size_t count, const Shares& shares) const {
    if (count == 0) return;
    std::array<std::byte, lanes_bytes> rest;
    rest.fill(std::byte{255});
    std::memcpy(rest.data(), at, count);
    mix_parts<Part, 1>(rest.data(), shares);
    std::memcpy(at, rest.data(), count);
}

template <std::size_t First, std::size_t Count>
void ConstantBlend::mix_parts(std::byte* at, const Shares& shares) const {
    auto* const memory = reinterpret_cast<Anywhere*>(at);
    Lanes all = memory[0].lanes;
    for (std::size_t i = 1; i < Count; ++i) all &= memory[i].lanes;
    const auto missing = reinterpret_cast<Words>(~all & shares.alpha);
    if ((missing[0] | missing[1] | missing[2] | missing[3]) != 0)
        return mix_singly(colour_, at, Count * lanes_bytes, codec_);
    for (std::size_t i = 0; i < Count; ++i) {
        const Lanes backdrop = memory[i].lanes;
        memory[i].lanes = shares.parts_of_block[First + i].with(backdrop, shares.keep);
    }
}

} // namespace coldbrick::paint
