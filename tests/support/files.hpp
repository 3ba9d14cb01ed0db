/// @file
/// Files for tests: a folder that vanishes, whole files, PNG decoded without the library.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/point.hpp>

#include <filesystem>
#include <string>
#include <vector>

namespace coldbrick::test {

/// An empty folder of its own, removed at the end of its life.
class TemporaryFolder {
  public:
    TemporaryFolder();
    TemporaryFolder(const TemporaryFolder&) = delete;
    TemporaryFolder& operator=(const TemporaryFolder&) = delete;
    ~TemporaryFolder();

    [[nodiscard]] const std::filesystem::path& path() const { return path_; }
    [[nodiscard]] std::string file(const std::string& name) const { return (path_ / name).string(); }

    /// How many files are in it.
    [[nodiscard]] std::ptrdiff_t file_count() const;

  private:
    std::filesystem::path path_;
};

std::string read_file(const std::filesystem::path& path);
void write_file(const std::filesystem::path& path, const std::string& text);

/// A decoded PNG file.
struct DecodedPng {
    Size size;
    std::vector<Colour> pixels; ///< row by row
    bool has_alpha = false;
    bool has_colour = false;

    [[nodiscard]] Colour at(int x, int y) const {
        return pixels.at(static_cast<std::size_t>(y) * static_cast<std::size_t>(size.width) +
                         static_cast<std::size_t>(x));
    }
};

/// Fails the test if the file is not a PNG.
DecodedPng decode_png(const std::filesystem::path& path);

/// What a program that was run printed, and its exit status.
struct Finished {
    int status;
    std::string output;
    std::string errors;
};

/// Runs a shell command line.
Finished run_command(const std::string& command);

} // namespace coldbrick::test
