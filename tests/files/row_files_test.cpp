// Files written and read row by row, with memory for a few rows.

#include "support/errors.hpp"
#include "support/files.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/files.hpp>
#include <coldbrick/row_files.hpp>

#include <gtest/gtest.h>

#include <sstream>

#include <sys/resource.h>

namespace coldbrick::test {

namespace {

long peak_kilobytes() {
    struct rusage usage {};
    ::getrusage(RUSAGE_SELF, &usage);
    return usage.ru_maxrss;
}

} // namespace

TEST(RowFiles, PartsMakeTheSameFileAsTheWhole) {
    const TemporaryFolder folder;
    const std::pair<const char*, PixelFormat> rows[] = {
        {"a.png", PixelFormat::rgb8},    {"b.png", PixelFormat::indexed8}, {"c.png", PixelFormat::rgba16},
        {"a.ppm", PixelFormat::bgr8},    {"a.pam", PixelFormat::gray16},   {"a.qoi", PixelFormat::rgba8},
        {"a.jpg", PixelFormat::gray8},   {"a.bmp", PixelFormat::rgb8},     {"a.webp", PixelFormat::rgba8},
        {"a.gif", PixelFormat::indexed8}};
    for (const auto& [name, format] : rows) {
        const Image image = sample({31, 20}, format);
        save(image, folder.file(std::string("whole") + name));
        RowWriter writer(folder.file(name), image.size(), format);
        std::ostringstream stream;
        RowWriter to_stream(stream, file_type(name), image.size(), format);
        for (std::int32_t y = 0, count = 1; y < 20; y += count, count = std::min(3, 20 - y)) {
            writer.write(image.view().cropped({0, y, 31, count}));
            to_stream.write(image.view().cropped({0, y, 31, count}));
        }
        EXPECT_EQ(writer.rows(), 20);
        EXPECT_FALSE(std::filesystem::exists(folder.file(name)));
        writer.finish();
        to_stream.finish();
        EXPECT_EQ(read_file(folder.file(name)), read_file(folder.file(std::string("whole") + name))) << name;
        EXPECT_EQ(stream.str(), read_file(folder.file(name))) << name;

        const Image loaded = load(folder.file(name));
        RowReader reader(folder.file(name));
        ASSERT_EQ(reader.size(), image.size());
        ASSERT_EQ(reader.format(), loaded.format());
        EXPECT_EQ(reader.palette() != nullptr, loaded.format() == PixelFormat::indexed8);
        std::string read;
        Image part({31, 4}, reader.format());
        for (int i = 0; i < 5; ++i) {
            reader.read(part);
            read += bytes_of(part);
        }
        EXPECT_EQ(read, bytes_of(loaded)) << name;
    }
}

TEST(RowFiles, WhatDoesNotFitIsRefusedAndNothingIsLeft) {
    const TemporaryFolder folder;
    const std::string path = folder.file("a.png");
    write_file(path, "old");
    const Image image = sample({4, 3}, PixelFormat::rgb8);
    {
        RowWriter writer(path, {4, 4}, PixelFormat::rgb8);
        writer.write(image);
        expect_errors<ArgumentError>({
            {[&] {
                 RowWriter indexed(path, {4, 1}, PixelFormat::indexed8);
                 const Palette other({{colour("navy")}, {colour("gold")}});
                 indexed.write(Image({4, 1}, other, colour("gold")));
             },
             "the rows have another palette than the picture: make their image with the picture's palette, "
             "or the "
             "writer with theirs"},
            {[&] { writer.finish(); }, "the picture ends after 3 of its 4 rows"},
            {[&] { writer.write(image); }, "3 rows are more than the 1 that are left"},
            {[&] {
                 writer.write(sample({5, 1}, PixelFormat::rgb8));
             },
             "rows of 5 pixels do not fit a picture of 4"},
            {[&] {
                 writer.write(sample({4, 1}, PixelFormat::gray8));
             },
             "rows of gray8 do not fit a picture of rgb8"},
            {[&] {
                 RowWriter(path, {0, 4}, PixelFormat::rgb8);
             },
             "a picture of 0 x 4 pixels has none"},
        });
    }
    EXPECT_EQ(read_file(path), "old");
    EXPECT_EQ(folder.file_count(), 1);
    expect_errors<FileError>({
        {[&] {
             RowWriter(folder.file("a.jpg"), {4, 4}, PixelFormat::rgba8);
         },
         "a .jpg file cannot hold the alpha of rgba8: use .png, .webp, .bmp, .qoi, .pam or .pnm, or give a "
         "background"},
        {[&] {
             RowWriter(folder.file("a.gif"), {4, 4}, PixelFormat::rgb8, {.allow_loss = true});
         },
         "a .gif file cannot hold the many colours of rgb8: use .png, .jpg, .webp, .bmp, .qoi, .ppm, .pam or "
         ".pnm, or "
         "write it as a whole"},
        {[&] { RowReader(folder.file("a.png")); },
         folder.file("a.png") +
             ": cannot decode the image: it is none of PNG, JPEG, WebP, GIF, BMP, QOI or a portable "
             "anymap"},
    });
    save(image, folder.file("b.ppm"));
    write_file(folder.file("b.ppm"), read_file(folder.file("b.ppm")).substr(0, 30));
    RowReader reader(folder.file("b.ppm"));
    Image rows({4, 3}, PixelFormat::rgb8);
    expect_errors<FileError>(
        {{[&] { reader.read(rows); },
          folder.file("b.ppm") + ": cannot decode a portable anymap: the file ends within the pixels"}});
}

TEST(RowFiles, AlphaIsLaidOnTheBackgroundByParts) {
    const Image image = sample({300, 40}, PixelFormat::rgba8);
    const EncodeOptions options{.background = colour("navy")};
    std::ostringstream stream;
    RowWriter writer(stream, FileType::ppm, image.size(), image.format(), options);
    for (std::int32_t y = 0; y < 40; ++y) writer.write(image.view().cropped({0, y, 300, 1}));
    writer.finish();
    const std::vector<std::byte> whole = encode(image, FileType::ppm, options);
    EXPECT_EQ(stream.str(), std::string(reinterpret_cast<const char*>(whole.data()), whole.size()));
}

TEST(RowFiles, LargePicturesTakeMemoryForAFewRows) {
    const TemporaryFolder folder;
    constexpr Size size{30000, 1500};
    const long before = peak_kilobytes();
    Image row({size.width, 1}, PixelFormat::rgb8, colour("navy"));
    for (const char* name : {"a.png", "a.qoi", "a.ppm"}) {
        RowWriter writer(folder.file(name), size, PixelFormat::rgb8, {});
        for (std::int32_t y = 0; y < size.height; ++y) {
            row.set_pixel({y, 0}, colour("gold"));
            writer.write(row);
        }
        writer.finish();
    }
    for (const char* name : {"a.png", "a.ppm"}) {
        RowReader reader(folder.file(name));
        for (std::int32_t y = 0; y < size.height; ++y) reader.read(row);
        EXPECT_EQ(row.pixel({size.height - 1, 0}), colour("gold"));
        EXPECT_EQ(row.pixel({size.height, 0}), colour("navy"));
    }
    EXPECT_LT(peak_kilobytes() - before, 40000) << "of the 135 megabytes of all pixels";
}

TEST(RowFiles, PalettesGoWithTheRows) {
    const TemporaryFolder folder;
    const Palette lights({{colour("#123456")}, {colour("#fedcba")}, {colour("#0a0b0c")}});
    Image image({6, 4}, lights, colour("#fedcba"));
    draw(image, Box{1, 1, 3, 2}, Fill{colour("#123456")});
    save(image, folder.file("a.png"));
    RowReader reader(folder.file("a.png"));
    ASSERT_EQ(reader.format(), PixelFormat::indexed8);
    Image of_others(reader.size(), PixelFormat::indexed8);
    EXPECT_THROW(reader.read(of_others), ArgumentError); // whose numbers mean other colours
    Image rows(reader.size(), *reader.palette(), Colour());
    RowWriter writer(folder.file("b.png"), reader.size(), reader.format(), {}, reader.palette());
    reader.read(rows);
    writer.write(rows);
    writer.finish();
    const Image copy = load(folder.file("b.png"));
    for (std::int32_t i = 0; i < 24; ++i) EXPECT_EQ(copy.pixel({i % 6, i / 6}), image.pixel({i % 6, i / 6}));
}

TEST(RowFiles, WritersEndOnce) {
    const TemporaryFolder folder;
    const Image image = sample({4, 3}, PixelFormat::rgb8);
    for (const char* name : {"a.png", "a.bmp", "a.qoi", "a.ppm", "a.jpg"}) {
        RowWriter writer(folder.file(name), image.size(), image.format());
        writer.write(image);
        writer.finish();
        const std::string bytes = read_file(folder.file(name));
        expect_errors<ArgumentError>({
            {[&] { writer.finish(); }, "the picture is finished already"},
            {[&] { writer.write(image); }, "the picture is finished already"},
        });
        EXPECT_EQ(read_file(folder.file(name)), bytes) << name;
    }
    RowWriter first(folder.file("b.png"), image.size(), image.format());
    RowWriter second = std::move(first);
    second.write(image);
    RowReader reader(folder.file("a.png"));
    const RowReader moved = std::move(reader);
    EXPECT_EQ(moved.size(), image.size());
    const std::string message = "an object is used after it was moved from";
    // NOLINTBEGIN(bugprone-use-after-move)
    expect_errors<ArgumentError>({
        {[&] { first.write(image); }, message},
        {[&] { first.finish(); }, message},
        {[&] { (void)first.rows(); }, message},
        {[&] { (void)reader.size(); }, message},
        {[&] { (void)reader.palette(); }, message},
    });
    first = std::move(second);
    first.finish();
    EXPECT_EQ(load(folder.file("b.png")).size(), image.size());
    // NOLINTEND(bugprone-use-after-move)
}

} // namespace coldbrick::test
