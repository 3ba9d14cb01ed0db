#include "paint/blending/composite_integers.hpp"

#include "base/contract.hpp"
#include "paint/blending/blend_formulas.hpp"
#include "paint/writers/cpu_features.hpp"

#include <algorithm>
#include <array>
#include <cstring>
#include <type_traits>

namespace coldbrick::paint {

namespace {

// Over opaque pixels, the operators and most modes are a rule for each number on its own. Two kinds of rules
// are enough: a number is mixed with a source's by the source's alpha, or some of its bits are kept and
// others changed. A pixel's numbers are put together as one word.

/// Channels of 8 or 16 bits.
template <class C>
struct Integers {
    using Channel = typename ChannelDepth<C>::Value;
    using Word = std::conditional_t<sizeof(Channel) == 1, std::uint32_t, std::uint64_t>; ///< of a pixel
    static constexpr auto most = static_cast<std::int64_t>(ChannelDepth<C>::most);
    static constexpr Word ones = static_cast<Word>(sizeof(Channel) == 1 ? 0x01010101U : 0x0001000100010001U);

    /// The two numbers of each channel's rule. A pixel of three channels is written as four, the last of
    /// which the next pixel overwrites.
    struct Rules {
        std::array<Channel, 4 * integer_block + 1> first;
        std::array<Channel, 4 * integer_block + 1> second;
    };
};

constexpr bool mixes(BlendMode mode) {
    switch (mode) {
    case BlendMode::source_over:
    case BlendMode::source_atop:
    case BlendMode::lighter:
    case BlendMode::multiply:
    case BlendMode::screen:
    case BlendMode::overlay:
    case BlendMode::darken:
    case BlendMode::lighten:
    case BlendMode::hard_light:
    case BlendMode::difference:
    case BlendMode::exclusion: return true;
    default: return false;
    }
}

/// True of the modes that only keep and change bits, over opaque pixels.
constexpr bool keeps_bits(BlendMode mode) {
    switch (mode) {
    case BlendMode::copy:
    case BlendMode::clear:
    case BlendMode::destination_over:
    case BlendMode::source_in:
    case BlendMode::destination_in:
    case BlendMode::source_out:
    case BlendMode::destination_out:
    case BlendMode::destination_atop:
    case BlendMode::exclusive_or:
    case BlendMode::invert:
    case BlendMode::bits_and:
    case BlendMode::bits_or:
    case BlendMode::bits_xor: return true;
    default: return false;
    }
}

/// True of the modes for which it makes no difference how opaque what is there is.
constexpr bool takes_any_backdrop(BlendMode mode) {
    return mode == BlendMode::copy || mode == BlendMode::clear || only_changes_numbers(mode);
}

/// The mixture of a source's number and the backdrop's, times the largest number.
template <BlendMode mode, class Number>
[[gnu::always_inline]] constexpr Number mixture(Number s, Number d, Number most) {
    switch (mode) {
    case BlendMode::multiply: return s * d;
    case BlendMode::screen: return most * (s + d) - s * d;
    case BlendMode::overlay: return mixture<BlendMode::hard_light>(d, s, most);
    case BlendMode::hard_light:
        return 2 * s <= most ? 2 * s * d : most * (d + 2 * s - most) - d * (2 * s - most);
    default: return most * (s + d) - 2 * s * d; // exclusion
    }
}

/// Of the modes whose mixture is one of the numbers or their difference.
template <BlendMode mode, class Number>
[[gnu::always_inline]] constexpr Number picked(Number s, Number d) {
    switch (mode) {
    case BlendMode::darken: return std::min(s, d);
    case BlendMode::lighten: return std::max(s, d);
    case BlendMode::difference: return s > d ? s - d : d - s;
    default: return s;
    }
}
constexpr bool picks(BlendMode mode) {
    return mode == BlendMode::source_over || mode == BlendMode::source_atop || mode == BlendMode::darken ||
           mode == BlendMode::lighten || mode == BlendMode::difference;
}

/// round(value / most), for products of two numbers and sums of such.
[[gnu::always_inline]] inline std::uint16_t divided(std::uint16_t value) {
    return static_cast<std::uint16_t>((value + ((value + 128U) >> 8U) + 128U) >> 8U);
}
[[gnu::always_inline]] inline std::uint32_t divided(std::uint32_t value) {
    const std::uint64_t biased = std::uint64_t{value} + 32768;
    return static_cast<std::uint32_t>((biased + (biased >> 16U)) >> 16U);
}

/// round(value / most^2), for products of three numbers: a guess in floats, which hold these integers,
/// mended.
[[gnu::always_inline]] inline std::int32_t divided_twice(std::int32_t value) {
    constexpr std::int32_t divisor = 255 * 255;
    const std::int32_t biased = value + divisor / 2;
    const auto guess = static_cast<std::int32_t>(static_cast<float>(biased) * (1.0F / divisor));
    const std::int32_t rest = biased - guess * divisor;
    return guess + (rest >= divisor ? 1 : 0) - (rest < 0 ? 1 : 0);
}
[[gnu::always_inline]] inline std::int64_t divided_twice(std::int64_t value) {
    constexpr std::int64_t divisor = std::int64_t{65535} * 65535;
    return (value + divisor / 2) / divisor;
}

template <BlendMode mode, class C>
[[gnu::always_inline]] inline auto mixed_number(typename Integers<C>::Channel s,
                                                typename Integers<C>::Channel a,
                                                typename Integers<C>::Channel d) {
    using Channel = typename Integers<C>::Channel;
    // Numbers that hold products of two, and of three.
    using Two = std::conditional_t<sizeof(Channel) == 1, std::uint16_t, std::uint32_t>;
    using Three = std::conditional_t<sizeof(Channel) == 1, std::int32_t, std::int64_t>;
    constexpr auto most = static_cast<Two>(Integers<C>::most);
    if constexpr (picks(mode)) {
        const Two over = static_cast<Two>(Two{a} * picked<mode, Two>(s, d));
        return static_cast<Channel>(divided(static_cast<Two>(over + static_cast<Two>(most - a) * d)));
    } else if constexpr (mode == BlendMode::lighter) {
        return static_cast<Channel>(
            std::min<Two>(most, static_cast<Two>(d + divided(static_cast<Two>(Two{a} * s)))));
    } else {
        const Three mixed = mixture<mode, Three>(s, d, most);
        return static_cast<Channel>(divided_twice(a * mixed + (Three{most} - a) * d * most));
    }
}

template <BlendMode mode, class C>
[[gnu::always_inline]] inline void
mix(std::byte* __restrict at, const typename Integers<C>::Channel* __restrict sources,
    const typename Integers<C>::Channel* __restrict alphas, std::size_t count) {
    using Channel = typename Integers<C>::Channel;
    for (std::size_t i = 0; i < count; ++i) {
        Channel backdrop;
        std::memcpy(&backdrop, at + i * sizeof backdrop, sizeof backdrop);
        const Channel result = mixed_number<mode, C>(sources[i], alphas[i], backdrop);
        std::memcpy(at + i * sizeof result, &result, sizeof result);
    }
}
template <BlendMode mode, class C>
COLDBRICK_WIDE void mix_wide(std::byte* at, const typename Integers<C>::Rules& rules, std::size_t count) {
    mix<mode, C>(at, rules.first.data(), rules.second.data(), count);
}
template <BlendMode mode, class C>
void mix_narrow(std::byte* at, const typename Integers<C>::Rules& rules, std::size_t count) {
    mix<mode, C>(at, rules.first.data(), rules.second.data(), count);
}

/// What becomes of a pixel's bits: (pixel & keep) ^ change.
template <class Word>
struct BitRule {
    Word keep;
    Word change;
};

/// Which of a pixel's bits are its colour, its alpha, and may change; and where its channels lie.
template <class C>
class PixelBits {
    using Word = typename Integers<C>::Word;
    using Channel = typename Integers<C>::Channel;

