/// @file
/// Paths as messages show them.
#pragma once

#include "base/shown_text.hpp"

#include <filesystem>
#include <string>

namespace coldbrick::files {

/// The path in printable characters, cut where it is very long.
inline std::string shown(const std::filesystem::path& path) {
    constexpr std::size_t most = 300;
    return base::shown(path.string(), most);
}

} // namespace coldbrick::files
