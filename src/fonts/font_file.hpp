/// @file
/// Font files from the system.
#pragma once

#include <cstddef>
#include <string>
#include <vector>

namespace coldbrick::fonts {

/// What is in a file. @throws FileError if it cannot be read or has more bytes.
std::vector<std::byte> bytes_of_file(const std::string& file, std::size_t most_bytes);

} // namespace coldbrick::fonts
