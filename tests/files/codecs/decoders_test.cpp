// Files from elsewhere: unusual kinds, and broken ones, which must all fail cleanly.

#include "support/errors.hpp"
#include "support/files.hpp"
#include "support/sample_files.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/row_files.hpp>

#include <gtest/gtest.h>

#include <cstdio>
#include <sstream>

#include <jpeglib.h>

namespace coldbrick::test {

namespace {

std::span<const std::byte> bytes(const std::string& file) {
    return std::as_bytes(std::span(file));
}

std::string text(const std::vector<std::byte>& file) {
    return {reinterpret_cast<const char*>(file.data()), file.size()};
}

/// A number of so many bytes, the lowest first.
std::string little(std::uint32_t value, int count) {
    std::string result;
    for (int i = 0; i < count; ++i) result += static_cast<char>(value >> 8 * i & 0xFFU);
    return result;
}

/// A bitmap of 40 bytes of header, palette and pixels.
std::string bitmap(std::int32_t width, std::int32_t height, int bits, int packing,
                   const std::string& after_header) {
    const std::string palette_and_pixels = after_header;
    const std::size_t palette_bytes = bits <= 8 ? std::size_t{4} << bits : packing == 3 ? 12 : 0;
    return "BM" + little(static_cast<std::uint32_t>(54 + palette_and_pixels.size()), 4) + little(0, 4) +
           little(static_cast<std::uint32_t>(54 + palette_bytes), 4) + little(40, 4) +
           little(static_cast<std::uint32_t>(width), 4) + little(static_cast<std::uint32_t>(height), 4) +
           little(1, 2) + little(static_cast<std::uint32_t>(bits), 2) +
           little(static_cast<std::uint32_t>(packing), 4) + little(0, 4) + little(2835, 4) + little(2835, 4) +
           little(0, 8) + palette_and_pixels;
}

/// The numbers of an indexed image, or the channels of another, as text.
std::string values(const Image& image) {
    std::string result;
    for (std::int32_t y = 0; y < image.height(); ++y)
        for (const std::byte byte : image.view().row(y))
            result += std::to_string(std::to_integer<int>(byte)) + " ";
    return result;
}

void read_all_frames(std::span<const std::byte> file) {
    ReelReader reader(file);
    while (reader.next()) {
    }
}

/// Does with a file all that can be done to it.
void use(std::span<const std::byte> file) {
    const DecodeLimits limits{.bytes = std::size_t{1} << 22};
    const auto attempt = [](auto call) {
        try {
            call();
        } catch (const FileError&) { // as it must be
        }
    };
    attempt([&] { (void)decode(file, {.limits = limits}); });
    attempt([&] { (void)inspect(file); });
    attempt([&] {
        ReelReader reader(file, limits);
        while (reader.next()) {
        }
    });
    attempt([&] {
        std::istringstream stream(std::string(reinterpret_cast<const char*>(file.data()), file.size()));
        RowReader reader(stream, limits);
        const Palette* const palette = reader.palette();
        Image row = palette != nullptr ? Image({reader.size().width, 1}, *palette, palette->at(0))
                                       : Image({reader.size().width, 1}, reader.format());
        while (reader.rows() < reader.size().height) reader.read(row);
    });
}

} // namespace

TEST(Decoders, TruncatedFilesOfEveryKindAreRefusedAndDamagedOnesDoNoHarm) {
    for (const SampleFile& sample : sample_files()) {
        SCOPED_TRACE(sample.name);
        const bool reel = sample.name.find("reel") != std::string::npos;
        // Of numbers as text, it cannot be seen that the last one is cut.
        const bool is_text = sample.name.find("text.p") != std::string::npos && sample.type != FileType::png;
        const std::size_t needed = sample.bytes.size() - (is_text ? 6 : 0);
        for (std::size_t length = 0; length < needed; ++length) {
            const auto part = std::span(sample.bytes).first(length);
            if (!reel || sample.type != FileType::png) {
                ASSERT_THROW((void)decode(part), FileError) << length;
            }
            if (reel) {
                ASSERT_THROW(read_all_frames(part), FileError) << length;
            }
            if (length % 7 == 0) use(part);
        }
        std::vector<std::byte> damaged = sample.bytes;
        for (std::size_t at = 0; at < damaged.size(); ++at)
            for (const unsigned change : {0x01U, 0x80U, 0xFFU}) {
                damaged[at] ^= std::byte(change);
                use(damaged);
                if (sample.type == FileType::png && !reel) { // checksums cover it all
                    EXPECT_THROW((void)decode(damaged), FileError) << at;
                }
                damaged[at] ^= std::byte(change);
            }
        EXPECT_NO_THROW((void)decode(damaged));
    }
}

TEST(Decoders, BitmapsOfEveryKindAreRead) {
    const std::string two_colours = little(0x102030, 4) + little(0x405060, 4);
    std::string palette;
    for (std::uint32_t i = 0; i < 256; ++i) palette += little(i * 0x010101, 4);
    const std::string sixteen = palette.substr(0, 64);
    const std::tuple<const char*, std::string, std::string> rows[] = {
        {"1 bit", bitmap(3, 2, 1, 0, two_colours + "\xA0" + little(0, 3) + "\x40" + little(0, 3)),
         "0 1 0 1 0 1 "},
        {"1 bit, top-down", bitmap(3, -2, 1, 0, two_colours + "\xA0" + little(0, 3) + "\x40" + little(0, 3)),
         "1 0 1 0 1 0 "},
        {"4 bits", bitmap(3, 1, 4, 0, sixteen + "\x12\x30" + little(0, 2)), "1 2 3 "},
        {"8 bits", bitmap(2, 1, 8, 0, palette + "\x07\xF0" + little(0, 2)), "7 240 "},
        {"8 bits in runs",
         bitmap(4, 2, 8, 1, palette + std::string("\x03\x05\x01\x06\0\0\0\x03\x09\x08\x07\0\0\x01", 14)),
         "9 8 7 0 5 5 5 6 "},
        {"4 bits in runs",
         bitmap(5, 1, 4, 2, sixteen + std::string("\x03\x12\0\x02\x01\0\x01\x30\0\x01", 10)), "1 2 1 0 3 "},
        {"16 bits", bitmap(2, 1, 16, 0, little(0x7FFF, 2) + little(0x4210, 2)), "255 255 255 132 132 132 "},
        {"16 bits with masks",
         bitmap(2, 1, 16, 3,
                little(0xF800, 4) + little(0x07E0, 4) + little(0x1F, 4) + little(0xF81F, 2) +
                    little(0x0400, 2)),
         "255 0 255 0 130 0 "},
        {"24 bits", bitmap(1, 1, 24, 0, "\x01\x02\x03" + little(0, 1)), "3 2 1 "},
        {"32 bits", bitmap(1, 1, 32, 0, "\x01\x02\x03\x04"), "3 2 1 "},
    };
    for (const auto& [what, file, expected] : rows) {
        SCOPED_TRACE(what);
        EXPECT_EQ(values(decode(bytes(file))), expected);
        EXPECT_NEAR(inspect(bytes(file)).resolution.value_or(Resolution{}).across, 72, 0.02);
    }
    const std::string fail = "cannot decode BMP: ";
    const auto decoding = [](std::string file) {
        return [file = std::move(file)] { (void)decode(bytes(file)); };
    };
    expect_errors<FileError>({
        {decoding(bitmap(2, 1, 8, 1, palette + "\x03\x05")), fail + "a run reaches beyond the picture"},
        {decoding(bitmap(2, 1, 7, 0, palette)),
         fail + "its pixels of 7 bits are none of 1, 4, 8, 16, 24 and 32"},
        {decoding(bitmap(2, 1, 24, 1, palette)), fail + "its compression 1 does not fit pixels of 24 bits"},
        {decoding(bitmap(0, 1, 24, 0, palette)), fail + "its size of 0 x 1 pixels is none"},
        {decoding(bitmap(1, 1, 16, 3, little(0x0505, 4) + little(0, 10))),
         fail + "the mask 0x00000505 of a channel has gaps"},
        {decoding(bitmap(20000, 20000, 24, 0, palette)),
         "cannot decode the image: an image of 20000 x 20000 rgb8 pixels takes 1200000000 bytes, more than "
         "the limit of 1073741824"},
    });
}

TEST(Decoders, AnymapsOfAnyLargestValueAreRead) {
    const std::pair<std::string, std::string> rows[] = {
        {"P1\n# quay\n3 1\n101", "0 255 0 "},
        {"P1 3 1\n1 0\n1\n", "0 255 0 "},
        {"P2 3 1 4 0 2 4", "0 128 255 "},
        {"P3 1 1 100 0 50 100 ", "0 128 255 "},
        {std::string("P4\n10 1\n\x80\x40", 10), "0 255 255 255 255 255 255 255 255 0 "},
        {std::string("P5 2 1 1\n\0\1", 11), "0 255 "},
        {std::string("P6 1 1 15\n\x0f\x05\0", 13), "255 85 0 "},
        {std::string("P7\nWIDTH 1\nHEIGHT 1\nDEPTH 2\nMAXVAL 1\nTUPLTYPE BLACKANDWHITE_ALPHA\nENDHDR\n\1\0",
                     76),
         "255 0 "},
    };
    for (const auto& [file, expected] : rows) EXPECT_EQ(values(decode(bytes(file))), expected) << file;
    const Image deep = decode(bytes(std::string("P5 2 1 1000\n\x03\xE8\x01\xF4", 16)));
    EXPECT_EQ(deep.format(), PixelFormat::gray16);
    EXPECT_EQ(deep.view().pixel16({0, 0}).red, 65535);
    EXPECT_EQ(deep.view().pixel16({1, 0}).red, 32768);
}

TEST(Decoders, PngsGammaAndBrokenPalettesCount) {
    // A gray of 0.5 in linear light is 188 in sRGB. The chunk is put behind the header, and sRGB taken away.
    const std::string plain =
        text(encode(Image({2, 2}, PixelFormat::gray8, Colour(128, 128, 128)), FileType::png));
    ASSERT_EQ(plain.substr(37, 4), "sRGB");
    const std::string linear = std::string("\0\0\0\4gAMA\0\1\x86\xA0\x31\xE8\x96\x5F", 16); // 100000
    const Image lighter = decode(bytes(plain.substr(0, 33) + linear + plain.substr(46)));
    EXPECT_EQ(lighter.pixel({0, 0}), Colour(188, 188, 188));
    EXPECT_EQ(decode(bytes(plain)).pixel({0, 0}), Colour(128, 128, 128));
}

TEST(Decoders, JpegsOfFourInksAreRead) {
    for (const bool ycck : {false, true}) {
        jpeg_compress_struct codec{};
        jpeg_error_mgr errors{};
        codec.err = jpeg_std_error(&errors);
        jpeg_create_compress(&codec);
        unsigned char* memory = nullptr;
        unsigned long size = 0;
        jpeg_mem_dest(&codec, &memory, &size);
        codec.image_width = codec.image_height = 16;
        codec.input_components = 4;
        codec.in_color_space = JCS_CMYK;
        jpeg_set_defaults(&codec);
        if (ycck) jpeg_set_colorspace(&codec, JCS_YCCK);
        codec.write_Adobe_marker = TRUE;
        jpeg_set_quality(&codec, 100, TRUE);
        jpeg_start_compress(&codec, TRUE);
        std::vector<unsigned char> row;
        for (int i = 0; i < 16; ++i)
            row.insert(row.end(), {255, 128, 0, 200}); // inverted, as Adobe's marker says
        JSAMPROW line = row.data();
        while (codec.next_scanline < 16) jpeg_write_scanlines(&codec, &line, 1);
        jpeg_finish_compress(&codec);
        jpeg_destroy_compress(&codec);
        const auto file = std::as_bytes(std::span(memory, size));
        const Colour pixel = decode(file).pixel({7, 7});
        EXPECT_NEAR(pixel.red, 200, 3);
        EXPECT_NEAR(pixel.green, 100, 3);
        EXPECT_NEAR(pixel.blue, 0, 3);
        EXPECT_EQ(inspect(file).channels, 4);
        std::free(memory); // NOLINT(cppcoreguidelines-no-malloc): libjpeg's
    }
}

TEST(Decoders, LimitsAreCheckedBeforeAnythingIsTaken) {
    for (const SampleFile& sample : sample_files()) {
        SCOPED_TRACE(sample.name);
        const auto decoding = [&](const DecodeLimits& limits) {
            return [&sample, limits] { (void)decode(sample.bytes, {.limits = limits}); };
        };
        expect_errors<FileError>({
            {decoding({.width = 12}),
             "cannot decode the image: its width of 13 is more than the limit of 12"},
            {decoding({.height = 8}), "cannot decode the image: its height of 9 is more than the limit of 8"},
            {decoding({.pixels = 116}),
             "cannot decode the image: its number of pixels of 117 is more than the limit of 116"},
        });
        EXPECT_THROW(decoding({.bytes = 100})(), FileError);
        EXPECT_THROW(ReelReader(sample.bytes, {.bytes = 100}), FileError);
        EXPECT_THROW(decoding({.width = 0})(), ArgumentError);
        EXPECT_THROW(ReelReader(sample.bytes, {.height = 0}), ArgumentError);
    }
}

} // namespace coldbrick::test
