/// @file
/// Waiting for files to change.
#pragma once

#include <filesystem>
#include <map>
#include <set>
#include <string>
#include <vector>

namespace coldbrick::tool {

/// Watches files, which may be missing at times: editors put a new file into the place of the old one, so it
/// is their folders that are watched.
class FileWatch {
  public:
    /// @throws FileError if the system cannot watch files.
    FileWatch();
    FileWatch(const FileWatch&) = delete;
    FileWatch& operator=(const FileWatch&) = delete;
    ~FileWatch();

    /// Watches these files from now on, and no others. What has changed since the last wait() is not
    /// forgotten.
    /// @returns whether a folder is watched that was not before, in which files may have changed already
    /// @throws FileError if a folder cannot be watched.
    bool look_at(const std::vector<std::filesystem::path>& files);

    /// Returns as soon as one of the files has changed, and no other one follows within a moment.
    void wait();

  private:
    /// Takes what the system has to tell. @returns whether one of the files has changed
    bool take_changes(int timeout_milliseconds);

    int system_;
    std::map<int, std::filesystem::path> folders_;                 ///< by the system's numbers
    std::map<std::filesystem::path, std::set<std::string>> names_; ///< of the files, by folders
};

} // namespace coldbrick::tool
