/// @file
/// Streams of the standard library as places where files come from and go to.
#pragma once

#include "files/byte_sink.hpp"
#include "files/byte_source.hpp"

#include <iosfwd>

namespace coldbrick::files {

/// Writes to a stream, which is never gone back in.
class StreamSink final : public ByteSink {
  public:
    explicit StreamSink(std::ostream& stream) : stream_(stream) {}

    using ByteSink::write;
    void write(std::span<const std::byte> bytes) override;
    [[nodiscard]] bool can_rewrite() const override { return false; }
    void rewrite(std::uint64_t at, std::span<const std::byte> bytes) override;

    /// Hands on what the stream holds back. @throws FileError if it cannot be written.
    void flush();

  private:
    std::ostream& stream_;
};

/// Reads a stream.
class StreamSource final : public ByteSource {
  public:
    explicit StreamSource(std::istream& stream) : stream_(stream) {}
    std::size_t read(std::span<std::byte> room) override;

  private:
    std::istream& stream_;
};

} // namespace coldbrick::files
