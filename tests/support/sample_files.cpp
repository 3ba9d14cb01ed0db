#include "support/sample_files.hpp"

#include "support/sample_image.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/reel.hpp>

#include <span>
#include <sstream>

namespace coldbrick::test {

namespace {

constexpr Size size{13, 9};

std::vector<std::byte> reel(ReelType type, PixelFormat format, const ReelOptions& options = {}) {
    std::ostringstream stream;
    ReelWriter writer(stream, type, options);
    Image frame = sample(size, format);
    for (std::int32_t i = 0; i < 3; ++i) {
        draw(frame, Box{2 + 3 * i, 1 + i, 4, 3}, Fill{Colour(40 * i, 200, 9)});
        writer.add(frame);
    }
    writer.finish();
    const std::string text = stream.str();
    const auto bytes = std::as_bytes(std::span(text));
    return {bytes.begin(), bytes.end()};
}

} // namespace

std::vector<SampleFile> sample_files() {
    std::vector<SampleFile> files;
    const auto add = [&](const std::string& name, FileType type, PixelFormat format,
                         const EncodeOptions& options = {}) {
        files.push_back({name, type, encode(sample(size, format), type, options)});
    };
    using enum PixelFormat;
    add("gray.png", FileType::png, gray8);
    add("text.png", FileType::png, graya8, {.texts = {{"Title", "The quay"}, {"Place", "T\xC3\xA4rn"}}});
    add("colours.png", FileType::png, rgb8, {.resolution = Resolution{72, 72}});
    add("deep.png", FileType::png, rgba16);
    add("palette.png", FileType::png, indexed8);
    add("smallest.png", FileType::png, indexed8, {.smallest = true});
    add("gray.jpg", FileType::jpeg, gray8);
    add("colours.jpg", FileType::jpeg, rgb8);
    add("progressive.jpg", FileType::jpeg, rgb8,
        {.subsampling = ChromaSubsampling::none, .progressive = true});
    add("lossless.webp", FileType::webp, rgba8);
    add("lossy.webp", FileType::webp, rgba8, {.quality = 70});
    add("palette.gif", FileType::gif, indexed8);
    add("colours.bmp", FileType::bmp, rgb8);
    add("alpha.bmp", FileType::bmp, rgba8);
    add("colours.qoi", FileType::qoi, rgb8);
    add("alpha.qoi", FileType::qoi, rgba8);
    add("bitmap.pbm", FileType::pbm, gray8, {.allow_loss = true});
    add("bitmap_text.pbm", FileType::pbm, gray8, {.plain_text = true, .allow_loss = true});
    add("gray.pgm", FileType::pgm, gray16);
    add("gray_text.pgm", FileType::pgm, gray8, {.plain_text = true});
    add("colours.ppm", FileType::ppm, rgb8);
    add("colours_text.ppm", FileType::ppm, rgb16, {.plain_text = true});
    add("alpha.pam", FileType::pam, rgba16);
    files.push_back({"reel.png", FileType::png, reel(ReelType::png, rgba8)});
    files.push_back({"reel.gif", FileType::gif, reel(ReelType::gif, rgba8, {.dithered = false})});
    files.push_back({"reel.webp", FileType::webp, reel(ReelType::webp, rgba8)});
    files.push_back({"lossy_reel.webp", FileType::webp, reel(ReelType::webp, rgb8, {.quality = 60})});
    return files;
}

} // namespace coldbrick::test
