// Every type of files with every pixel format: what comes back, what is refused, and what others read and
// write.

#include "support/errors.hpp"
#include "support/files.hpp"
#include "support/formats.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/quantise.hpp>

#include <gtest/gtest.h>
#include <rapidcheck.h>
#include <rapidcheck/gtest.h>

#include <set>
#include <sstream>

namespace coldbrick::test {

namespace {

using enum PixelFormat;

constexpr Size size{13, 9};

std::string text(const std::vector<std::byte>& bytes) {
    return {reinterpret_cast<const char*>(bytes.data()), bytes.size()};
}

Image of_many_colours() {
    Image image({40, 40}, rgb8);
    for (int i = 0; i < 1600; ++i)
        image.set_pixel({i % 40, i / 40}, Colour(6 * (i % 40), 6 * (i / 40), i % 255));
    return image;
}

/// Which formats a type gives back byte for byte, and which it refuses. All others come back in their
/// colours.
struct Row {
    FileType type;
    std::set<PixelFormat> identical;
    std::set<PixelFormat> refused;
};

const std::set<PixelFormat> with_alpha{graya8, rgba8, bgra8, argb8, abgr8, rgba16, rgba32f};
const std::set<PixelFormat> floats{gray32f, rgba32f};
const std::set<PixelFormat> deep{gray16, rgb16, rgba16, gray32f, rgba32f};
const std::set<PixelFormat> coloured{rgb8,  bgr8,   rgba8,    bgra8,  argb8,  abgr8,
                                     rgb16, rgb565, indexed8, rgba16, rgba32f};

std::set<PixelFormat> united(std::set<PixelFormat> a, const std::set<PixelFormat>& b) {
    a.insert(b.begin(), b.end());
    return a;
}

} // namespace

TEST(Formats, LosslessTypesGiveBackWhatTheyHoldAndRefuseTheRest) {
    const Row rows[] = {
        {FileType::png, {gray8, gray16, graya8, rgb8, rgba8, rgb16, rgba16, indexed8}, floats},
        {FileType::webp, {rgb8, rgba8}, deep},
        {FileType::bmp, {rgb8, rgba8}, deep},
        {FileType::qoi, {rgb8, rgba8}, deep},
        {FileType::pgm, {gray8, gray16}, united(united(with_alpha, floats), coloured)},
        {FileType::ppm, {rgb8, rgb16}, united(with_alpha, floats)},
        {FileType::pam, {gray8, gray16, graya8, rgb8, rgba8, rgb16, rgba16}, floats},
        {FileType::pnm, {gray8, gray16, graya8, rgb8, rgba8, rgb16, rgba16}, floats},
        {FileType::gif, {indexed8}, united(united(with_alpha, deep), {})},
    };
    for (const Row& row : rows)
        for (const PixelFormat format : all_formats) {
            const std::string what =
                std::string(extension(row.type)) + " of " + std::string(layout(format).name);
            Image image = sample(size, format);
            if (layout(format).is_deep()) image.view().set_pixel({3, 3}, Colour16{1, 258, 40000, 65535});
            if (row.refused.contains(format)) {
                EXPECT_THROW((void)encode(image, row.type), FileError) << what;
                continue;
            }
            Image back = decode(encode(image, row.type));
            if (format == rgb565) back = converted(back, format); // spread to 8 bits
            ASSERT_EQ(back.size(), image.size()) << what;
            if (row.identical.contains(format)) {
                EXPECT_EQ(back.format(), format) << what;
                EXPECT_EQ(bytes_of(back), bytes_of(image)) << what;
            }
            for (int i = 0; i < size.width * size.height; ++i) {
                const Point at{i % size.width, i / size.width};
                ASSERT_EQ(back.view().pixel16(at), image.view().pixel16(at)) << what << ' ' << i;
            }
        }
}

RC_GTEST_PROP(Formats, AnyPictureOfFewOrManyColoursComesBack, ()) {
    const Size any_size{*rc::gen::inRange(1, 70), *rc::gen::inRange(1, 30)};
    const auto type =
        *rc::gen::element(FileType::png, FileType::pam, FileType::qoi, FileType::bmp, FileType::webp);
    const auto format = *rc::gen::element(gray8, graya8, rgb8, bgr8, rgba8, argb8, indexed8);
    const int colours = *rc::gen::element(1, 2, 3, 5, 16, 17, 250); // which bits a palette takes
    const int step = *rc::gen::element(1, 17, 51, 85, 255);         // and which a gray
    auto random = static_cast<std::uint32_t>(*rc::gen::arbitrary<std::uint32_t>());
    Image image(any_size, format);
    for (int i = 0; i < any_size.width * any_size.height; ++i) {
        random = random * 1664525U + 1013904223U;
        const int which = static_cast<int>(random >> 16U) % colours;
        const int gray = which * step % 256;
        image.set_pixel(
            {i % any_size.width, i / any_size.width},
            Colour(gray, colours % 2 == 0 ? gray : which * 7 % 256, gray, which % 3 == 0 ? 128 : 255));
    }
    const Image back = decode(encode(image, type, {.smallest = type == FileType::png && step != 1}));
    RC_ASSERT(back.size() == any_size);
    for (int i = 0; i < any_size.width * any_size.height; ++i) {
        const Point at{i % any_size.width, i / any_size.width};
        RC_ASSERT(back.pixel(at) == image.pixel(at));
    }
}

TEST(Formats, WhatIsLostIsNamedWithTheWayOutAndDoneWhenAsked) {
    const Image alpha = sample(size, rgba8);
    const Image many = of_many_colours();
    expect_errors<FileError>({
        {[&] { (void)encode(alpha, FileType::jpeg); },
         "a .jpg file cannot hold the alpha of rgba8: use .png, .webp, .bmp, .qoi, .pam or .pnm, or give a "
         "background"},
        {[&] { (void)encode(alpha, FileType::gif); },
         "a .gif file cannot hold the alpha of rgba8: use .png, .webp, .bmp, .qoi, .pam or .pnm, or give a "
         "background, "
         "or allow the loss"},
        {[&] { (void)encode(sample(size, gray16), FileType::bmp); },
         "a .bmp file cannot hold the 16 bits of gray16: use .png, .pgm, .ppm, .pam or .pnm, or allow the "
         "loss"},
        {[&] { (void)encode(many, FileType::gif); }, "a .gif file cannot hold the many colours of rgb8: use "
                                                     ".png, .jpg, .webp, .bmp, .qoi, .ppm, .pam or .pnm, or "
                                                     "allow the loss"},
        {[&] { (void)encode(sample(size, gray8), FileType::pbm); },
         "a .pbm file cannot hold the grays of gray8: use .png, .jpg, .pgm, .pam or .pnm, or allow the loss"},
        {[] {
             (void)encode(Image({70000, 1}, rgb8), FileType::jpeg);
         },
         "a JPEG file cannot hold 70000 x 1 pixels, only up to 65500 x 65500"},
        {[] {
             (void)encode(Image({16384, 1}, rgb8), FileType::webp);
         },
         "a WebP file cannot hold 16384 x 1 pixels, only up to 16383 x 16383"},
    });
    // Alpha that is 255 everywhere is none, and words that repeat their byte are bytes.
    Image opaque({5, 4}, rgba16, colour("teal"));
    EXPECT_EQ(decode(encode(opaque, FileType::qoi)).pixel({2, 2}), colour("teal"));

    Image laid({size.width, size.height}, rgb8, colour("gold"));
    overlay(laid, alpha, {0, 0});
    EXPECT_EQ(bytes_of(decode(encode(alpha, FileType::ppm, {.background = colour("gold")}))), bytes_of(laid));
    const Image rounded = decode(encode(sample(size, rgba32f), FileType::png, {.allow_loss = true}));
    EXPECT_EQ(rounded.view().pixel16({4, 4}), sample(size, rgba32f).view().pixel16({4, 4}));
    const Image shallow = decode(encode(sample(size, rgb16), FileType::bmp, {.allow_loss = true}));
    EXPECT_EQ(bytes_of(shallow), bytes_of(converted(sample(size, rgb16), rgb8)));
    const Image gray = decode(encode(many, FileType::pgm, {.allow_loss = true}));
    EXPECT_EQ(bytes_of(gray), bytes_of(converted(many, gray8)));

    ColourCensus census;
    census.add(many);
    const Image few = decode(encode(many, FileType::gif, {.allow_loss = true}));
    const Image expected = quantised(many, census.palette(), true);
    EXPECT_EQ(bytes_of(few), bytes_of(expected));
    EXPECT_EQ(
        bytes_of(decode(encode(alpha, FileType::gif, {.background = colour("gold")}), {.format = rgb8})),
        bytes_of(laid));
    const Image cut = decode(encode(alpha, FileType::gif, {.allow_loss = true}));
    for (int i = 0; i < size.width * size.height; ++i) {
        const Point at{i % size.width, i / size.width};
        ASSERT_EQ(cut.pixel(at).alpha, alpha.pixel(at).alpha < 128 ? 0 : 255);
    }
}

TEST(Formats, JpegIsNearAndHasItsOptions) {
    Image image({64, 48}, rgb8, colour("teal"));
    draw(image, Circle{{30, 20}, 15},
         Fill{LinearGradient{{0, 0}, {60, 0}, {{0, colour("gold")}, {1, colour("navy")}}}});
    const auto error = [&](const Image& back) { return difference(image, back).largest; };
    const auto fine = encode(image, FileType::jpeg, {.quality = 100, .subsampling = ChromaSubsampling::none});
    const auto coarse = encode(image, FileType::jpeg, {.quality = 10});
    EXPECT_LT(error(decode(fine)), 8);
    EXPECT_LT(coarse.size(), fine.size() / 4);
    EXPECT_LT(encode(image, FileType::jpeg, {.quality = 10, .smallest = true}).size(), coarse.size());
    EXPECT_EQ(decode(encode(sample(size, gray8), FileType::jpeg)).format(), gray8);

    const TemporaryFolder folder;
    const std::tuple<const char*, EncodeOptions, const char*> rows[] = {
        {"a.jpg", {.progressive = true}, "Start Of Frame 0xc2"},
        {"b.jpg", {}, "Start Of Frame 0xc0"},
        {"c.jpg", {.subsampling = ChromaSubsampling::across}, "Component 1: 2hx1v"},
        {"d.jpg", {.subsampling = ChromaSubsampling::none}, "Component 1: 1hx1v"},
    };
    for (const auto& [name, options, told] : rows) {
        save(image, folder.file(name), options);
        const Finished djpeg = run_command("djpeg -verbose -verbose -pnm " + folder.file(name) + " | cat > " +
                                           folder.file("out.ppm"));
        EXPECT_NE(djpeg.errors.find(told), std::string::npos) << djpeg.errors;
        EXPECT_EQ(bytes_of(load(folder.file("out.ppm"))), bytes_of(load(folder.file(name)))) << name;
    }
}

TEST(Formats, PngIsAsSmallAsAsked) {
    Image two({40, 30}, rgba16, colour("black"));
    draw(two, Circle{{20, 15}, 9}, Fill{colour("white")});
    Image four({40, 30}, rgb8, colour("navy"));
    draw(four, Box{3, 3, 5, 5}, Fill{Colour(200, 10, 20)});
    draw(four, Box{9, 3, 5, 5}, Fill{Colour(200, 10, 21)});
    Image faint({40, 30}, rgba8, Colour(9, 9, 9, 100));
    Image fine({40, 30}, rgb16, Colour(9, 9, 9)); // of two colours, but not of 8 bits
    fine.view().set_pixel({7, 7}, Colour16{1, 2, 3});
    const std::tuple<const Image*, int, int, PixelFormat> rows[] = {
        {&fine, 3, 16, rgb16}, {&two, 1, 1, gray8}, {&four, 1, 2, indexed8}, {&faint, 2, 8, graya8}};
    for (const auto& [image, channels, bits, format] : rows) {
        const auto file = encode(*image, FileType::png, {.smallest = true});
        const ImageInfo info = inspect(file);
        EXPECT_EQ(info.channels, channels);
        EXPECT_EQ(info.bits, bits);
        EXPECT_EQ(info.format, format);
        const Image back = decode(file);
        for (int i = 0; i < 1200; ++i)
            ASSERT_EQ(back.view().pixel16({i % 40, i / 40}), image->view().pixel16({i % 40, i / 40}));
    }
    const Image many = sample({40, 40}, rgb8);
    EXPECT_LT(encode(many, FileType::png, {.compression = 9}).size(),
              encode(many, FileType::png, {.compression = 0}).size());
}

TEST(Formats, OptionsThatMeanNothingAreRefused) {
    const Image image = sample(size, rgb8);
    const auto encoding = [&](FileType type, const EncodeOptions& options) {
        return [=, &image] { (void)encode(image, type, options); };
    };
    expect_errors<ArgumentError>({
        {encoding(FileType::png, {.quality = 9}), "a quality means nothing to a .png file"},
        {encoding(FileType::jpeg, {.quality = 0}), "quality 0 is outside 1..100"},
        {encoding(FileType::png, {.compression = 10}), "compression level 10 is outside 0..9"},
        {encoding(FileType::webp, {.quality = 9, .compression = 9}),
         "a quality and a compression level exclude each other"},
        {encoding(FileType::qoi, {.progressive = true}), "progressive order means nothing to a .qoi file"},
        {encoding(FileType::bmp, {.texts = {{"a", "b"}}}),
         "a text with a keyword means nothing to a .bmp file"},
        {encoding(FileType::png, {.texts = {{"", "b"}}}),
         "the keyword \"\" of a text has not 1..79 printable characters of ASCII"},
        {encoding(FileType::pam, {.plain_text = true}), "plain text means nothing to a .pam file"},
        {encoding(FileType::gif, {.smallest = true}), "the smallest size means nothing to a .gif file"},
        {encoding(FileType::jpeg, {.resolution = Resolution{0, 72}}), "resolution 0 is outside 1..65535"},
    });
}

TEST(Formats, OtherProgramsReadWhatIsWritten) {
    const TemporaryFolder folder;
    const Image image = sample({33, 21}, rgba8);
    const Image indexed = sample({33, 21}, indexed8);
    save(image, folder.file("a.png"), {.texts = {{"Title", "quay"}}});
    save(indexed, folder.file("b.png"), {.smallest = true});
    save(image, folder.file("a.webp"));
    save(image, folder.file("b.webp"), {.quality = 80});
    save(indexed, folder.file("a.gif"));
    save(image, folder.file("a.bmp"));
    save(image, folder.file("a.qoi"));
    save(converted(image, rgb8), folder.file("b.bmp"));
    save(converted(image, rgb8), folder.file("b.qoi"));
    for (const char* command : {"pngcheck -q a.png", "pngcheck -q b.png", "webpinfo -quiet a.webp",
                                "webpinfo -quiet b.webp", "giftext a.gif"}) {
        const Finished finished = run_command("cd " + folder.path().string() + " && " + command);
        EXPECT_EQ(finished.status, 0) << command << finished.output << finished.errors;
    }
    EXPECT_EQ(
        run_command("dwebp -quiet -pam " + folder.file("a.webp") + " -o " + folder.file("a.pam")).status, 0);
    EXPECT_EQ(bytes_of(load(folder.file("a.pam"))), bytes_of(image));
    // A reader of its own, in Python.
    const std::string reader =
        "python3 " + std::string(COLDBRICK_SOURCE_FOLDER) + "/tests/files/codecs/independent_reader.py ";
    for (const auto& [name, expected] : {std::pair{"a.bmp", image},
                                         {"a.qoi", image},
                                         {"b.bmp", converted(image, rgb8)},
                                         {"b.qoi", converted(image, rgb8)}}) {
        const Finished finished = run_command(reader + folder.file(name) + " " + folder.file("out.pam"));
        ASSERT_EQ(finished.status, 0) << finished.errors;
        EXPECT_EQ(bytes_of(load(folder.file("out.pam"))), bytes_of(expected)) << name;
    }
}

TEST(Formats, WhatOtherProgramsWriteIsRead) {
    const TemporaryFolder folder;
    const Image image = sample({33, 21}, rgb8);
    save(image, folder.file("a.ppm"));
    const std::string in = folder.path().string();
    EXPECT_EQ(
        run_command(
            "cd " + in +
            " && cwebp -quiet -lossless a.ppm -o a.webp && cjpeg -quality 95 -progressive a.ppm > a.jpg && "
            "cjpeg -grayscale a.ppm > g.jpg && djpeg -bmp -outfile j.bmp a.jpg && djpeg -bmp -colors 8 "
            "-outfile c.bmp a.jpg && "
            "djpeg -gif -outfile c.gif a.jpg && djpeg -pnm -outfile j.ppm a.jpg && djpeg -os2 -colors 8 "
            "-outfile o.bmp a.jpg && "
            "djpeg -pnm -colors 8 -outfile c.ppm a.jpg")
            .errors,
        "");
    EXPECT_EQ(bytes_of(load(folder.file("a.webp"))), bytes_of(image));
    EXPECT_EQ(bytes_of(load(folder.file("j.bmp"))), bytes_of(load(folder.file("a.jpg"))));
    EXPECT_EQ(bytes_of(load(folder.file("j.ppm"))), bytes_of(load(folder.file("a.jpg"))));
    EXPECT_EQ(load(folder.file("g.jpg")).format(), gray8);
    for (const char* few : {"c.bmp", "o.bmp"}) {
        EXPECT_EQ(load(folder.file(few)).format(), indexed8);
        EXPECT_EQ(bytes_of(load(folder.file(few), {.format = rgb8})), bytes_of(load(folder.file("c.ppm"))))
            << few;
    }
    EXPECT_EQ(load(folder.file("c.gif")).size(), image.size());
}

TEST(Formats, StreamsHoldFilesToo) {
    const Image image = sample(size, rgb8);
    for (const FileType type : {FileType::png, FileType::webp, FileType::qoi, FileType::pam, FileType::bmp}) {
        std::stringstream stream;
        save(image, stream, type);
        EXPECT_EQ(stream.str(), text(encode(image, type)));
        EXPECT_EQ(bytes_of(load(stream)), bytes_of(image));
    }
    const TemporaryFolder folder;
    save(image, folder.file("any.thing"), FileType::bmp);
    EXPECT_EQ(read_file(folder.file("any.thing")), text(encode(image, FileType::bmp)));
    std::ostringstream broken;
    broken.setstate(std::ios::badbit);
    EXPECT_THROW(save(image, broken, FileType::png), FileError);
}

} // namespace coldbrick::test
