#include "fonts/font_file.hpp"
#include "base/shown_text.hpp"
#include "fonts/font_face.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <array>
#include <cerrno>
#include <cstdio>
#include <memory>
#include <system_error>

namespace coldbrick {

namespace fonts {

std::vector<std::byte> bytes_of_file(const std::string& file, std::size_t most_bytes) {
    const auto fail = [&](std::string_view why) {
        throw FileError(fmt::format("cannot read font {}: {}", base::in_quotes(file), why));
    };
    const std::unique_ptr<std::FILE, int (*)(std::FILE*)> opened(std::fopen(file.c_str(), "rbe"),
                                                                 std::fclose);
    if (opened == nullptr) fail(std::generic_category().message(errno));
    std::vector<std::byte> result;
    std::array<std::byte, std::size_t{1} << 16> portion;
    while (const std::size_t count = std::fread(portion.data(), 1, portion.size(), opened.get())) {
        if (count > most_bytes - result.size()) fail(fmt::format("it has more than {} bytes", most_bytes));
        result.insert(result.end(), portion.begin(), portion.begin() + static_cast<std::ptrdiff_t>(count));
    }
    if (std::ferror(opened.get()) != 0) fail(std::generic_category().message(errno));
    return result;
}

} // namespace fonts

namespace {

Face face_of(std::vector<std::byte> bytes, const FontOptions& options) {
    return Face(fonts::make_font_face(std::make_unique<const fonts::Font>(std::move(bytes), options)));
}

} // namespace

Face read_face(std::span<const std::byte> font, const FontOptions& options) {
    return face_of({font.begin(), font.end()}, options);
}

Face load_face(const std::string& file, const FontOptions& options) {
    std::vector<std::byte> bytes = fonts::bytes_of_file(file, options.most_bytes);
    try {
        return face_of(std::move(bytes), options);
    } catch (const FileError& error) {
        throw FileError(fmt::format("{}: {}", base::in_quotes(file), error.what()));
    }
}

std::vector<FontAxisRange> font_axes(std::span<const std::byte> font, std::int32_t index) {
    return fonts::Font({font.begin(), font.end()}, {.index = index}).axes();
}

} // namespace coldbrick
