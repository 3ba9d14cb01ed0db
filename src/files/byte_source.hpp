/// @file
/// Where the bytes of files that are read in parts come from.
#pragma once

#include <cstddef>
#include <span>
#include <vector>

namespace coldbrick::files {

/// Gives the bytes of a file from its beginning to its end.
class ByteSource {
  public:
    ByteSource() = default;
    ByteSource(const ByteSource&) = delete;
    ByteSource& operator=(const ByteSource&) = delete;
    virtual ~ByteSource() = default;

    /// Reads up to as many bytes as there is room for; 0 only at the end of the file.
    /// @throws FileError if they cannot be read.
    virtual std::size_t read(std::span<std::byte> room) = 0;
};

/// Gives a file's first bytes, which have been read to know its type, once more, and then the rest.
class SourceFromBeginning final : public ByteSource {
  public:
    SourceFromBeginning(std::vector<std::byte> beginning, ByteSource& rest);
    std::size_t read(std::span<std::byte> room) override;

  private:
    std::vector<std::byte> beginning_;
    std::size_t at_ = 0;
    ByteSource& rest_;
};

/// Gives the bytes of a file in memory.
class MemorySource final : public ByteSource {
  public:
    explicit MemorySource(std::span<const std::byte> file) : rest_(file) {}
    std::size_t read(std::span<std::byte> room) override;

  private:
    std::span<const std::byte> rest_;
};

/// Fills the room as far as the file reaches; returns how much that was.
std::size_t read_fully(ByteSource& source, std::span<std::byte> room);

/// All that is left of the file. @throws FileError if there are more than `most` bytes.
std::vector<std::byte> read_rest(ByteSource& source, std::size_t most);

} // namespace coldbrick::files
