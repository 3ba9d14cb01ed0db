/// @file
/// Small files of every type, made by the library's own writers.
#pragma once

#include <coldbrick/file_type.hpp>

#include <cstddef>
#include <string>
#include <vector>

namespace coldbrick::test {

struct SampleFile {
    std::string name; ///< of a file
    FileType type;
    std::vector<std::byte> bytes;
};

/// Pictures of every type in its kinds, and reels.
std::vector<SampleFile> sample_files();

} // namespace coldbrick::test