  public:
    PixelBits(const PixelLayout& layout, const ChannelMask& mask) : is_gray_(layout.is_gray()) {
        const auto bits = [](int offset) {
            return offset == PixelLayout::none
                       ? Word{0}
                       : static_cast<Word>(static_cast<Word>(Integers<C>::most) << (8 * offset));
        };
        alpha_ = bits(layout.alpha);
        colour_ = bits(layout.gray) | bits(layout.red) | bits(layout.green) | bits(layout.blue);
        may_change_ = (mask.red ? bits(layout.gray) | bits(layout.red) : Word{0}) |
                      (mask.green ? bits(layout.green) : Word{0}) |
                      (mask.blue ? bits(layout.blue) : Word{0}) | (mask.alpha ? alpha_ : Word{0});
        first_ = 8 * (is_gray_ ? layout.gray : layout.red);
        if (is_gray_) return;
        green_ = 8 * layout.green;
        blue_ = 8 * layout.blue;
    }

    [[nodiscard]] Word colour_of(const C& colour) const {
        if (is_gray_) return static_cast<Word>(Word{gray_of(colour)} << first_);
        return static_cast<Word>(Word{colour.red} << first_ | Word{colour.green} << green_ |
                                 Word{colour.blue} << blue_);
    }

    /// A source's alpha for each number that it mixes: none for alpha, which stays, and what may not change.
    [[nodiscard]] Word mixing(Channel alpha) const {
        return static_cast<Word>(Integers<C>::ones * alpha) & colour_ & may_change_;
    }

