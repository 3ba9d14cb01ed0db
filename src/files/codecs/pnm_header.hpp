/// @file
/// What stands at the beginning of portable anymaps.
#pragma once

#include "files/byte_source.hpp"

#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <array>
#include <cstddef>
#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>

namespace coldbrick::files {

[[noreturn]] void fail_decoding_anymap(std::string_view message);

/// Reads a file by bytes and words.
class PnmText {
  public:
    explicit PnmText(ByteSource& source) : source_(source) {}

    /// The next word; comments from # to the end of the line are blanks.
    /// @param where for the message: what the file may not end within
    std::string word(std::string_view where);

    /// The next word as a number of low..high.
    std::int32_t number(std::string_view what, std::int32_t low, std::int32_t high);

    /// The next character that is no blank.
    char character();

    /// Reads the blank that ends the header.
    void blank();

    /// Fills the room. @throws FileError if the file ends before.
    void bytes(std::span<std::byte> room);

  private:
    std::optional<char> next();
    std::optional<char> next_after_blanks();

    ByteSource& source_;
    std::array<std::byte, std::size_t{1} << 14> buffer_{};
    std::size_t at_ = 0;
    std::size_t filled_ = 0;
};

/// What a header says.
struct PnmHeader {
    int kind = 0; ///< the digit after the P
    Size size;
    int channels = 0; ///< 1 gray, 2 gray and alpha, 3 red, green, blue, 4 the same and alpha
    std::int32_t largest = 0;

    [[nodiscard]] bool is_bitmap() const { return kind == 1 || kind == 4; }
    [[nodiscard]] bool is_text() const { return kind <= 3; }
    [[nodiscard]] bool is_deep() const { return largest > 255; }
    [[nodiscard]] PixelFormat format() const;

    /// The bytes of a row as the file holds it; of texts the fewest.
    [[nodiscard]] std::size_t stored_row_bytes() const;
};

/// @throws FileError if there is no whole header of "P1" to "P7".
PnmHeader read_pnm_header(PnmText& text);

} // namespace coldbrick::files
