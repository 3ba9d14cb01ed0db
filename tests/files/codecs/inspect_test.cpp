// What files tell without being decoded.

#include "support/errors.hpp"
#include "support/files.hpp"
#include "support/sample_files.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/reel.hpp>

#include <gtest/gtest.h>
#include <zlib.h>

#include <optional>
#include <string>

namespace coldbrick::test {

namespace {

std::span<const std::byte> bytes(const std::string& file) {
    return std::as_bytes(std::span(file));
}

std::string number(std::uint32_t value, int count, bool big_endian) {
    std::string result;
    for (int i = 0; i < count; ++i)
        result += static_cast<char>(value >> 8 * (big_endian ? count - 1 - i : i) & 0xFFU);
    return result;
}

/// Exif data that tell an orientation, and a resolution that is not there.
std::string exif(int orientation, bool big_endian) {
    const auto n = [big_endian](std::uint32_t value, int count) { return number(value, count, big_endian); };
    return (big_endian ? "MM" : "II") + n(42, 2) + n(8, 4) + n(2, 2) + n(0x112, 2) + n(3, 2) + n(1, 4) +
           n(static_cast<std::uint32_t>(orientation), 2) + n(0, 2) + n(0x11A, 2) + n(5, 2) + n(1, 4) +
           n(100000, 4);
}

/// A file whose Exif data tell an orientation, in either byte order.
std::string with_orientation(const Image& image, FileType type, int orientation, bool big_endian) {
    const std::vector<std::byte> plain =
        encode(image, type, {.quality = type == FileType::jpeg ? std::optional(100) : std::nullopt});
    const std::string file(reinterpret_cast<const char*>(plain.data()), plain.size());
    const std::string data = exif(orientation, big_endian);
    if (type == FileType::jpeg) {
        const std::string segment = std::string("Exif\0\0", 6) + data;
        return file.substr(0, 2) + "\xFF\xE1" +
               number(static_cast<std::uint32_t>(segment.size() + 2), 2, true) + segment + file.substr(2);
    }
    const std::string chunk = "eXIf" + data;
    const auto checksum =
        static_cast<std::uint32_t>(crc32_z(0, reinterpret_cast<const Bytef*>(chunk.data()), chunk.size()));
    return file.substr(0, 33) + number(static_cast<std::uint32_t>(data.size()), 4, true) + chunk +
           number(checksum, 4, true) + file.substr(33);
}

} // namespace

TEST(Inspect, TellsWhatDecodingGives) {
    for (const SampleFile& sample : sample_files()) {
        SCOPED_TRACE(sample.name);
        const ImageInfo info = inspect(sample.bytes);
        const Image image = decode(sample.bytes);
        EXPECT_EQ(info.type, sample.type);
        EXPECT_EQ(info.size, image.size());
        EXPECT_EQ(info.format, image.format());
        EXPECT_EQ(info.frames, sample.name.find("reel") == std::string::npos ? 1 : 3);
        const bool pam = sample.type == FileType::pam;
        EXPECT_EQ(info.bits, sample.type == FileType::pbm ? 1
                             : pam || sample.name.find("deep") == 0 || sample.name == "gray.pgm" ||
                                     sample.name == "colours_text.ppm"
                                 ? 16
                             : sample.name == "smallest.png" ? 4
                                                             : 8);
    }
}

TEST(Inspect, ReadsTextsResolutionsAndProfiles) {
    const Image image = sample({5, 4}, PixelFormat::rgb8);
    const std::vector<FileText> texts{
        {"Title", "The quay"}, {"Comment", "T\xC3\xA4rn Haven \xE2\x80\x94 dusk"}, {"Author", ""}};
    const ImageInfo png =
        inspect(encode(image, FileType::png, {.texts = texts, .resolution = Resolution{300, 150}}));
    EXPECT_EQ(png.texts, texts);
    EXPECT_EQ(png.colour_profile, "sRGB");
    ASSERT_TRUE(png.resolution);
    EXPECT_NEAR(png.resolution->across, 300, 0.02);
    EXPECT_NEAR(png.resolution->down, 150, 0.02);
    const ImageInfo jpeg = inspect(encode(image, FileType::jpeg, {.resolution = Resolution{96, 48}}));
    EXPECT_EQ(jpeg.resolution, (Resolution{96, 48}));
    const ImageInfo bmp = inspect(encode(image, FileType::bmp, {.resolution = Resolution{72, 72}}));
    EXPECT_NEAR(bmp.resolution.value_or(Resolution{}).down, 72, 0.02);
}

TEST(Inspect, PicturesAreLaidUprightUnlessTheyShallNot) {
    Image image({32, 16}, PixelFormat::rgb8, colour("black"));
    const ImageView corner = image.view().cropped({0, 0, 8, 8});
    for (int i = 0; i < 64; ++i) corner.set_pixel({i % 8, i / 8}, colour("white"));
    // Where the stored top-left corner comes to lie.
    const Point corners[] = {{4, 4}, {27, 4}, {27, 11}, {4, 11}, {4, 4}, {11, 4}, {11, 27}, {4, 27}};
    for (int orientation = 1; orientation <= 8; ++orientation)
        for (const auto& [type, big_endian] :
             {std::pair{FileType::jpeg, false}, {FileType::jpeg, true}, {FileType::png, false}}) {
            const std::string file = with_orientation(image, type, orientation, big_endian);
            const ImageInfo info = inspect(bytes(file));
            const Image upright = decode(bytes(file));
            const Size laid = orientation < 5 ? Size{32, 16} : Size{16, 32};
            EXPECT_EQ(info.size, laid) << orientation;
            ASSERT_EQ(upright.size(), laid) << orientation;
            EXPECT_GT(upright.pixel(corners[orientation - 1]).red, 200) << orientation;
            const Image stored = decode(bytes(file), {.upright = false});
            EXPECT_EQ(stored.size(), image.size());
            EXPECT_EQ(oriented(stored, info.orientation).pixel({3, 3}), upright.pixel({3, 3}));
        }
    EXPECT_EQ(inspect(bytes(with_orientation(image, FileType::png, 9, true))).orientation, Orientation{});
}

TEST(Inspect, RefusesWhatIsNoPicture) {
    const TemporaryFolder folder;
    write_file(folder.file("a.txt"), "quay");
    const std::string none =
        "cannot decode the image: it is none of PNG, JPEG, WebP, GIF, BMP, QOI or a portable anymap";
    expect_errors<FileError>({
        {[&] { (void)inspect(folder.file("a.txt")); }, folder.file("a.txt") + ": " + none},
        {[] { (void)inspect(bytes("")); }, none},
        {[] { (void)inspect("/nowhere/a.png"); }, "cannot read /nowhere/a.png: No such file or directory"},
    });
}

} // namespace coldbrick::test
