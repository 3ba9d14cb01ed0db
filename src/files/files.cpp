#include <coldbrick/files.hpp>

#include "base/shown_text.hpp"
#include "files/atomic_write.hpp"
#include "files/png.hpp"
#include "files/pnm.hpp"
#include "files/read_file.hpp"
#include "files/shown_path.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <limits>
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

FileType file_type(const FileName& path) {
    const std::string extension = lower(std::filesystem::path(path.text()).extension().string());
    const auto* const found = std::ranges::find_if(
        extensions, [&extension](const auto& known) { return known.first == extension; });
    if (found == extensions.end())
        throw FileError(
            fmt::format("cannot write {}: the extension {} is none of .png, .pgm, .ppm, .pam, .pnm",
                        files::shown(path.text()), base::in_quotes(extension)));
    return found->second;
}

std::vector<std::byte> encode(const ConstImageView& image, FileType type) {
    return type == FileType::png ? files::encode_png(image) : files::encode_pnm(image, type);
}

void save(const ConstImageView& image, const FileName& path) {
    files::write_atomically(path.text(), encode(image, file_type(path)));
}

void write_file(const FileName& path, std::span<const std::byte> bytes) {
    files::write_atomically(path.text(), bytes);
}

namespace {

bool is_png(std::span<const std::byte> file) {
    constexpr std::array signature{std::byte{0x89}, std::byte{'P'}, std::byte{'N'}, std::byte{'G'}};
    return file.size() >= signature.size() && std::ranges::equal(signature, file.first(signature.size()));
}

bool is_anymap(std::span<const std::byte> file) {
    return !file.empty() && file[0] == std::byte{'P'};
}

bool is_known(std::span<const std::byte> beginning) {
    return is_png(beginning) || is_anymap(beginning);
}

} // namespace

Image decode(std::span<const std::byte> file, std::size_t most_bytes) {
    if (!is_known(file))
        throw FileError("cannot decode the image: it is neither a PNG file nor a portable anymap");
    try {
        return is_png(file) ? files::decode_png(file, most_bytes) : files::decode_pnm(file, most_bytes);
    } catch (const ArgumentError& error) { // of the image that it would be
        throw FileError(fmt::format("cannot decode the image: {}", error.what()));
    }
}

Image load(const FileName& path, std::size_t most_bytes) {
    constexpr std::size_t allowance = std::size_t{64} << 20; // for what is not pixels
    constexpr std::size_t unlimited = std::numeric_limits<std::size_t>::max();
    const std::size_t most_file_bytes =
        most_bytes > unlimited - allowance ? unlimited : most_bytes + allowance;
    const std::vector<std::byte> bytes = files::read_whole(path.text(), most_file_bytes, is_known);
    try {
        return decode(bytes, most_bytes);
    } catch (const FileError& error) {
        throw FileError(fmt::format("{}: {}", files::shown(path.text()), error.what()));
    }
}

} // namespace coldbrick
