/// @file
/// Which target takes which files.
#pragma once

#include <coldbrick/file_type.hpp>

#include <string>

namespace coldbrick::fuzz {

/// The name of the target that takes files of a type.
inline std::string target_of(FileType type) {
    const char* const names[] = {"png", "jpeg", "webp", "gif", "bmp", "qoi"};
    return type < FileType::pbm ? names[static_cast<int>(type)] : "anymap";
}

} // namespace coldbrick::fuzz
