#include "paint/writers/painter.hpp"

#include "paint/blending/composite_run.hpp"
#include "paint/blending/mixed_bytes.hpp"
#include "paint/writers/cpu_features.hpp"
#include "paint/writers/run_writer.hpp"

#include <array>
#include <cstring>

namespace coldbrick::paint {

/// For all but an opaque colour, which the constructor knows.
void Painter::choose_way() {
    if (const Pattern* const pattern = paint_->pattern()) sampler_.emplace(*pattern);
    const auto* const plain = paint_->colour<Colour>();
    // Deep formats have an opacity in their own depth.
    const bool is_one_colour = plain != nullptr && surface_.mask.all() &&
                               (blending_.opacity == 255 || !surface_.codec.layout->is_deep());
    if (!is_one_colour) return use_deep_pixel();
    const Colour colour = with_opacity(*plain, blending_.opacity);
    const bool over = blending_.mode == BlendMode::source_over;
    if (over && colour.alpha == 0)
        way_ = Way::nothing;
    else if (blending_.mode == BlendMode::copy || (over && colour.alpha == 255))
        use_pixel(Way::replace, settled(colour));
    else if (over && blending_.space == BlendSpace::encoded &&
             surface_.codec.layout->kind == PixelLayout::Kind::bytes && surface_.contiguous())
        use_constant_blend(colour);
    else
        use_deep_pixel();
}

void Painter::use_constant_blend(const Colour& colour) {
    // Over an opaque backdrop the opaque colour is mixed in: the result is opaque, too.
    use_pixel(Way::mix, Colour(colour.red, colour.green, colour.blue));
    blend_.emplace(colour, RepeatedPixel(pixel_, surface_.pixel_stride_bytes), surface_.codec);
}

/// Deep colours that hide what is there are written as they are, too.
void Painter::use_deep_pixel() {
    way_ = Way::general;
    if (surface_.codec.layout->kind == PixelLayout::Kind::index) {
        nearest_ = std::make_unique<NearestEntries>(*surface_.codec.palette);
        surface_.codec.nearest = nearest_.get();
    }
    const BlendMode mode = blending_.mode;
    if (!surface_.mask.all() || blending_.opacity != 255) return;
    const auto use = [&](const auto& colour) {
        const bool opaque = colour.alpha == ChannelDepth<std::remove_cvref_t<decltype(colour)>>::most;
        if (mode != BlendMode::copy && (mode != BlendMode::source_over || !opaque)) return;
        way_ = Way::replace;
        pixel_ = surface_.codec.pixel(settled(colour));
    };
    if (const auto* const deep = paint_->colour<Colour16>()) use(*deep);
    if (const auto* const real = paint_->colour<RealColour>()) use(*real);
}

PlainPixels Painter::plain_pixels() const {
    const std::ptrdiff_t bytes = surface_.codec.layout->bytes;
    if (!replaces() || bytes > 4) return {};
    const std::uint64_t word =
        bytes == 3 ? pixel_[0] * 0x0001000001000001U : RepeatedPixel::word(pixel_[0], bytes);
    return {surface_.origin, surface_.row_stride_bytes, surface_.pixel_stride_bytes, bytes, word};
}

namespace {

/// Calls write(places, bytes) for the runs of a span, in contiguous memory.
template <class Write>
[[gnu::always_inline]] inline void write_runs(const Surface& surface, const Span& span, const Write& write) {
    write(Places<1>{surface.address(span.x_begin, span.y)}, surface.byte_count(span.x_end - span.x_begin));
}

template <class Write>
[[gnu::always_inline]] inline void write_runs(const Surface& surface, const base::MirroredSpan& span,
                                              const Write& write) {
    std::byte* const at = surface.address(span.x, span.y);
    std::byte* const other = surface.address(span.x, span.other_y);
    const std::size_t bytes = surface.byte_count(span.length);
    if (span.x == span.other_x) return write(Places<2>{at, other}, bytes);
    const std::ptrdiff_t across = (std::int64_t{span.other_x} - span.x) * surface.pixel_stride_bytes;
    write(Places<4>{at, at + across, other, other + across}, bytes);
}

} // namespace

template <std::size_t Width, class Spans>
inline void Painter::replace_by(const Spans& spans) const {
    // A copy: stores through std::byte* may alias members, which would be reloaded each time.
    const Surface surface = surface_;
    // Inlined here, so that it is compiled for the registers of this function.
    const auto replace_with = [&](const auto& writer) __attribute__((always_inline)) {
        for (const auto& span : spans)
            write_runs(
                surface,
                span, [&writer](const auto& places, std::size_t bytes) __attribute__((always_inline)) {
                    writer.write(places, bytes);
                });
    };
    if (RepeatedPixel::repeats_in_words(surface_.pixel_stride_bytes))
        return replace_with(
            WordRunWriter<Width>(RepeatedPixel::word(pixel_[0], surface_.pixel_stride_bytes)));
    const RepeatedPixel pattern(pixel_, surface_.pixel_stride_bytes);
    replace_with(RunWriter<Width>(pattern));
}

template <class Spans>
COLDBRICK_WIDE void Painter::replace_wide(const Spans& spans) const {
    replace_by<32>(spans);
}

template <class Spans>
void Painter::replace_narrow(const Spans& spans) const {
    replace_by<16>(spans);
}

void Painter::paint(std::span<const Span> spans) const {
    switch (way_) {
    case Way::nothing: return;
    case Way::replace:
        if (!surface_.contiguous()) return replace_scattered(spans);
        return wide_vectors() ? replace_wide(spans) : replace_narrow(spans);
    case Way::mix: return mix(spans);
    case Way::general: return composite_all(spans);
    }
}

void Painter::paint(std::span<const base::MirroredSpan> spans) const {
    if (way_ == Way::nothing) return;
    if (way_ == Way::replace && surface_.contiguous())
        return wide_vectors() ? replace_wide(spans) : replace_narrow(spans);
    std::array<Span, 64> batch;
    std::size_t count = 0;
    for (const base::MirroredSpan& span : spans) {
        span.for_each([&](const Span& one) { batch[count++] = one; });
        if (count + 4 <= batch.size()) continue;
        paint(std::span<const Span>(batch.data(), count));
        count = 0;
    }
    paint(std::span<const Span>(batch.data(), count));
}

void Painter::replace_scattered(std::span<const Span> spans) const {
    const auto bytes = static_cast<std::size_t>(surface_.codec.layout->bytes);
    for (const Span& span : spans) {
        std::byte* at = surface_.address(span.x_begin, span.y);
        for (std::int64_t x = span.x_begin; x < span.x_end; ++x, at += surface_.pixel_stride_bytes)
            std::memcpy(at, pixel_.data(), bytes);
    }
}

void Painter::mix(std::span<const Span> spans) const {
    for (const Span& span : spans)
        blend_->mix(surface_.address(span.x_begin, span.y), surface_.byte_count(span.x_end - span.x_begin));
}

namespace {

/// A paint's colours for one run of pixels after the other.
template <class C>
class Colours {
  public:
    /// @param gray whether the surface holds the colours' gray
    /// @param sampler of the paint's pattern, or null if it is a colour
    Colours(const Paint& paint, bool gray, const PatternSampler* sampler, std::int64_t origin_x,
            std::int64_t origin_y)
        : sampler_(sampler), origin_x_(origin_x), origin_y_(origin_y) {
        if (const auto* const plain = paint.colour<Colour>()) fill(*plain, gray);
        if (const auto* const deep = paint.colour<Colour16>()) fill(*deep, gray);
        if (const auto* const real = paint.colour<RealColour>()) fill(*real, gray);
    }

