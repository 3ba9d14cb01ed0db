#include "image_files.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <array>
#include <cerrno>
#include <iostream>
#include <system_error>

#include <fcntl.h>
#include <unistd.h>

namespace coldbrick::tool {

namespace {

constexpr const char* input_name = "standard input";

/// False if standard input was closed by whoever started the tool.
bool is_readable_input() {
    const int flags = ::fcntl(STDIN_FILENO, F_GETFL);
    return flags != -1 && (flags & O_ACCMODE) != O_WRONLY;
}

/// Calls call(); a FileError gets the stream's name before its text.
template <class Call>
auto naming_input(Call call) {
    try {
        return call();
    } catch (const FileError& error) {
        throw FileError(fmt::format("{}: {}", input_name, error.what()));
    }
}

/// A FileError about an image, or that there is a sheet instead.
[[noreturn]] void fail_for(const std::string& path, const FileError& error) {
    if (!path.ends_with(".brick")) throw error;
    throw FileError(fmt::format("{} is a sheet, not an image; coldbrick draw {} -o FILE makes one of it",
                                base::shown(path, 300), base::shown(path, 300)));
}

} // namespace

bool is_image(std::span<const std::byte> bytes) {
    try {
        (void)coldbrick::inspect(bytes);
        return true;
    } catch (const FileError&) {
        return false;
    }
}

FileType ImageOutput::file_type() const {
    if (type) return *type;
    if (is_standard_stream(path)) throw FileError("standard output has no extension: give a --type");
    return coldbrick::file_type(path);
}

bool is_standard_stream(const std::string& path) {
    return path == "-";
}

std::vector<std::byte> read_bytes(const std::string& path, std::size_t most_bytes) {
    if (!is_standard_stream(path)) return read_file(path, most_bytes);
    if (!is_readable_input())
        throw FileError(
            fmt::format("cannot read {}: {}", input_name, std::generic_category().message(EBADF)));
    std::vector<std::byte> result;
    std::array<char, std::size_t{1} << 16> portion;
    while (std::cin.read(portion.data(), portion.size()), std::cin.gcount() > 0) {
        const auto bytes =
            std::as_bytes(std::span(portion)).first(static_cast<std::size_t>(std::cin.gcount()));
        if (bytes.size() > most_bytes - result.size())
            throw FileError(fmt::format("cannot read {}: it has more than {} bytes", input_name, most_bytes));
        result.insert(result.end(), bytes.begin(), bytes.end());
        errno = 0;
    }
    if (std::cin.bad() || std::ferror(stdin) != 0)
        throw FileError(fmt::format("cannot read {}: {}", input_name,
                                    std::generic_category().message(errno != 0 ? errno : EIO)));
    return result;
}

ImageInput::ImageInput(const std::string& path) : path_(path) {
    if (is_standard_stream(path)) {
        bytes_ = read_bytes(path, DecodeLimits{}.bytes);
        info_ = naming_input([&] { return coldbrick::inspect(bytes_); });
    } else {
        try {
            info_ = coldbrick::inspect(path);
        } catch (const FileError& error) {
            fail_for(path, error);
        }
    }
}

Image ImageInput::image() const {
    return is_standard_stream(path_) ? naming_input([&] { return decode(bytes_); }) : load(path_);
}

void ImageInput::for_each_frame(FunctionRef<void(Frame& frame)> use) const {
    const auto each = [&use](ReelReader reader, auto next) {
        for (auto frame = next(reader); frame; frame = next(reader)) use(*frame);
    };
    if (is_standard_stream(path_))
        each(naming_input([&] { return ReelReader(bytes_); }),
             [](ReelReader& reader) { return naming_input([&] { return reader.next(); }); });
    else
        each(ReelReader(path_), [](ReelReader& reader) { return reader.next(); });
}

void refuse_to_replace(const std::string& output, const std::vector<std::filesystem::path>& inputs) {
    if (output.empty() || is_standard_stream(output)) return;
    for (const std::filesystem::path& input : inputs) {
        std::error_code ignored; // of files that are not there
        if (std::filesystem::is_regular_file(output, ignored) &&
            std::filesystem::equivalent(output, input, ignored))
            throw FileError(
                fmt::format("{} is read here, too, and would be lost: give another name to write to",
                            base::shown(output, 300)));
    }
}

void save_image(const Image& image, const ImageOutput& output) {
    const FileType type = output.file_type();
    if (is_standard_stream(output.path))
        save(image, std::cout, type, output.options);
    else
        save(image, output.path, type, output.options);
}

RowWriter row_writer(const ImageOutput& output, Size size, PixelFormat format) {
    const FileType type = output.file_type();
    if (is_standard_stream(output.path)) return RowWriter(std::cout, type, size, format, output.options);
    return RowWriter(output.path, type, size, format, output.options);
}

} // namespace coldbrick::tool
