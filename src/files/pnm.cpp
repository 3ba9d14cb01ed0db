#include "files/pnm.hpp"

#include "files/channels.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <span>
#include <string>

namespace coldbrick::files {

namespace {

/// The type to write, with pnm settled. @throws FileError if the type cannot hold so many channels.
FileType settle(FileType type, int channels, PixelFormat format) {
    if (type == FileType::pnm)
        return channels == 1 ? FileType::pgm : channels == 3 ? FileType::ppm : FileType::pam;
    if (type == FileType::pgm && channels > 1)
        throw FileError(fmt::format("a .pgm file cannot hold the colours of {}: use .ppm, .pam or .png",
                                    layout(format).name));
    if (type == FileType::ppm && channels == 4)
        throw FileError(
            fmt::format("a .ppm file cannot hold the alpha of {}: use .pam or .png", layout(format).name));
    return type;
}

std::string arbitrary_map_header(Size size, int channels) {
    const char* const kind = channels == 1 ? "GRAYSCALE" : channels == 3 ? "RGB" : "RGB_ALPHA";
    return fmt::format("P7\nWIDTH {}\nHEIGHT {}\nDEPTH {}\nMAXVAL 255\nTUPLTYPE {}\nENDHDR\n", size.width,
                       size.height, channels, kind);
}

} // namespace

std::vector<std::byte> encode_pnm(const ConstImageView& image, FileType wanted_type) {
    const int held = channel_count(image.format());
    const FileType type = settle(wanted_type, held, image.format());
    const int channels = type == FileType::ppm ? 3 : held;
    const std::string header = type == FileType::pam
                                   ? arbitrary_map_header(image.size(), channels)
                                   : fmt::format("{}\n{} {}\n255\n", type == FileType::pgm ? "P5" : "P6",
                                                 image.width(), image.height());
    std::vector<std::byte> file = in_file_order(image, channels);
    const auto header_bytes = std::as_bytes(std::span(header));
    file.insert(file.begin(), header_bytes.begin(), header_bytes.end());
    return file;
}

} // namespace coldbrick::files
