// Image files: every format into every type that holds it, replacement in one step, and every refusal.

#include "support/errors.hpp"
#include "support/files.hpp"

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

constexpr PixelFormat all_formats[] = {PixelFormat::gray8, PixelFormat::rgb8, PixelFormat::bgr8,
                                       PixelFormat::rgba8, PixelFormat::bgra8};

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

TEST(Files, SavingAViewWritesAllItsPixelsWhateverStrideAndClip) {
    const TemporaryFolder folder;
    Image image = sample(PixelFormat::rgb8);
    const ImageView upside_down(image.view().row(4), image.size(), PixelFormat::rgb8, -21);
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
         "a .pgm file cannot hold the colours of rgb8: use .ppm, .pam or .png"},
        {[] { (void)encode(sample(PixelFormat::bgra8), FileType::ppm); },
         "a .ppm file cannot hold the alpha of bgra8: use .pam or .png"},
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
    const std::string known = " is none of .png, .pgm, .ppm, .pam, .pnm";
    fs::create_directory(folder.file("folder.png"));
    expect_errors<FileError>({
        {[&] { save(image, missing); }, "cannot write " + missing + ": No such file or directory"},
        {[&] { save(image, folder.file("folder.png")); },
         "cannot write " + folder.file("folder.png") + ": Is a directory"},
        {[&] { save(image, "a.tiff"); }, "cannot write a.tiff: the extension \".tiff\"" + known},
        {[&] { save(image, "picture"); }, "cannot write picture: the extension \"\"" + known},
    });
}

} // namespace coldbrick::test
