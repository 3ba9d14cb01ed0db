/// @file
/// One pixel's bytes from a colour, and back.
#pragma once

#include "paint/colours/nearest_entries.hpp"
#include "paint/formats/channel_depth.hpp"

#include <coldbrick/palette.hpp>
#include <coldbrick/pixel_format.hpp>

#include <array>
#include <bit>
#include <cstddef>
#include <cstdint>
#include <cstring>
#include <limits>
#include <type_traits>

namespace coldbrick::paint {

static_assert(std::endian::native == std::endian::little, "pixels are put together as little-endian words");

/// The bytes of a pixel of any format, the first one lowest.
using PixelBytes = std::array<std::uint64_t, 2>;

/// A format and what is needed to read and write its pixels.
struct Codec {
    const PixelLayout* layout;
    const Palette* palette;            ///< of indexed8; null otherwise
    NearestEntries* nearest = nullptr; ///< of the palette, or null: each colour is looked for anew

    /// The colour of a pixel. Gray gives equal red, green and blue, a format without alpha is opaque, and
    /// numbers beyond the palette are see-through black.
    template <class C>
    [[nodiscard]] C decode(const std::byte* pixel) const {
        using Kind = PixelLayout::Kind;
        switch (layout->kind) {
        case Kind::bytes: return decode_channels<C, std::uint8_t>(pixel);
        case Kind::words: return decode_channels<C, std::uint16_t>(pixel);
        case Kind::floats: return decode_channels<C, float>(pixel);
        case Kind::packed: return decode_packed<C>(pixel);
        case Kind::index: break;
        }
        const auto number = std::to_integer<std::size_t>(*pixel);
        return to_depth<C>(number < palette->size() ? palette->entries()[number].colour : Colour(0, 0, 0, 0));
    }

    /// Writes a colour as one pixel. Alpha is left out where the layout has none.
    template <class C>
    void encode(const C& colour, std::byte* pixel) const {
        using Kind = PixelLayout::Kind;
        switch (layout->kind) {
        case Kind::bytes: return encode_channels<std::uint8_t>(colour, pixel);
        case Kind::words: return encode_channels<std::uint16_t>(colour, pixel);
        case Kind::floats: return encode_channels<float>(colour, pixel);
        case Kind::packed: return encode_packed(colour, pixel);
        case Kind::index: *pixel = static_cast<std::byte>(nearest_entry(to_depth<Colour>(colour)));
        }
    }

    /// The bytes of one pixel of the colour.
    template <class C>
    [[nodiscard]] PixelBytes pixel(const C& colour) const {
        const bool is_rounded_once = std::same_as<C, Colour> || !layout->is_gray();
        if (layout->kind == PixelLayout::Kind::bytes && is_rounded_once)
            return {word(to_depth<Colour>(colour)), 0};
        PixelBytes result{};
        encode(colour, reinterpret_cast<std::byte*>(result.data()));
        return result;
    }

    /// The same where channels are Stored numbers.
    template <class C, class Stored>
    [[nodiscard]] C decode_channels(const std::byte* pixel) const {
        using Value = typename ChannelDepth<C>::Value;
        const auto get = [pixel](int offset, Value otherwise) {
            return offset == PixelLayout::none ? otherwise : read<C, Stored>(pixel + offset);
        };
        const Value alpha = get(layout->alpha, ChannelDepth<C>::most);
        if (layout->is_gray()) {
            const Value gray = get(layout->gray, 0);
            return {gray, gray, gray, alpha};
        }
        return {get(layout->red, 0), get(layout->green, 0), get(layout->blue, 0), alpha};
    }

    template <class Stored, class C>
    void encode_channels(const C& colour, std::byte* pixel) const {
        const auto put = [pixel](int offset, typename ChannelDepth<C>::Value value) {
            if (offset != PixelLayout::none) write<Stored, C>(value, pixel + offset);
        };
        if (layout->is_gray()) {
            // At another depth from real numbers, so that it is rounded once.
            if constexpr (std::same_as<C, Own<Stored>>)
                put(layout->gray, gray_of(colour));
            else
                write<Stored, RealColour>(gray_of(to_depth<RealColour>(colour)), pixel + layout->gray);
        } else {
            put(layout->red, colour.red);
            put(layout->green, colour.green);
            put(layout->blue, colour.blue);
        }
        put(layout->alpha, colour.alpha);
    }

  private:
    [[nodiscard]] std::size_t nearest_entry(const Colour& colour) const {
        return nearest != nullptr ? nearest->find(colour) : palette->nearest(colour);
    }

    /// The bytes of a pixel with channels of 8 bits: every draw call passes here.
    [[nodiscard]] std::uint64_t word(const Colour& colour) const {
        const auto at = [](int offset, std::uint64_t value) {
            return offset == PixelLayout::none ? 0 : value << (8 * offset);
        };
        if (layout->is_gray()) return at(layout->gray, gray_of(colour)) | at(layout->alpha, colour.alpha);
        return at(layout->red, colour.red) | at(layout->green, colour.green) | at(layout->blue, colour.blue) |
               at(layout->alpha, colour.alpha);
    }

    /// The kind of colour that has channels as they are stored.
    template <class Stored>
    using Own = std::conditional_t<sizeof(Stored) == 1, Colour,
                                   std::conditional_t<sizeof(Stored) == 2, Colour16, RealColour>>;

    /// A channel as it lies in memory becomes one of a colour.
    template <class C, class Stored>
    static typename ChannelDepth<C>::Value read(const std::byte* at) {
        Stored stored{};
        std::memcpy(&stored, at, sizeof stored);
        if constexpr (std::same_as<Stored, float>)
            return from_real<C>(static_cast<double>(stored));
        else
            return channel<C>(stored, std::numeric_limits<Stored>::max());
    }

    template <class Stored, class C>
    static void write(typename ChannelDepth<C>::Value value, std::byte* at) {
        Stored stored{};
        if constexpr (std::same_as<Stored, float>)
            stored = static_cast<float>(to_real<C>(value));
        else if constexpr (std::same_as<C, RealColour>)
            stored = from_real<Own<Stored>>(value);
        else
            stored = channel<Own<Stored>>(value, ChannelDepth<C>::most);
        std::memcpy(at, &stored, sizeof stored);
    }

    template <class C>
    static double to_real(typename ChannelDepth<C>::Value value) {
        return static_cast<double>(value) / ChannelDepth<C>::most;
    }

    template <class C>
    static C decode_packed(const std::byte* pixel) {
        std::uint16_t number = 0;
        std::memcpy(&number, pixel, sizeof number);
        return {channel<C>(number >> 11U, 31), channel<C>(number >> 5U & 63U, 63),
                channel<C>(number & 31U, 31), ChannelDepth<C>::most};
    }

    /// Each channel rounded once from the colour's own depth.
    template <class C>
    static void encode_packed(const C& colour, std::byte* pixel) {
        const auto bits = [](auto value, std::uint32_t most) {
            if constexpr (std::same_as<C, RealColour>)
                return static_cast<std::uint32_t>(from_real<RealColour>(value) * most + (0.5 + near_half));
            else
                return (2 * value * most + ChannelDepth<C>::most) / (2 * ChannelDepth<C>::most);
        };
        const auto number = static_cast<std::uint16_t>(bits(colour.red, 31) << 11U |
                                                       bits(colour.green, 63) << 5U | bits(colour.blue, 31));
        std::memcpy(pixel, &number, sizeof number);
    }
};

} // namespace coldbrick::paint
