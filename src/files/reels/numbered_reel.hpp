/// @file
/// Reels that are a picture for each frame.
#pragma once

#include "files/reels/reel_encoder.hpp"

#include <cstddef>
#include <cstdint>
#include <string>
#include <string_view>

namespace coldbrick::files {

/// True if there is a # in the name of the path's file.
bool is_numbered(const FileName& path);

/// A path with a run of # in its file's name, which stands for a number.
class NumberedPath {
  public:
    explicit NumberedPath(std::string_view path);

    [[nodiscard]] std::string of(std::int64_t number) const;

  private:
    std::string before_;
    std::size_t digits_;
    std::string after_;
};

/// Saves each frame as a picture of its own.
class NumberedReel final : public ReelEncoder {
  public:
    /// @throws FileError if the extension tells no type
    NumberedReel(std::string_view path, const EncodeOptions& options);

    void add(const ConstImageView& frame, const FrameTimes& times) override;
    void finish() override {}

  private:
    NumberedPath path_;
    EncodeOptions options_;
    std::int64_t next_ = 0;
};

} // namespace coldbrick::files
