#include "text_file.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <cerrno>
#include <fstream>
#include <sstream>
#include <system_error>
#include <utility>

std::string read_text(const std::filesystem::path& path) {
    std::ifstream file(path, std::ios::binary);
    std::ostringstream text;
    if (file && file.peek() != std::ifstream::traits_type::eof()) text << file.rdbuf();
    if (!file.is_open() || file.bad())
        throw coldbrick::FileError(
            fmt::format("cannot read {}: {}", path.string(), std::generic_category().message(errno)));
    return std::move(text).str();
}

void write_text(const std::filesystem::path& path, std::string_view text) {
    std::ofstream file(path, std::ios::binary);
    file << text;
    file.close();
    if (!file) throw coldbrick::FileError(fmt::format("cannot write {}", path.string()));
}

coldbrick::Palette read_palette_file(const std::filesystem::path& path) {
    const std::string text = read_text(path);
    try {
        return coldbrick::read_palette(text);
    } catch (const coldbrick::ArgumentError& error) {
        throw coldbrick::FileError(fmt::format("{}: {}", path.string(), error.what()));
    }
}