    template <BlendMode mode>
    [[nodiscard]] BitRule<Word> rule(Word s, Channel a) const {
        const auto [keep, change] = any_rule<mode>(s, a);
        return {static_cast<Word>(keep | ~may_change_), change & may_change_};
    }

  private:
    template <BlendMode mode>
    [[nodiscard]] BitRule<Word> any_rule(Word s, Channel a) const {
        constexpr auto most = static_cast<Channel>(Integers<C>::most);
        constexpr Word all = static_cast<Word>(~Word{0});
        constexpr BitRule<Word> unchanged{all, 0};
        const Word with_alpha = static_cast<Word>(Integers<C>::ones * a) & alpha_;
        switch (mode) {
        case BlendMode::destination_over: return unchanged;
        case BlendMode::copy:
        case BlendMode::source_in: return {0, a == 0 ? Word{0} : s | with_alpha};
        case BlendMode::destination_in:
        case BlendMode::destination_atop: return {a == 0 ? Word{0} : colour_, with_alpha};
        case BlendMode::destination_out:
        case BlendMode::exclusive_or: return {a == most ? Word{0} : colour_, alpha_ - with_alpha};
        case BlendMode::invert: return a == 0 ? unchanged : BitRule<Word>{all, colour_};
        case BlendMode::bits_and: return a == 0 ? unchanged : BitRule<Word>{s | alpha_, 0};
        case BlendMode::bits_or: return a == 0 ? unchanged : BitRule<Word>{static_cast<Word>(~s), s};
        case BlendMode::bits_xor: return a == 0 ? unchanged : BitRule<Word>{all, s};
        default: return {0, 0};
        }
    }

