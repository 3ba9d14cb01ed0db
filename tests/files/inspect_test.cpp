// What files tell without being decoded.

#include "support/errors.hpp"
#include "support/files.hpp"
#include "support/sample_files.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/reel.hpp>

#include <gtest/gtest.h>

namespace coldbrick::test {

namespace {

std::span<const std::byte> bytes(const std::string& file) {
    return std::as_bytes(std::span(file));
}

/// A JPEG file with Exif data that tell an orientation, in either byte order.
std::string with_orientation(const Image& image, int orientation, bool big_endian) {
    const std::vector<std::byte> plain = encode(image, FileType::jpeg, {.quality = 100});
    const auto number = [big_endian](std::uint32_t value, int count) {
        std::string result;
        for (int i = 0; i < count; ++i)
            result += static_cast<char>(value >> 8 * (big_endian ? count - 1 - i : i) & 0xFFU);
        return result;
    };
    const std::string tiff = (big_endian ? "MM" : "II") + number(42, 2) + number(8, 4) + number(2, 2) +
                             number(0x112, 2) + number(3, 2) + number(1, 4) +
                             number(static_cast<std::uint32_t>(orientation), 2) + number(0, 2) +
                             number(0x11A, 2) + number(5, 2) + number(1, 4) + number(100000, 4);
    const std::string data = std::string("Exif\0\0", 6) + tiff;
    const std::size_t length = data.size() + 2;
    const std::string segment =
        std::string("\xFF\xE1") + static_cast<char>(length >> 8U) + static_cast<char>(length & 0xFFU) + data;
    const std::string file(reinterpret_cast<const char*>(plain.data()), plain.size());
    return file.substr(0, 2) + segment + file.substr(2);
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
        for (const bool big_endian : {false, true}) {
            const std::string file = with_orientation(image, orientation, big_endian);
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
    EXPECT_EQ(inspect(bytes(with_orientation(image, 9, true))).orientation, Orientation{});
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
