#include "image_files.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <array>
#include <iostream>

namespace cb = coldbrick;

namespace {

constexpr const char* input_name = "standard input";

/// Calls call(); a FileError gets the name before its text.
template <class Call>
auto naming(const std::string& name, Call call) {
    try {
        return call();
    } catch (const cb::FileError& error) {
        throw cb::FileError(fmt::format("{}: {}", name, error.what()));
    }
}

} // namespace

cb::FileType ImageOutput::file_type() const {
    if (type) return *type;
    if (is_standard_stream(path)) throw cb::FileError("standard output has no extension: give a --type");
    return cb::file_type(path);
}

bool is_standard_stream(const std::string& path) {
    return path == "-";
}

std::vector<std::byte> read_bytes(const std::string& path, std::size_t most_bytes) {
    if (!is_standard_stream(path)) return cb::read_file(path, most_bytes);
    std::vector<std::byte> result;
    std::array<char, std::size_t{1} << 16> portion;
    while (std::cin.read(portion.data(), portion.size()), std::cin.gcount() > 0) {
        const auto bytes =
            std::as_bytes(std::span(portion)).first(static_cast<std::size_t>(std::cin.gcount()));
        if (bytes.size() > most_bytes - result.size())
            throw cb::FileError(
                fmt::format("cannot read {}: it has more than {} bytes", input_name, most_bytes));
        result.insert(result.end(), bytes.begin(), bytes.end());
    }
    return result;
}

ImageInput::ImageInput(const std::string& path)
    : name_(is_standard_stream(path) ? input_name : cb::base::shown(path, 300)) {
    // What never ends and is no image is seen at its beginning.
    if (!is_standard_stream(path)) (void)cb::inspect(path);
    bytes_ = read_bytes(path, cb::DecodeLimits{}.bytes);
    info_ = naming(name_, [&] { return cb::inspect(bytes_); });
}

cb::Image ImageInput::image() const {
    return naming(name_, [&] { return cb::decode(bytes_); });
}

void ImageInput::for_each_frame(cb::FunctionRef<void(cb::Frame& frame)> use) const {
    cb::ReelReader reader = naming(name_, [&] { return cb::ReelReader(bytes_); });
    for (auto frame = naming(name_, [&] { return reader.next(); }); frame;
         frame = naming(name_, [&] { return reader.next(); }))
        use(*frame);
}

void save_image(const cb::Image& image, const ImageOutput& output) {
    const cb::FileType type = output.file_type();
    if (is_standard_stream(output.path))
        cb::save(image, std::cout, type, output.options);
    else
        cb::save(image, output.path, type, output.options);
}
