#include "paint/painter.hpp"

#include "paint/mixer.hpp"
#include "paint/run_writer.hpp"

namespace coldbrick::paint {

void Painter::paint(std::span<const Span> spans) const {
    if (replaces_)
        replace(spans);
    else
        blend(spans);
}

#if defined(__x86_64__)

namespace {

const bool has_avx2 = static_cast<bool>(__builtin_cpu_supports("avx2"));

} // namespace

void Painter::replace(std::span<const Span> spans) const {
    if (has_avx2)
        replace_avx2(spans);
    else
        replace_narrow(spans);
}

[[gnu::target("avx2")]] void Painter::replace_avx2(std::span<const Span> spans) const {
    const PixelPattern pattern(pixel_, pixel_bytes_);
    const RunWriter<32> writer(pattern);
    for (const Span& span : spans) writer.write(address(span.x_begin, span.y), byte_count(span));
}

#else

void Painter::replace(std::span<const Span> spans) const {
    replace_narrow(spans);
}

#endif

void Painter::replace_narrow(std::span<const Span> spans) const {
    const PixelPattern pattern(pixel_, pixel_bytes_);
    const RunWriter<16> writer(pattern);
    for (const Span& span : spans) writer.write(address(span.x_begin, span.y), byte_count(span));
}

void Painter::blend(std::span<const Span> spans) const {
    if (colour_.alpha == 0) return;
    const Mixer mixer(colour_, PixelPattern(pixel_, pixel_bytes_), *layout_);
    for (const Span& span : spans) mixer.mix(address(span.x_begin, span.y), byte_count(span));
}

} // namespace coldbrick::paint
