/// @file
/// Files that are replaced whole or not at all.
#pragma once

#include <cstddef>
#include <filesystem>
#include <span>

namespace coldbrick::files {

/// Writes the bytes beside the path, syncs them to the disk and renames the result over the path. The
/// permissions of a file that was there are kept, and a symbolic link is followed. What is not a regular
/// file, such as a pipe or a device, is written straight.
/// @throws FileError naming the path and the system's reason; what was there is then untouched.
void write_atomically(const std::filesystem::path& path, std::span<const std::byte> bytes);

} // namespace coldbrick::files
