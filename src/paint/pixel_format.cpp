#include <coldbrick/pixel_format.hpp>

#include <array>

namespace coldbrick {

namespace {

constexpr std::int8_t none = PixelLayout::none;

/// In the order of the enumeration.
constexpr std::array<PixelLayout, 5> table{{
    {.name = "gray8", .bytes = 1, .red = none, .green = none, .blue = none, .alpha = none, .gray = 0},
    {.name = "rgb8", .bytes = 3, .red = 0, .green = 1, .blue = 2, .alpha = none, .gray = none},
    {.name = "bgr8", .bytes = 3, .red = 2, .green = 1, .blue = 0, .alpha = none, .gray = none},
    {.name = "rgba8", .bytes = 4, .red = 0, .green = 1, .blue = 2, .alpha = 3, .gray = none},
    {.name = "bgra8", .bytes = 4, .red = 2, .green = 1, .blue = 0, .alpha = 3, .gray = none},
}};

static_assert(table[static_cast<std::size_t>(PixelFormat::gray8)].name == "gray8");
static_assert(table[static_cast<std::size_t>(PixelFormat::bgra8)].name == "bgra8");

} // namespace

const PixelLayout& layout(PixelFormat format) {
    return table[static_cast<std::size_t>(format)];
}

} // namespace coldbrick
