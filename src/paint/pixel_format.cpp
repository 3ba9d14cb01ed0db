#include <coldbrick/pixel_format.hpp>

#include <array>
#include <cstddef>

namespace coldbrick {

namespace {

constexpr int none = PixelLayout::none;
using Kind = PixelLayout::Kind;

/// In the order of the enumeration: name, kind, bytes, offsets of red, green, blue, alpha and gray.
constexpr std::array<PixelLayout, 15> table{{
    {"gray8", Kind::bytes, 1, none, none, none, none, 0},
    {"gray16", Kind::words, 2, none, none, none, none, 0},
    {"graya8", Kind::bytes, 2, none, none, none, 1, 0},
    {"rgb8", Kind::bytes, 3, 0, 1, 2, none, none},
    {"bgr8", Kind::bytes, 3, 2, 1, 0, none, none},
    {"rgba8", Kind::bytes, 4, 0, 1, 2, 3, none},
    {"bgra8", Kind::bytes, 4, 2, 1, 0, 3, none},
    {"argb8", Kind::bytes, 4, 1, 2, 3, 0, none},
    {"abgr8", Kind::bytes, 4, 3, 2, 1, 0, none},
    {"rgb16", Kind::words, 6, 0, 2, 4, none, none},
    {"rgba16", Kind::words, 8, 0, 2, 4, 6, none},
    {"rgb565", Kind::packed, 2, none, none, none, none, none},
    {"indexed8", Kind::index, 1, none, none, none, none, none},
    {"gray32f", Kind::floats, 4, none, none, none, none, 0},
    {"rgba32f", Kind::floats, 16, 0, 4, 8, 12, none},
}};

static_assert(table[static_cast<std::size_t>(PixelFormat::gray8)].name == "gray8");
static_assert(table[static_cast<std::size_t>(PixelFormat::rgb565)].name == "rgb565");
static_assert(table[static_cast<std::size_t>(PixelFormat::rgba32f)].name == "rgba32f");

} // namespace

const PixelLayout& layout(PixelFormat format) {
    return table[static_cast<std::size_t>(format)];
}

} // namespace coldbrick
