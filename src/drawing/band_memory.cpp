#include "drawing/band_memory.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <cstdint>

namespace coldbrick::drawing {

namespace {

std::uint64_t row_bytes(Size size, PixelFormat format) {
    return static_cast<std::uint64_t>(size.width) * static_cast<std::uint64_t>(layout(format).bytes);
}

} // namespace

std::size_t bytes_of_rows(Size size, PixelFormat format, const Box& rows) {
    // Below any address, so that the picture's first row has one, too.
    constexpr std::uint64_t most = std::uint64_t{1} << 44;
    const std::uint64_t row = row_bytes(size, format);
    if (static_cast<std::uint64_t>(rows.end_y()) > most / row)
        throw ArgumentError(fmt::format("{} rows of {} {} pixels exceed the address space", size.height,
                                        size.width, layout(format).name));
    return static_cast<std::size_t>(row) * static_cast<std::size_t>(rows.height);
}

ImageView view_of_rows(std::byte* memory, Size size, PixelFormat format, const Box& rows,
                       const Palette* palette) {
    // A number, as the rows above do not exist; nothing is drawn outside the clip.
    const std::uintptr_t above = static_cast<std::uintptr_t>(rows.y) * row_bytes(size, format);
    // NOLINTNEXTLINE(performance-no-int-to-ptr)
    auto* const origin = reinterpret_cast<std::byte*>(reinterpret_cast<std::uintptr_t>(memory) - above);
    return ImageView(origin, size, format, static_cast<std::ptrdiff_t>(row_bytes(size, format)), palette)
        .clipped(rows);
}

} // namespace coldbrick::drawing
