#include <coldbrick/files.hpp>

#include "files/atomic_write.hpp"
#include "files/png.hpp"
#include "files/pnm.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <string>
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

} // namespace coldbrick
