/// @file
/// Files read from the system.
#pragma once

#include "files/byte_source.hpp"
#include "files/system/temporary_file.hpp"

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <span>
#include <vector>

namespace coldbrick::files {

/// Reads a file from its beginning to its end.
class InputFile final : public ByteSource {
  public:
    /// @throws FileError naming the path if the system refuses, likewise below.
    explicit InputFile(const std::filesystem::path& path);

    std::size_t read(std::span<std::byte> room) override;

    /// The file's size if it is a regular one, else 0.
    [[nodiscard]] std::uintmax_t size() const { return size_; }

  private:
    std::filesystem::path path_;
    Descriptor file_;
    std::uintmax_t size_ = 0;
};

/// Tells of the first bytes of a file, up to 64 KiB, whether they are those of the kind that is wanted.
using IsWanted = bool (*)(std::span<const std::byte> beginning);

/// The bytes of a file, or only the first ones if they are not wanted: what never ends, such as a device, is
/// read no further than that or the limit.
/// @throws FileError naming the path if the system refuses or there are more than `most_bytes`.
std::vector<std::byte> read_whole(const std::filesystem::path& path, std::size_t most_bytes,
                                  IsWanted is_wanted);

} // namespace coldbrick::files
