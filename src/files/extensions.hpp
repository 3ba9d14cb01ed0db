/// @file
/// The ends of files' names, which tell their types.
#pragma once

#include <coldbrick/file_type.hpp>

#include <span>
#include <string>
#include <string_view>

namespace coldbrick::files {

/// The path's extension with its dot, in small letters.
std::string lower_extension(const FileName& path);

/// Throws FileError: cannot write PATH: the extension is none of those known.
[[noreturn]] void fail_unknown_extension(const FileName& path, std::string_view extension,
                                         std::span<const std::string_view> known);

} // namespace coldbrick::files