    static constexpr std::int64_t largest_run = 256;

    /// Those of `count` pixels from (x, y) on.
    [[nodiscard]] std::span<const C> run(std::int64_t x, std::int64_t y, std::int64_t count) {
        const std::span<C> result(colours_.data(), static_cast<std::size_t>(count));
        if (sampler_ != nullptr) sampler_->row<C>(x - origin_x_, y - origin_y_, result);
        return result;
    }

  private:
    /// The gray of a deeper colour is rounded once.
    template <class Own>
    void fill(Own colour, bool gray) {
        if (gray && sizeof(Own) > sizeof(C)) colour.red = colour.green = colour.blue = gray_of(colour);
        colours_.fill(to_depth<C>(colour));
    }

    const PatternSampler* sampler_;
    std::int64_t origin_x_;
    std::int64_t origin_y_;
    std::array<C, largest_run> colours_{};
};

} // namespace

namespace {

/// Calls composite(x, y, colours, done) for a span, part by part; `done` tells how many pixels came before.
template <class C, class Composite>
void for_each_part(const Span& span, Colours<C>& colours, Composite composite) {
    for (std::int64_t x = span.x_begin; x < span.x_end; x += Colours<C>::largest_run) {
        const std::int64_t count = std::min(span.x_end - x, Colours<C>::largest_run);
        composite(x, span.y, std::span<const C>(colours.run(x, span.y, count)), x - span.x_begin);
    }
}

} // namespace

/// Calls work(colours) with those of the paint, of the depth that pixels are composited in: that of the
/// format, but deep colours are not rounded to 8 bits before they are rounded to fewer.
template <class Work>
void Painter::with_colours(const Work& work) const {
    const PixelLayout& layout = *surface_.codec.layout;
    const auto at = [&]<class C>(C) {
        Colours<C> colours(*paint_, layout.is_gray(), sampler_ ? &*sampler_ : nullptr, pattern_x_,
                           pattern_y_);
        work(colours);
    };
    const bool is_deep = paint_->colour<Colour16>() != nullptr || paint_->colour<RealColour>() != nullptr;
    if (is_deep && layout.kind == PixelLayout::Kind::packed) return at(RealColour());
    at_depth(layout, at);
}

void Painter::composite_all(std::span<const Span> spans) const {
    with_colours([&]<class C>(Colours<C>& colours) {
        for (const Span& span : spans)
            for_each_part<C>(span, colours, [&](auto x, auto y, auto run, auto) {
                composite_run<C>(surface_, blending_, x, y, run);
            });
    });
}

/// The colour, if it is laid over bytes as a film.
const Colour* Painter::colour_over_bytes() const {
    const auto* const plain = paint_->colour<Colour>();
    const bool over = blending_.mode == BlendMode::source_over && blending_.space == BlendSpace::encoded;
    const bool suits = plain != nullptr && over && blending_.opacity == 255 && surface_.mask.all();
    return suits && surface_.codec.layout->kind == PixelLayout::Kind::bytes ? plain : nullptr;
}

template <std::size_t Bytes>
void Painter::lay_over(const Colour& colour, std::span<const base::CoverageSpan> spans) const {
    const Codec& codec = surface_.codec;
    const auto opaque =
        static_cast<std::uint32_t>(codec.pixel(Colour(colour.red, colour.green, colour.blue))[0]);
    const std::uint32_t alpha_bits =
        codec.layout->alpha == PixelLayout::none ? 0 : std::uint32_t{255} << (8 * codec.layout->alpha);
    for (const base::CoverageSpan& span : spans) {
        std::byte* at = surface_.address(span.span.x_begin, span.span.y);
        const std::uint8_t* coverage = span.coverages;
        for (std::int64_t x = span.span.x_begin; x < span.span.x_end;
             ++x, ++coverage, at += surface_.pixel_stride_bytes) {
            const std::uint32_t alpha = divide_by_255(std::uint32_t{colour.alpha} * *coverage);
            std::uint32_t backdrop = 0;
            std::memcpy(&backdrop, at, Bytes);
            if ((~backdrop & alpha_bits) != 0) {
                mix_singly(with_opacity(colour, *coverage), at, Bytes, codec);
                continue;
            }
            const std::uint32_t result =
                ByteShare<std::uint32_t>::of(opaque, alpha).with(backdrop, 255 - alpha);
            std::memcpy(at, &result, Bytes);
        }
    }
}

void Painter::paint(std::span<const base::CoverageSpan> spans) const {
    if (way_ == Way::nothing) return;
    if (const Colour* const colour = colour_over_bytes()) switch (surface_.codec.layout->bytes) {
        case 1: return lay_over<1>(*colour, spans);
        case 2: return lay_over<2>(*colour, spans);
        case 3: return lay_over<3>(*colour, spans);
        default: return lay_over<4>(*colour, spans);
        }
    with_colours([&]<class C>(Colours<C>& colours) {
        for (const base::CoverageSpan& span : spans)
            for_each_part<C>(span.span, colours, [&](auto x, auto y, auto run, std::int64_t done) {
                composite_run<C>(surface_, blending_, x, y, run, span.coverages + done);
            });
    });
}

} // namespace coldbrick::paint
