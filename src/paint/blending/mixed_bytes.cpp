#include "paint/blending/mixed_bytes.hpp"

namespace coldbrick::paint {

void mix_singly(const Colour& colour, std::byte* at, std::size_t count, const Codec& codec) {
    Colour source = colour;
    if (codec.layout->is_gray()) source.red = source.green = source.blue = gray_of(colour);
    for (std::byte* const end = at + count; at != end; at += codec.layout->bytes)
        codec.encode(source_over(source, codec.decode<Colour>(at)), at);
}

} // namespace coldbrick::paint