    bool is_gray_;
    int first_; ///< where red or gray begins, in bits
    int green_ = 0;
    int blue_ = 0;
    Word alpha_;
    Word colour_;
    Word may_change_;
};

/// What shows of paints' colours: a pixel's numbers, without alpha, and the alphas.
template <class C>
struct Shown {
    std::array<typename Integers<C>::Word, integer_block> words;
    std::array<typename Integers<C>::Channel, integer_block> alphas;
};

/// @param in_part whether colours show in part where pixels are covered in part; else from a half on, and
/// wholly
template <class C>
[[gnu::noinline]] void find_shown(PixelBits<C> bits, std::uint8_t opacity, bool in_part,
                                  std::span<const C> colours, const std::uint8_t* coverages,
                                  Shown<C>& shown) {
    for (std::size_t i = 0; i < colours.size(); ++i) {
        C source = with_opacity(colours[i], opacity);
        if (coverages != nullptr) {
            if (in_part)
                source = with_opacity(source, coverages[i]);
            else if (coverages[i] < 128)
                source.alpha = 0;
        }
        shown.words[i] = bits.colour_of(source);
        shown.alphas[i] = source.alpha;
    }
}

/// The rules of modes that mix, and of those that keep bits.
template <class C>
[[gnu::noinline]] void make_mixing_rules(PixelBits<C> bits, const Shown<C>& shown, std::size_t pixels,
                                         std::size_t channels, typename Integers<C>::Rules& rules) {
    for (std::size_t i = 0; i < pixels; ++i) {
        const auto alphas = bits.mixing(shown.alphas[i]);
        std::memcpy(&rules.first[i * channels], &shown.words[i], sizeof alphas);
        std::memcpy(&rules.second[i * channels], &alphas, sizeof alphas);
    }
}
template <BlendMode mode, class C>
[[gnu::noinline]] void make_bit_rules(PixelBits<C> bits, const Shown<C>& shown, std::size_t pixels,
                                      std::size_t channels, typename Integers<C>::Rules& rules) {
    for (std::size_t i = 0; i < pixels; ++i) {
        const auto rule = bits.template rule<mode>(shown.words[i], shown.alphas[i]);
        std::memcpy(&rules.first[i * channels], &rule.keep, sizeof rule.keep);
        std::memcpy(&rules.second[i * channels], &rule.change, sizeof rule.change);
    }
}

template <class C>
[[gnu::noinline]] void keep_and_change(std::byte* at, const typename Integers<C>::Rules& rules,
                                       std::size_t count) {
    for (std::size_t i = 0; i < count; ++i, at += sizeof(typename Integers<C>::Channel)) {
        typename Integers<C>::Channel backdrop;
        std::memcpy(&backdrop, at, sizeof backdrop);
        backdrop = static_cast<typename Integers<C>::Channel>((backdrop & rules.first[i]) ^ rules.second[i]);
        std::memcpy(at, &backdrop, sizeof backdrop);
    }
}

template <class C>
bool are_opaque(const std::byte* at, std::size_t pixels, const PixelLayout& layout) {
    if (layout.alpha == PixelLayout::none) return true;
    using Channel = typename Integers<C>::Channel;
    auto all = static_cast<Channel>(Integers<C>::most);
    for (std::size_t i = 0; i < pixels; ++i, at += layout.bytes) {
        Channel alpha;
        std::memcpy(&alpha, at + layout.alpha, sizeof alpha);
        all &= alpha;
    }
    return all == Integers<C>::most;
}

template <class C>
void composite_block(const Surface& surface, const ChannelMask& mask, const Blending& blending, std::byte* at,
                     std::span<const C> colours, const std::uint8_t* coverages) {
    const PixelLayout& layout = *surface.codec.layout;
    const std::size_t channels =
        static_cast<std::size_t>(layout.bytes) / sizeof(typename Integers<C>::Channel);
    const PixelBits<C> bits(layout, mask);
    Shown<C> shown; // left as they are beyond the colours
    typename Integers<C>::Rules rules;
    find_shown(bits, blending.opacity, !only_changes_numbers(blending.mode), colours, coverages, shown);
    const std::size_t pixels = colours.size();
    const std::size_t count = pixels * channels;
    if (mixes(blending.mode)) make_mixing_rules(bits, shown, pixels, channels, rules);
    with_mode(blending.mode, [&](auto known) {
        if constexpr (mixes(known()))
            wide_vectors() ? mix_wide<known(), C>(at, rules, count)
                           : mix_narrow<known(), C>(at, rules, count);
        else if constexpr (keeps_bits(known()))
            make_bit_rules<known()>(bits, shown, pixels, channels, rules);
    });
    if (!mixes(blending.mode)) keep_and_change<C>(at, rules, count);
}

} // namespace

bool composites_integers(const Surface& surface, const Blending& blending, bool in_part) {
    using Kind = PixelLayout::Kind;
    const Kind kind = surface.codec.layout->kind;
    return (kind == Kind::bytes || kind == Kind::words) && surface.contiguous() &&
           blending.space == BlendSpace::encoded &&
           (mixes(blending.mode) || (keeps_bits(blending.mode) && !(in_part && erases(blending.mode))));
}

template <class C>
bool composite_integers(const Surface& surface, const ChannelMask& mask, const Blending& blending,
                        std::byte* at, std::span<const C> colours, const std::uint8_t* coverages) {
    COLDBRICK_ASSERT(colours.size() <= integer_block);
    if (!takes_any_backdrop(blending.mode) && !are_opaque<C>(at, colours.size(), *surface.codec.layout))
        return false;
    composite_block(surface, mask, blending, at, colours, coverages);
    return true;
}

template bool composite_integers(const Surface&, const ChannelMask&, const Blending&, std::byte*,
                                 std::span<const Colour>, const std::uint8_t*);
template bool composite_integers(const Surface&, const ChannelMask&, const Blending&, std::byte*,
                                 std::span<const Colour16>, const std::uint8_t*);

} // namespace coldbrick::paint
