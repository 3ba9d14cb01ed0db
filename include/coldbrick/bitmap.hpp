/// @file
/// Masks and markers of one bit a pixel.
#pragma once

#include <coldbrick/point.hpp>

#include <cstddef>     // bytes of rows
#include <cstdint>     // bits
#include <span>        // packed bits
#include <string_view> // bitmaps are drawn in text
#include <vector>      // the bits

namespace [[gnu::visibility("default")]] coldbrick {

/// An image of one bit a pixel: a mask, or a marker with two colours.
class Bitmap {
  public:
    /// All bits 0. @throws ArgumentError unless the size is 1..2147483647 wide and high.
    explicit Bitmap(Size size);

    /// The bits of memory in which each row begins with a new byte and a byte's highest bit is its leftmost
    /// pixel. They are copied.
    /// @param row_bytes from one row to the next: at least (width + 7) / 8.
    /// @throws ArgumentError if the rows are shorter than that or the memory is shorter than the rows.
    Bitmap(Size size, std::span<const std::uint8_t> packed, std::size_t row_bytes);

    /// A bitmap from a drawing in text: a line for each row, `#` for a set bit and `.` for none.
    /// @throws ArgumentError naming the line if there is anything else, or if rows differ in length.
    explicit Bitmap(std::string_view drawing);

    [[nodiscard]] Size size() const { return size_; }

    /// A pixel's bit. @throws ArgumentError if it lies outside.
    [[nodiscard]] bool at(Point position) const;

    /// The bits of pixels in a line, 1 where they are set: of `first`, and of what lies by `step` further
    /// from one to the next.
    /// @throws ArgumentError if the first or the last one lies outside.
    void read(Point first, Point step, std::span<std::uint8_t> bits) const;

    /// Sets a pixel's bit. @throws ArgumentError if it lies outside.
    void set(Point position, bool value);

    friend bool operator==(const Bitmap&, const Bitmap&) = default;

  private:
    [[nodiscard]] std::size_t index(Point position) const;

    [[nodiscard]] std::uint8_t bit(std::size_t i) const {
        return static_cast<std::uint8_t>(words_[i / 64] >> (i % 64) & 1U);
    }
    void set_bit(std::size_t i, bool value);

    Size size_;
    std::vector<std::uint64_t> words_; ///< the lowest bit first, row by row without gaps
};

} // namespace coldbrick
