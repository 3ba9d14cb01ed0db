/// @file
/// Files that stand beside another one until they take its place.
#pragma once

#include <coldbrick/files.hpp>

#include <cstddef>
#include <filesystem>
#include <string>

namespace coldbrick::files {

/// An open file; closed at the end of its life.
class Descriptor {
  public:
    explicit Descriptor(int number) : number_(number) {}
    Descriptor(Descriptor&& other) noexcept;
    Descriptor& operator=(Descriptor&& other) noexcept;
    Descriptor(const Descriptor&) = delete;
    Descriptor& operator=(const Descriptor&) = delete;
    ~Descriptor();

    [[nodiscard]] int number() const { return number_; }

  private:
    int number_;
};

/// A new file in the same folder as another that vanishes again unless it takes that one's place: at the end
/// of its life, by remove_unfinished_files() if a signal ends the process, and else, since a killed process
/// leaves it, when the next one for the same path is made. Its name is short, however long the path's is, and
/// it holds a lock, by which others tell that somebody is at work on it.
class TemporaryFile {
  public:
    /// @throws FileError if the folder takes no new file
    explicit TemporaryFile(const std::filesystem::path& path);
    TemporaryFile(const TemporaryFile&) = delete;
    TemporaryFile& operator=(const TemporaryFile&) = delete;
    ~TemporaryFile();

    [[nodiscard]] int descriptor() const { return file_.number(); }

    /// Renames the file over the path. @throws FileError if the system refuses.
    void replace_path();

  private:
    /// Makes the file with one of its possible names; false if somebody else is at work on that one.
    bool create();

    std::filesystem::path path_;
    std::string name_; ///< empty once there is nothing to remove
    std::size_t noted_;
    Descriptor file_{-1};
};

/// Throws FileError: cannot write PATH: what the system says of the error.
[[noreturn]] void fail_writing(const std::filesystem::path& path, int error);

} // namespace coldbrick::files
