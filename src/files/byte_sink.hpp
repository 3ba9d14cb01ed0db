/// @file
/// Where the bytes of files go to.
#pragma once

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <span>
#include <string_view>
#include <vector>

namespace coldbrick::files {

/// Takes the bytes of a file from its beginning to its end.
class ByteSink {
  public:
    ByteSink() = default;
    ByteSink(const ByteSink&) = delete;
    ByteSink& operator=(const ByteSink&) = delete;
    virtual ~ByteSink() = default;

    /// Adds bytes at the end. @throws FileError if they cannot be written.
    virtual void write(std::span<const std::byte> bytes) = 0;

    /// True if bytes that were written can be written again.
    [[nodiscard]] virtual bool can_rewrite() const { return true; }

    /// Writes over bytes that were written before, if can_rewrite().
    virtual void rewrite(std::uint64_t at, std::span<const std::byte> bytes) = 0;

    void write(std::string_view text) { write(std::as_bytes(std::span(text))); }
};

/// Keeps the bytes in memory.
class MemorySink final : public ByteSink {
  public:
    using ByteSink::write;
    void write(std::span<const std::byte> bytes) override {
        bytes_.insert(bytes_.end(), bytes.begin(), bytes.end());
    }
    void rewrite(std::uint64_t at, std::span<const std::byte> bytes) override {
        std::ranges::copy(bytes, bytes_.begin() + static_cast<std::ptrdiff_t>(at));
    }

    [[nodiscard]] std::vector<std::byte>& bytes() { return bytes_; }

  private:
    std::vector<std::byte> bytes_;
};

} // namespace coldbrick::files
