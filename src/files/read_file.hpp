/// @file
/// Files read whole, as far as a limit allows.
#pragma once

#include <cstddef>
#include <filesystem>
#include <span>
#include <vector>

namespace coldbrick::files {

/// Tells of the first bytes of a file, up to 64 KiB, whether they are those of the kind that is wanted.
using IsWanted = bool (*)(std::span<const std::byte> beginning);

/// The bytes of a file, or only the first ones if they are not wanted: what never ends, such as a device, is
/// read no further than that or the limit.
/// @throws FileError naming the path if the system refuses or there are more than `most_bytes`.
std::vector<std::byte> read_whole(const std::filesystem::path& path, std::size_t most_bytes,
                                  IsWanted is_wanted);

} // namespace coldbrick::files
