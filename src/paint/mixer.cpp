#include "paint/mixer.hpp"

#include "paint/blend.hpp"
#include "paint/pixel_codec.hpp"

namespace coldbrick::paint {

Mixer::Mixer(const Colour& colour, const PixelPattern& pattern, const Codec& codec)
    : colour_(colour), codec_(codec) {
    if (codec.layout->is_gray()) colour_.red = colour_.green = colour_.blue = gray_of(colour);
    for (std::size_t i = 0; i < weighted_.size(); ++i)
        weighted_[i] =
            static_cast<std::uint16_t>(std::to_integer<unsigned>(pattern.bytes()[i]) * colour.alpha);
}

void Mixer::mix(std::byte* begin, std::size_t count) const {
    if (codec_.layout->has_alpha())
        mix_alpha(begin, count);
    else
        mix_opaque(begin, count);
}

/// Over opaque pixels every byte is mixed alike, an alpha byte with the opaque colour's 255.
void Mixer::mix_opaque(std::byte* at, std::size_t count) const {
    const std::uint32_t keep = 255U - colour_.alpha;
    const auto mixed = [keep](std::byte backdrop, std::uint16_t weighted) {
        return static_cast<std::byte>(
            divide_by_255(weighted + std::to_integer<std::uint32_t>(backdrop) * keep));
    };
    for (; count >= PixelPattern::period; count -= PixelPattern::period, at += PixelPattern::period)
        for (std::size_t i = 0; i < PixelPattern::period; ++i) at[i] = mixed(at[i], weighted_[i]);
    for (std::size_t i = 0; i < count; ++i) at[i] = mixed(at[i], weighted_[i]);
}

/// Runs of opaque pixels are mixed byte by byte, which is far faster than the general formula.
void Mixer::mix_alpha(std::byte* at, std::size_t count) const {
    const PixelLayout& layout = *codec_.layout;
    std::byte* const end = at + count;
    while (at != end) {
        std::byte* opaque_end = at;
        while (opaque_end != end && opaque_end[layout.alpha] == std::byte{255}) opaque_end += layout.bytes;
        mix_opaque(at, static_cast<std::size_t>(opaque_end - at));
        for (at = opaque_end; at != end && at[layout.alpha] != std::byte{255}; at += layout.bytes)
            codec_.encode(source_over(colour_, codec_.decode<Colour>(at)), at);
    }
}

} // namespace coldbrick::paint
