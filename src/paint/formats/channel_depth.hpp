/// @file
/// Channels of 8 bits, 16 bits and real numbers, and the way from one to another.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/deep_colour.hpp>

#include <cmath>
#include <concepts>
#include <cstdint>

namespace coldbrick::paint {

/// What the channels of a kind of colour are.
template <class C>
struct ChannelDepth;
template <>
struct ChannelDepth<Colour> {
    using Value = std::uint8_t;
    static constexpr std::uint32_t most = 255;
};
template <>
struct ChannelDepth<Colour16> {
    using Value = std::uint16_t;
    static constexpr std::uint32_t most = 65535;
};
template <>
struct ChannelDepth<RealColour> {
    using Value = double;
    static constexpr double most = 1;
};

/// Real numbers that are this near to a half are taken for it: rounding errors are far smaller.
constexpr double near_half = 1e-9;

/// A real number of 0..1 as a channel of another depth, rounded, halves up. What is not a number is 0.
template <class C>
typename ChannelDepth<C>::Value from_real(double value) {
    const double clamped = value >= 1 ? 1 : value > 0 ? value : 0;
    if constexpr (std::same_as<C, RealColour>)
        return clamped;
    else
        return static_cast<typename ChannelDepth<C>::Value>(clamped * ChannelDepth<C>::most +
                                                            (0.5 + near_half));
}

/// A number of 0..most as a channel.
template <class C>
constexpr typename ChannelDepth<C>::Value channel(std::uint32_t value, std::uint32_t most) {
    if constexpr (std::same_as<C, RealColour>)
        return static_cast<double>(value) / most;
    else if (most == ChannelDepth<C>::most)
        return static_cast<typename ChannelDepth<C>::Value>(value);
    else if (std::same_as<C, Colour> && most == 65535) // the same for all of them, without a division
        return static_cast<typename ChannelDepth<C>::Value>((value * 255 + 32895) >> 16U);
    else
        return static_cast<typename ChannelDepth<C>::Value>((2 * value * ChannelDepth<C>::most + most) /
                                                            (2 * most));
}

/// A colour of another depth.
template <class To, class From>
To to_depth(const From& from) {
    const auto change = [](auto value) {
        if constexpr (std::same_as<From, RealColour>)
            return from_real<To>(value);
        else
            return channel<To>(value, ChannelDepth<From>::most);
    };
    if constexpr (std::same_as<To, From>)
        return from;
    else
        return {change(from.red), change(from.green), change(from.blue), change(from.alpha)};
}

/// Throws ArgumentError if a channel is not a number in 0..1.
void check_channels(const RealColour& colour);

/// The brightness of a colour: the Rec. 709 weights 0.2126, 0.7152 and 0.0722 on the sRGB values (ITU-R
/// BT.709-6, section 3), rounded to the nearest, halves up.
template <class C>
constexpr typename ChannelDepth<C>::Value gray_of(const C& colour) {
    if constexpr (std::same_as<C, RealColour>) {
        return 0.2126 * colour.red + 0.7152 * colour.green + 0.0722 * colour.blue;
    } else {
        const std::uint32_t weighted = 2126U * colour.red + 7152U * colour.green + 722U * colour.blue;
        return static_cast<typename ChannelDepth<C>::Value>((weighted + 5000) / 10000);
    }
}

/// A channel of sRGB in linear light, and back: W3C recommendation CSS Color Module Level 4, section 10.2.
inline double linear(double value) {
    return value <= 0.04045 ? value / 12.92 : std::pow((value + 0.055) / 1.055, 2.4);
}
inline double from_linear(double value) {
    return value <= 0.0031308 ? value * 12.92 : 1.055 * std::pow(value, 1 / 2.4) - 0.055;
}

/// The luminance: the Rec. 709 weights in linear light.
inline double linear_gray(const RealColour& colour) {
    return 0.2126 * linear(colour.red) + 0.7152 * linear(colour.green) + 0.0722 * linear(colour.blue);
}

} // namespace coldbrick::paint
