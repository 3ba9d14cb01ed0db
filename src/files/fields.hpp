/// @file
/// Numbers in the bytes of files.
#pragma once

#include <coldbrick/error.hpp>

#include <cstddef>
#include <cstdint>
#include <span>
#include <string>
#include <string_view>
#include <utility>

namespace coldbrick::files {

/// The number in up to four bytes, the highest first or last.
constexpr std::uint32_t big_endian(std::span<const std::byte> bytes) {
    std::uint32_t value = 0;
    for (const std::byte byte : bytes) value = value << 8U | std::to_integer<std::uint32_t>(byte);
    return value;
}
constexpr std::uint32_t little_endian(std::span<const std::byte> bytes) {
    std::uint32_t value = 0;
    for (std::size_t i = bytes.size(); i-- > 0;)
        value = value << 8U | std::to_integer<std::uint32_t>(bytes[i]);
    return value;
}

/// Writes a number into all the bytes of a field.
constexpr void put_big_endian(std::span<std::byte> field, std::uint32_t value) {
    for (std::size_t i = field.size(); i-- > 0; value >>= 8U) field[i] = static_cast<std::byte>(value);
}
constexpr void put_little_endian(std::span<std::byte> field, std::uint32_t value) {
    for (std::byte& byte : field) {
        byte = static_cast<std::byte>(value);
        value >>= 8U;
    }
}

/// True if the bytes from there on are those of the text.
inline bool says(std::span<const std::byte> bytes, std::size_t at, std::string_view text) {
    return at <= bytes.size() && text.size() <= bytes.size() - at &&
           std::string_view(reinterpret_cast<const char*>(bytes.data()) + at, text.size()) == text;
}

/// Reads the fields of a file, which may end before any of them.
class Fields {
  public:
    /// @param failure what is thrown as a FileError where bytes are missing
    Fields(std::span<const std::byte> bytes, std::string failure)
        : bytes_(bytes), failure_(std::move(failure)) {}

    [[nodiscard]] std::span<const std::byte> part(std::size_t at, std::size_t count) const {
        if (at > bytes_.size() || count > bytes_.size() - at) throw FileError(failure_);
        return bytes_.subspan(at, count);
    }
    [[nodiscard]] std::uint32_t little(std::size_t at, std::size_t count) const {
        return little_endian(part(at, count));
    }
    [[nodiscard]] std::uint32_t big(std::size_t at, std::size_t count) const {
        return big_endian(part(at, count));
    }
    [[nodiscard]] std::uint8_t byte(std::size_t at) const {
        return std::to_integer<std::uint8_t>(part(at, 1)[0]);
    }

    /// True if the bytes from there on are those of the text.
    [[nodiscard]] bool says(std::size_t at, std::string_view text) const {
        return files::says(bytes_, at, text);
    }

  private:
    std::span<const std::byte> bytes_;
    std::string failure_;
};

} // namespace coldbrick::files
