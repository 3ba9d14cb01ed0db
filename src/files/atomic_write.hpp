/// @file
/// Files that are replaced whole or not at all.
#pragma once

#include <cstddef>
#include <filesystem>
#include <span>

namespace coldbrick::files {

/// Writes the bytes beside the path, syncs them to the disk and renames the result over the path, as save()
/// promises.
/// @throws FileError naming the path and the reason; what was there is then untouched. Nothing throws once
/// the path has its new file.
void write_atomically(const std::filesystem::path& path, std::span<const std::byte> bytes);

} // namespace coldbrick::files
