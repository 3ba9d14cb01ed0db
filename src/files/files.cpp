#include <coldbrick/files.hpp>

#include "base/range_checks.hpp"
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
#include <iterator>
#include <limits>
#include <span>
#include <string>
#include <string_view>

namespace coldbrick {

namespace {

std::vector<std::byte> encode_png(const ConstImageView& image, FileType) {
    return files::encode_png(image);
}

/// How files of a type are named and written: a row each.
struct WrittenType {
    FileType type;
    std::string_view extension;
    std::vector<std::byte> (*encode)(const ConstImageView& image, FileType type);
};
constexpr WrittenType written_types[] = {
    {FileType::png, ".png", encode_png},        {FileType::pgm, ".pgm", files::encode_pnm},
    {FileType::ppm, ".ppm", files::encode_pnm}, {FileType::pam, ".pam", files::encode_pnm},
    {FileType::pnm, ".pnm", files::encode_pnm},
};

bool is_png(std::span<const std::byte> file) {
    constexpr std::array signature{std::byte{0x89}, std::byte{'P'}, std::byte{'N'}, std::byte{'G'}};
    return file.size() >= signature.size() && std::ranges::equal(signature, file.first(signature.size()));
}

bool is_anymap(std::span<const std::byte> file) {
    return !file.empty() && file[0] == std::byte{'P'};
}

/// How files are known by their first bytes, and read: a row each.
struct ReadType {
    bool (*begins)(std::span<const std::byte> file);
    Image (*decode)(std::span<const std::byte> file, std::size_t most_bytes);
};
constexpr ReadType read_types[] = {{is_png, files::decode_png}, {is_anymap, files::decode_pnm}};

const ReadType* read_type_of(std::span<const std::byte> beginning) {
    const auto* const found =
        std::ranges::find_if(read_types, [&](const ReadType& type) { return type.begins(beginning); });
    return found == std::end(read_types) ? nullptr : found;
}

bool is_known(std::span<const std::byte> beginning) {
    return read_type_of(beginning) != nullptr;
}

std::string known_extensions() {
    std::string result;
    for (const WrittenType& type : written_types)
        result.append(result.empty() ? "" : ", ").append(type.extension);
    return result;
}

std::string lower(std::string text) {
    std::ranges::transform(text, text.begin(), [](char c) {
        return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
    });
    return text;
}

} // namespace

FileType file_type(const FileName& path) {
    const std::string extension = lower(std::filesystem::path(path.text()).extension().string());
    const auto* const found = std::ranges::find(written_types, extension, &WrittenType::extension);
    if (found == std::end(written_types))
        throw FileError(fmt::format("cannot write {}: the extension {} is none of {}",
                                    files::shown(path.text()), base::in_quotes(extension),
                                    known_extensions()));
    return found->type;
}

std::vector<std::byte> encode(const ConstImageView& image, FileType type) {
    base::check_choice("file type", type, FileType::pnm);
    return std::ranges::find(written_types, type, &WrittenType::type)->encode(image, type);
}

void save(const ConstImageView& image, const FileName& path) {
    files::write_atomically(path.text(), encode(image, file_type(path)));
}

void write_file(const FileName& path, std::span<const std::byte> bytes) {
    files::write_atomically(path.text(), bytes);
}

Image decode(std::span<const std::byte> file, std::size_t most_bytes) {
    const ReadType* const type = read_type_of(file);
    if (type == nullptr)
        throw FileError("cannot decode the image: it is neither a PNG file nor a portable anymap");
    try {
        return type->decode(file, most_bytes);
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
