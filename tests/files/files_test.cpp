// Image files: every format into every type that holds it, replacement in one step, and every refusal.

#include "support/errors.hpp"
#include "support/files.hpp"
#include "support/formats.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>

#include <csignal>

#include <fcntl.h>
#include <sys/resource.h>
#include <sys/stat.h>
#include <unistd.h>

namespace coldbrick::test {

namespace {

namespace fs = std::filesystem;

/// A picture in which no two channels are alike.
Image sample(PixelFormat format) {
    Image image({7, 5}, format);
    for (int i = 0; i < 35; ++i)
        image.set_pixel({i % 7, i / 7}, Colour(7 * i, 250 - i, 3 * i + 1, 255 - 5 * i));
    return image;
}

std::string text(const std::vector<std::byte>& bytes) {
    return {reinterpret_cast<const char*>(bytes.data()), bytes.size()};
}

} // namespace

TEST(Files, PngHoldsEveryFormat) {
    const TemporaryFolder folder;
    for (const PixelFormat format : all_formats) {
        if (layout(format).is_deep() || format == PixelFormat::indexed8) continue; // see below
        const Image image = sample(format);
        save(image, folder.file("a.PNG"));
        const DecodedPng decoded = decode_png(folder.file("a.PNG"));
        ASSERT_EQ(decoded.size, image.size());
        EXPECT_EQ(decoded.has_alpha, layout(format).has_alpha());
        EXPECT_EQ(decoded.has_colour, !layout(format).is_gray());
        for (int i = 0; i < 35; ++i)
            ASSERT_EQ(decoded.at(i % 7, i / 7), image.pixel({i % 7, i / 7}))
                << layout(format).name << ' ' << i;
    }
}

TEST(Files, WhatIsSavedIsLoadedWithoutLoss) {
    const TemporaryFolder folder;
    for (const PixelFormat format : all_formats) {
        if (layout(format).kind == PixelLayout::Kind::floats) continue;
        Image image = sample(format);
        if (layout(format).is_deep()) image.view().set_pixel({3, 3}, Colour16{1, 258, 40000, 65535});
        for (const char* name : {"a.png", "a.pam"}) {
            save(image, folder.file(name));
            Image loaded = load(folder.file(name));
            ASSERT_EQ(loaded.size(), image.size());
            if (format == PixelFormat::rgb565) loaded = converted(loaded, format); // spread to 8 bits
            for (int i = 0; i < 35; ++i) {
                const Point at{i % 7, i / 7};
                ASSERT_EQ(loaded.view().pixel16(at), image.view().pixel16(at))
                    << layout(format).name << " in " << name << ' ' << i;
            }
        }
    }
    // Gray and alpha of 16 bits, which no format has: two pixels.
    const std::string map = "P7\nWIDTH 2\n# quay\nHEIGHT 1 DEPTH 2\nMAXVAL 65535\nENDHDR\n";
    const std::string file = map + std::string("\x01\x02\xff\xff\x30\x40\x00\x05", 8);
    const Image gray = decode(std::as_bytes(std::span(file)));
    EXPECT_EQ(gray.format(), PixelFormat::rgba16);
    EXPECT_EQ(gray.view().pixel16({0, 0}), (Colour16{0x102, 0x102, 0x102, 0xFFFF}));
    EXPECT_EQ(gray.view().pixel16({1, 0}), (Colour16{0x3040, 0x3040, 0x3040, 5}));
}

TEST(Files, BrokenFilesAreRefused) {
    const auto decoding = [](const std::string& file, std::size_t most = DecodeLimits{}.bytes) {
        return [=] { (void)decode(std::as_bytes(std::span(file)), {.limits = {.bytes = most}}); };
    };
    const std::string pam = "cannot decode a portable anymap: ";
    const std::string png = text(encode(sample(PixelFormat::rgb8), FileType::png));
    expect_errors<FileError>({
        {decoding(""),
         "cannot decode the image: it is none of PNG, JPEG, WebP, GIF, BMP, QOI or a portable anymap"},
        {decoding("TIFF89a"),
         "cannot decode the image: it is none of PNG, JPEG, WebP, GIF, BMP, QOI or a portable anymap"},
        {decoding("P3\n1 1\n255\n0 0 256"), pam + "a value \"256\" is not a number of 0..255"},
        {decoding("P1\n2 1\n0 2"), pam + "a pixel of a bitmap is neither 0 nor 1"},
        {decoding("P5\n2 -1\n255\n"), pam + "the height \"-1\" is not a number of 1..2147483647"},
        {decoding("P5\n2 2\n255"), pam + "the file ends within the pixels"},
        {decoding("P5\n2 1\n100\n\x64\x65"), pam + "the value 101 is above the largest, 100"},
        {decoding("P7\nWIDTH 2\nDEEP 3"), pam + "\"DEEP\" is not known in a header"},
        {decoding("P6\n2 2 "), pam + "the file ends within the header"},
        {decoding("P7\nWIDTH 2\nHEIGHT 1\nMAXVAL 255\nENDHDR\n1234"), pam + "the header has no line DEPTH"},
        {decoding("P7\nHEIGHT 1\nDEPTH 1\nENDHDR\n1234"), pam + "the header has no line WIDTH"},
        {decoding("P5 \x1b[2J\r"), pam + "the width \"\\x1b[2J\" is not a number of 1..2147483647"},
        {decoding("P6\n1000000 1\n255\nabc"), pam + "the file ends within the pixels"},
        {decoding("P5 32000 32000 255\n"), pam + "the file ends within the pixels"},
        {decoding(png.substr(0, png.size() / 2)), "cannot decode PNG: the file ends too early"},
        {decoding(png, 104), "cannot decode the image: an image of 7 x 5 rgb8 pixels takes 105 bytes, more "
                             "than the limit of 104"},
        {[] { (void)load("/nowhere/quay.png"); }, "cannot read /nowhere/quay.png: No such file or directory"},
    });
    for (std::size_t length = 0; length < png.size(); ++length)
        EXPECT_THROW(decoding(png.substr(0, length))(), FileError) << length;
}

TEST(Files, SavingAViewWritesAllItsPixelsWhateverStrideAndClip) {
    const TemporaryFolder folder;
    Image image = sample(PixelFormat::rgb8);
    const ImageView upside_down(image.view().row(4).data(), image.size(), PixelFormat::rgb8, -21);
    save(upside_down.clipped({0, 0, 1, 1}), folder.file("a.png"));
    const DecodedPng decoded = decode_png(folder.file("a.png"));
    for (int i = 0; i < 35; ++i) ASSERT_EQ(decoded.at(i % 7, i / 7), image.pixel({i % 7, 4 - i / 7}));
}

TEST(Files, AnymapsHoldWhatTheirTypeCan) {
    struct Row {
        PixelFormat format;
        FileType type;
        std::string header;
        std::size_t channels;
    };
    const std::string map = "P7\nWIDTH 7\nHEIGHT 5\nDEPTH ";
    const Row rows[] = {
        {PixelFormat::gray8, FileType::pgm, "P5\n7 5\n255\n", 1},
        {PixelFormat::gray8, FileType::pnm, "P5\n7 5\n255\n", 1},
        {PixelFormat::gray8, FileType::ppm, "P6\n7 5\n255\n", 3},
        {PixelFormat::rgb8, FileType::ppm, "P6\n7 5\n255\n", 3},
        {PixelFormat::bgr8, FileType::pnm, "P6\n7 5\n255\n", 3},
        {PixelFormat::gray8, FileType::pam, map + "1\nMAXVAL 255\nTUPLTYPE GRAYSCALE\nENDHDR\n", 1},
        {PixelFormat::bgr8, FileType::pam, map + "3\nMAXVAL 255\nTUPLTYPE RGB\nENDHDR\n", 3},
        {PixelFormat::bgra8, FileType::pam, map + "4\nMAXVAL 255\nTUPLTYPE RGB_ALPHA\nENDHDR\n", 4},
        {PixelFormat::rgba8, FileType::pnm, map + "4\nMAXVAL 255\nTUPLTYPE RGB_ALPHA\nENDHDR\n", 4},
    };
    for (const Row& row : rows) {
        const Image image = sample(row.format);
        std::string expected = row.header;
        for (int i = 0; i < 35; ++i) {
            const Colour pixel = image.pixel({i % 7, i / 7});
            for (const int channel : {int{pixel.red}, int{pixel.green}, int{pixel.blue}, int{pixel.alpha}})
                expected += static_cast<char>(channel);
            expected.resize(expected.size() - (4 - row.channels));
        }
        EXPECT_EQ(text(encode(image, row.type)), expected) << row.header;
    }
    expect_errors<FileError>({
        {[] { (void)encode(sample(PixelFormat::rgb8), FileType::pgm); },
         "a .pgm file cannot hold the colours of rgb8: use .png, .jpg, .webp, .gif, .bmp, .qoi, .ppm, .pam "
         "or .pnm, or "
         "allow the loss"},
        {[] { (void)encode(sample(PixelFormat::graya8), FileType::pgm); },
         "a .pgm file cannot hold the alpha of graya8: use .png, .webp, .bmp, .qoi, .pam or .pnm, or give a "
         "background"},
        {[] { (void)encode(sample(PixelFormat::rgba32f), FileType::png); },
         "a .png file cannot hold the floats of rgba32f: convert it to 16 bits a channel, or allow the loss"},
        {[] { (void)encode(sample(PixelFormat::bgra8), FileType::ppm); },
         "a .ppm file cannot hold the alpha of bgra8: use .png, .webp, .bmp, .qoi, .pam or .pnm, or give a "
         "background"},
    });
}

TEST(Files, ReplacesInOneStepAndKeepsPermissionsAndLinks) {
    const TemporaryFolder folder;
    const fs::path target = folder.file("real.ppm");
    write_file(target, "old");
    fs::permissions(target, fs::perms::owner_read | fs::perms::owner_write | fs::perms::group_read);
    fs::create_symlink(target, folder.file("link.ppm"));
    save(sample(PixelFormat::rgb8), folder.file("link.ppm"));
    EXPECT_TRUE(fs::is_symlink(folder.file("link.ppm")));
    EXPECT_EQ(read_file(target), text(encode(sample(PixelFormat::rgb8), FileType::ppm)));
    EXPECT_EQ(fs::status(target).permissions(),
              fs::perms::owner_read | fs::perms::owner_write | fs::perms::group_read);
    EXPECT_EQ(folder.file_count(), 2) << "a temporary file is left";
}

TEST(Files, WritesIntoPipesStraight) {
    const TemporaryFolder folder;
    const std::string pipe = folder.file("pipe.ppm");
    ASSERT_EQ(::mkfifo(pipe.c_str(), 0600), 0);
    const int reader = ::open(pipe.c_str(), O_RDONLY | O_NONBLOCK);
    save(sample(PixelFormat::rgb8), pipe);
    std::string received(1000, '\0');
    received.resize(
        static_cast<std::size_t>(std::max<ssize_t>(0, ::read(reader, received.data(), received.size()))));
    ::close(reader);
    EXPECT_EQ(received, text(encode(sample(PixelFormat::rgb8), FileType::ppm)));
}

TEST(Files, AFailedSaveLeavesWhatWasThere) {
    const TemporaryFolder folder;
    const std::string path = folder.file("old.png");
    write_file(path, "precious");
    // A limit on file sizes stands in for a full disk: writes fall short and then fail.
    rlimit usual{};
    ::getrlimit(RLIMIT_FSIZE, &usual);
    const auto usual_handler = std::signal(SIGXFSZ, SIG_IGN);
    const rlimit tight{20, usual.rlim_max};
    ::setrlimit(RLIMIT_FSIZE, &tight);
    std::string message;
    try {
        save(sample(PixelFormat::rgb8), path);
    } catch (const FileError& error) {
        message = error.what();
    }
    ::setrlimit(RLIMIT_FSIZE, &usual);
    std::signal(SIGXFSZ, usual_handler);
    EXPECT_EQ(message, "cannot write " + path + ": File too large");
    EXPECT_EQ(read_file(path), "precious");
    EXPECT_EQ(folder.file_count(), 1) << "a temporary file is left";
}

TEST(Files, RefusalsNameThePathAndTheReason) {
    const TemporaryFolder folder;
    const Image image = sample(PixelFormat::rgb8);
    const std::string missing = folder.file("no/such/a.png");
    const std::string known =
        " is none of .png, .apng, .jpg, .jpeg, .webp, .gif, .bmp, .qoi, .pbm, .pgm, .ppm, .pam, .pnm";
    fs::create_directory(folder.file("folder.png"));
    expect_errors<FileError>({
        {[&] { save(image, missing); }, "cannot write " + missing + ": No such file or directory"},
        {[&] { save(image, folder.file("folder.png")); },
         "cannot write " + folder.file("folder.png") + ": Is a directory"},
        {[&] { save(image, "a.tiff"); }, "cannot write a.tiff: the extension \".tiff\"" + known},
        {[&] { save(image, "picture"); }, "cannot write picture: the extension \"\"" + known},
    });
}

TEST(Files, HostileOnesTakeNoMoreMemoryThanTheyHave) {
    const auto decoding = [](const std::string& file) {
        return [=] { (void)decode(std::as_bytes(std::span(file))); };
    };
    const auto number = [](std::uint32_t value) {
        std::string bytes;
        for (int shift = 24; shift >= 0; shift -= 8) bytes += static_cast<char>(value >> shift & 0xFFU);
        return bytes;
    };
    // libpng would take what a chunk claims before it looks whether it is there.
    const std::string png = text(encode(sample(PixelFormat::rgb8), FileType::png));
    const std::string claim = png.substr(0, 33) + number(0x7FFFFFFF) + "zTXtquay";
    // A small file cannot hold so many pixels, whatever its header says; without its checksum's check, libpng
    // would go on to allocate them.
    std::string vast = png;
    vast.replace(16, 8, number(30000) + number(30000));
    struct rusage before {};
    struct rusage after {};
    ::getrusage(RUSAGE_SELF, &before);
    for (const std::string& file : {claim, vast, std::string("P5 32000 32000 255\n")})
        EXPECT_THROW(decoding(file)(), FileError);
    ::getrusage(RUSAGE_SELF, &after);
    EXPECT_LT(after.ru_maxrss - before.ru_maxrss, 50000) << "kilobytes";
}

TEST(Files, WhatNeverEndsIsReadUpToALimit) {
    const TemporaryFolder folder;
    write_file(folder.file("a.txt"), "0123456789");
    EXPECT_EQ(coldbrick::read_file(folder.file("a.txt"), 10).size(), 10U);
    expect_errors<FileError>({
        {[&] { (void)coldbrick::read_file(folder.file("a.txt"), 9); },
         "cannot read " + folder.file("a.txt") + ": it has more than 9 bytes"},
        {[] { (void)coldbrick::read_file("/dev/zero", 100000); },
         "cannot read /dev/zero: it has more than 100000 bytes"},
        {[] { (void)load("/dev/zero"); }, "/dev/zero: cannot decode the image: it is none of PNG, JPEG, "
                                          "WebP, GIF, BMP, QOI or a portable anymap"},
        {[&] { (void)load(folder.path()); }, "cannot read " + folder.path().string() + ": Is a directory"},
    });
    save(sample(PixelFormat::rgb8), folder.file("a.png"));
    expect_errors<FileError>({
        {[&] { (void)load(folder.file("a.png"), {.limits = {.bytes = 104}}); },
         folder.file("a.png") +
             ": cannot decode the image: an image of 7 x 5 rgb8 pixels takes 105 bytes, more "
             "than the limit of 104"},
    });
}

} // namespace coldbrick::test
