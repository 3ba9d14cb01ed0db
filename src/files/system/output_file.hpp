/// @file
/// Files that are replaced whole or not at all.
#pragma once

#include "files/byte_sink.hpp"
#include "files/system/temporary_file.hpp"

#include <filesystem>
#include <optional>
#include <vector>

namespace coldbrick::files {

/// Takes a file's bytes beside its path and puts them into their place at the end, as write_file() promises.
/// What is no regular file is written straight.
class OutputFile final : public ByteSink {
  public:
    /// @throws FileError naming the path and the reason, likewise below; what was there is then untouched.
    explicit OutputFile(const std::filesystem::path& path);

    using ByteSink::write;
    void write(std::span<const std::byte> bytes) override;
    [[nodiscard]] bool can_rewrite() const override { return temporary_.has_value(); }
    void rewrite(std::uint64_t at, std::span<const std::byte> bytes) override;

    /// Syncs the bytes to the disk and renames them over the path. Nothing throws once the path has its new
    /// file.
    void commit();

  private:
    void write_pending();
    [[nodiscard]] int descriptor() const;

    std::filesystem::path path_;   ///< as messages name it
    std::filesystem::path target_; ///< where its links lead
    std::optional<TemporaryFile> temporary_;
    Descriptor straight_{-1};        ///< of what is no regular file
    std::vector<std::byte> pending_; ///< not handed to the system yet
};

} // namespace coldbrick::files
