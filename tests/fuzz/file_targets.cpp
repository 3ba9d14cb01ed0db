// Bytes that are image files.

#include "fuzz/attempt.hpp"
#include "fuzz/targets.hpp"

#include <coldbrick/files.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/row_files.hpp>

#include <algorithm>
#include <sstream>
#include <string>

namespace coldbrick::fuzz {

namespace {

constexpr DecodeLimits limits{.bytes = std::size_t{1} << 17};

bool same_pixels(const Image& a, const Image& b) {
    if (a.size() != b.size() || a.format() != b.format()) return false;
    for (std::int32_t y = 0; y < a.height(); ++y)
        if (!std::ranges::equal(a.view().row(y), b.view().row(y))) return false;
    return true;
}

void decode_picture(std::span<const std::byte> file) {
    const Image image = decode(file, {.limits = limits});
    const ImageInfo info = inspect(file);
    require(info.size == image.size() && info.format == image.format(), "a file is what it tells");
    const FileType type = image.format() == PixelFormat::indexed8 ? FileType::png : FileType::pam;
    require(same_pixels(decode(encode(image, type)), image), "what is saved comes back");
}

void decode_reel(std::span<const std::byte> file) {
    ReelReader reader(file, limits);
    for (int i = 0; i < 20; ++i) {
        const auto frame = reader.next();
        if (!frame) return;
        require(frame->image.size() == reader.size(), "frames have the reel's size");
    }
}

void decode_rows(std::span<const std::byte> file) {
    std::istringstream stream(std::string(reinterpret_cast<const char*>(file.data()), file.size()));
    RowReader reader(stream, limits);
    const Palette* const palette = reader.palette();
    const Size one_row{reader.size().width, 1};
    Image row =
        palette != nullptr ? Image(one_row, *palette, palette->at(0)) : Image(one_row, reader.format());
    while (reader.rows() < reader.size().height) reader.read(row);
}

/// Takes a file of one type in every way.
void decode_all(Bytes bytes, FileType first, FileType last) {
    const auto file = std::as_bytes(bytes);
    attempt([&] {
        const FileType type = inspect(file).type;
        if (type < first || type > last) return;
        attempt([&] { decode_picture(file); });
        attempt([&] { decode_reel(file); });
        attempt([&] { decode_rows(file); });
    });
}

} // namespace

void png(Bytes bytes) {
    decode_all(bytes, FileType::png, FileType::png);
}
void jpeg(Bytes bytes) {
    decode_all(bytes, FileType::jpeg, FileType::jpeg);
}
void webp(Bytes bytes) {
    decode_all(bytes, FileType::webp, FileType::webp);
}
void gif(Bytes bytes) {
    decode_all(bytes, FileType::gif, FileType::gif);
}
void bmp(Bytes bytes) {
    decode_all(bytes, FileType::bmp, FileType::bmp);
}
void qoi(Bytes bytes) {
    decode_all(bytes, FileType::qoi, FileType::qoi);
}
void anymap(Bytes bytes) {
    decode_all(bytes, FileType::pbm, FileType::pnm);
}

} // namespace coldbrick::fuzz
