#include <coldbrick/files.hpp>

#include "files/atomic_write.hpp"
#include "files/png.hpp"
#include "files/pnm.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <fstream>
#include <iterator>
#include <string>
#include <system_error>
#include <utility>

namespace coldbrick {

namespace {

constexpr std::array<std::pair<const char*, FileType>, 5> extensions{{
    {".png", FileType::png},
    {".pgm", FileType::pgm},
    {".ppm", FileType::ppm},
    {".pam", FileType::pam},
    {".pnm", FileType::pnm},
}};

std::string lower(std::string text) {
    std::ranges::transform(text, text.begin(), [](char c) {
        return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
    });
    return text;
}

} // namespace

FileType file_type(const std::filesystem::path& path) {
    const std::string extension = lower(path.extension().string());
    const auto* const found = std::ranges::find_if(
        extensions, [&extension](const auto& known) { return known.first == extension; });
    if (found == extensions.end())
        throw FileError(
            fmt::format("cannot write {}: the extension \"{}\" is none of .png, .pgm, .ppm, .pam, .pnm",
                        path.string(), extension));
    return found->second;
}

std::vector<std::byte> encode(const ConstImageView& image, FileType type) {
    return type == FileType::png ? files::encode_png(image) : files::encode_pnm(image, type);
}

void save(const ConstImageView& image, const std::filesystem::path& path) {
    files::write_atomically(path, encode(image, file_type(path)));
}

Image decode(std::span<const std::byte> file, std::size_t most_bytes) {
    constexpr std::array signature{std::byte{0x89}, std::byte{'P'}, std::byte{'N'}, std::byte{'G'}};
    const bool is_png = file.size() >= signature.size() && std::ranges::equal(signature, file.first(4));
    if (is_png) return files::decode_png(file, most_bytes);
    if (!file.empty() && file[0] == std::byte{'P'}) return files::decode_pnm(file, most_bytes);
    throw FileError("cannot decode the image: it is neither a PNG file nor a portable anymap");
}

Image load(const std::filesystem::path& path, std::size_t most_bytes) {
    std::ifstream file(path, std::ios::binary);
    std::vector<char> bytes;
    if (file && file.peek() != std::ifstream::traits_type::eof())
        bytes.assign(std::istreambuf_iterator<char>(file), {});
    if (!file.is_open() || file.bad())
        throw FileError(
            fmt::format("cannot read {}: {}", path.string(), std::generic_category().message(errno)));
    try {
        return decode(std::as_bytes(std::span(bytes)), most_bytes);
    } catch (const FileError& error) {
        throw FileError(fmt::format("{}: {}", path.string(), error.what()));
    }
}

} // namespace coldbrick
