#include "text_file.hpp"

#include "image_files.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>

#include <fmt/format.h>

#include <cstddef>
#include <vector>

namespace coldbrick::tool {

std::string read_text(const std::filesystem::path& path) {
    constexpr std::size_t most_bytes = std::size_t{256} << 20; // far more than anyone writes
    const std::vector<std::byte> bytes = read_bytes(path.string(), most_bytes);
    return {reinterpret_cast<const char*>(bytes.data()), bytes.size()};
}

Palette read_palette_file(const std::filesystem::path& path) {
    const std::string text = read_text(path);
    try {
        return read_palette(text);
    } catch (const ArgumentError& error) {
        throw FileError(fmt::format("{}: {}", path.string(), error.what()));
    }
}

} // namespace coldbrick::tool
