#include "files/extensions.hpp"

#include "base/shown_text.hpp"
#include "files/system/shown_path.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <filesystem>

namespace coldbrick::files {

std::string lower_extension(const FileName& path) {
    std::string result = std::filesystem::path(path.text()).extension().string();
    std::ranges::transform(result, result.begin(), [](char c) {
        return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
    });
    return result;
}

void fail_unknown_extension(const FileName& path, std::string_view extension,
                            std::span<const std::string_view> known) {
    throw FileError(fmt::format("cannot write {}: the extension {} is none of {}", shown(path.text()),
                                base::in_quotes(extension), fmt::join(known, ", ")));
}

} // namespace coldbrick::files
