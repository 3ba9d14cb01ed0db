/// @file
/// Values out of a fuzzer's bytes.
#pragma once

#include "fuzz/targets.hpp"

#include <coldbrick/blend.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <cstring>
#include <vector>

namespace coldbrick::fuzz {

/// Takes values from the front of bytes; when they have run out, all are 0.
class Input {
  public:
    explicit Input(Bytes bytes) : rest_(bytes) {}

    [[nodiscard]] bool empty() const { return rest_.empty(); }

    template <class Value>
    Value take() {
        Value value{};
        const std::size_t count = std::min(sizeof value, rest_.size());
        std::memcpy(&value, rest_.data(), count);
        rest_ = rest_.subspan(count);
        return value;
    }

    /// A number of low..high.
    std::int32_t number(std::int32_t low, std::int32_t high) {
        return low + static_cast<std::int32_t>(take<std::uint16_t>() % (high - low + 1));
    }

    /// A coordinate, mostly near a small window.
    std::int32_t coordinate() {
        switch (number(0, 7)) {
        case 0: return take<std::int32_t>();
        case 1: return number(-20000, 20000);
        default: return number(-20, 60);
        }
    }

    /// An extent, mostly small.
    std::int32_t extent() {
        const std::int32_t value = coordinate();
        return value < 0 ? -(value + 1) : value;
    }

    Point point() {
        const std::int32_t x = coordinate();
        return {x, coordinate()};
    }

    template <class Enumeration>
    Enumeration choice(Enumeration last) {
        return static_cast<Enumeration>(number(0, static_cast<std::int32_t>(last)));
    }

    Colour colour() {
        const int red = take<std::uint8_t>();
        const int green = take<std::uint8_t>();
        const int blue = take<std::uint8_t>();
        return {red, green, blue, number(0, 1) == 0 ? 255 : take<std::uint8_t>()};
    }

    PixelFormat format() { return choice(PixelFormat::rgba32f); }

    Bytes rest() { return rest_; }

  private:
    Bytes rest_;
};

} // namespace coldbrick::fuzz
