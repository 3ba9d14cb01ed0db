// Reels: what is written comes back, frame by frame and moment by moment.

#include "support/errors.hpp"
#include "support/files.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/reel.hpp>

#include <gtest/gtest.h>
#include <rapidcheck.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <chrono>
#include <sstream>

namespace coldbrick::test {

namespace {

using namespace std::chrono_literals;

/// A box that goes over a ground of few colours; see-through with alpha.
Image frame_of(int number, PixelFormat format) {
    const bool alpha = layout(format).has_alpha();
    Image image({41, 27}, format, alpha ? Colour(0, 0, 0, 0) : colour("navy"));
    draw(image, Box{3, 3, 9, 20}, Fill{colour("teal")});
    if (number != 3)
        draw(image, Box{5 + 4 * number, 2 + 3 * number, 7, 5}, Fill{colour("gold")}); // 3 as 0 without it
    return image;
}

std::vector<Frame> all_frames(std::span<const std::byte> file) {
    std::vector<Frame> result;
    ReelReader reader(file);
    while (auto frame = reader.next()) result.push_back(std::move(*frame));
    return result;
}

std::vector<Frame> frames_of(const std::ostringstream& stream) {
    const std::string text = stream.str();
    return all_frames(std::as_bytes(std::span(text)));
}

std::vector<std::byte> written(ReelType type, PixelFormat format, const ReelOptions& options,
                               const std::vector<Duration>& durations = {}) {
    std::ostringstream stream;
    ReelWriter writer(stream, type, options);
    for (int i = 0; i < 6; ++i) {
        const auto number = static_cast<std::size_t>(i);
        if (durations.empty())
            writer.add(frame_of(i, format));
        else
            writer.add(frame_of(i, format), durations[number % durations.size()]);
    }
    writer.finish();
    const std::string text = stream.str();
    const auto bytes = std::as_bytes(std::span(text));
    return {bytes.begin(), bytes.end()};
}

} // namespace

TEST(Reel, FramesComeBackAsTheyWere) {
    const std::tuple<ReelType, PixelFormat, PixelFormat> rows[] = {
        {ReelType::png, PixelFormat::rgb8, PixelFormat::rgba8},
        {ReelType::png, PixelFormat::rgba8, PixelFormat::rgba8},
        {ReelType::png, PixelFormat::rgba16, PixelFormat::rgba16},
        {ReelType::png, PixelFormat::gray8, PixelFormat::rgba8},
        {ReelType::png, PixelFormat::indexed8, PixelFormat::rgba8},
        {ReelType::gif, PixelFormat::rgb8, PixelFormat::rgba8},
        {ReelType::gif, PixelFormat::rgba8, PixelFormat::rgba8},
        {ReelType::gif, PixelFormat::indexed8, PixelFormat::rgba8},
        {ReelType::webp, PixelFormat::rgb8, PixelFormat::rgba8},
        {ReelType::webp, PixelFormat::rgba8, PixelFormat::rgba8},
    };
    for (const auto& [type, format, back] : rows)
        for (const bool told : {false, true}) {
            SCOPED_TRACE(static_cast<int>(type));
            SCOPED_TRACE(layout(format).name);
            ReelOptions options{.repeats = 7};
            if (told) options.frame_count = 6;
            const auto file = written(type, format, options);
            EXPECT_EQ(ReelReader(file).repeats(), 7);
            EXPECT_EQ(inspect(file).repeats, 7);
            EXPECT_EQ(inspect(file).frames, 6);
            EXPECT_EQ(inspect(file).duration, Duration(240ms));
            const std::vector<Frame> frames = all_frames(file);
            ASSERT_EQ(frames.size(), 6U);
            for (int i = 0; i < 6; ++i) {
                const Frame& frame = frames[static_cast<std::size_t>(i)];
                EXPECT_EQ(frame.duration, Duration(40ms));
                ASSERT_EQ(frame.image.format(), back);
                EXPECT_EQ(bytes_of(frame.image), bytes_of(converted(frame_of(i, format), back))) << i;
            }
            EXPECT_EQ(decode(file).size(), (Size{41, 27}));
        }
}

RC_GTEST_PROP(Reel, AnyFramesComeBackExactly, ()) {
    const auto type = *rc::gen::element(ReelType::png, ReelType::gif, ReelType::webp);
    const auto format = *rc::gen::element(PixelFormat::rgb8, PixelFormat::rgba8);
    const Size size{*rc::gen::inRange(1, 40), *rc::gen::inRange(1, 30)};
    const std::array colours{Colour(0, 0, 0, 0), colour("navy"), colour("gold"), colour("teal"),
                             colour("white")};
    std::vector<Image> frames;
    Image frame(size, format);
    for (int i = *rc::gen::inRange(1, 7); i > 0; --i) {
        const Box box{*rc::gen::inRange(-5, 35), *rc::gen::inRange(-5, 25), *rc::gen::inRange(0, 30),
                      *rc::gen::inRange(0, 20)};
        clear(frame.view().clipped(box), colours.at(*rc::gen::inRange<std::size_t>(0, colours.size())));
        frames.push_back(frame);
    }
    std::ostringstream stream;
    write_reel(stream, type, 0, static_cast<std::int32_t>(frames.size()) - 1,
               [&](std::int32_t i) { return frames.at(static_cast<std::size_t>(i)); });
    const std::vector<Frame> back = frames_of(stream);
    RC_ASSERT(back.size() == frames.size());
    for (std::size_t i = 0; i < frames.size(); ++i)
        RC_ASSERT(bytes_of(back[i].image) == bytes_of(converted(frames[i], PixelFormat::rgba8)));
}

TEST(Reel, TimesNeverAddUpTheirRounding) {
    const FrameRate rates[] = {{25, 1}, {30, 1}, {24000, 1001}, {7, 1}, {50, 1}};
    for (const FrameRate& rate : rates)
        for (const auto& [type, tick] :
             {std::pair{ReelType::png, 1}, {ReelType::gif, 10000}, {ReelType::webp, 1000}}) {
            std::int64_t now = 0;
            double exact = 0;
            for (const Frame& frame : all_frames(written(type, PixelFormat::rgb8, {.rate = rate}))) {
                now += frame.duration.microseconds;
                exact += 1e6 * rate.seconds / rate.frames;
                EXPECT_LE(std::abs(static_cast<double>(now) - exact), tick / 2.0 + 3.5)
                    << rate.frames << ' ' << static_cast<int>(type);
            }
        }
    const std::vector<Duration> durations{20ms, 1500ms, 12345ms, 100s};
    for (const ReelType type : {ReelType::png, ReelType::gif, ReelType::webp}) {
        const auto frames = all_frames(written(type, PixelFormat::rgb8, {}, durations));
        for (std::size_t i = 0; i < frames.size(); ++i)
            EXPECT_NEAR(static_cast<double>(frames[i].duration.microseconds),
                        static_cast<double>(durations[i % 4].microseconds), 10000);
    }
    EXPECT_EQ(Duration(std::chrono::hours(1)).microseconds, 3600000000);
}

TEST(Reel, OnlyWhatChangesIsStored) {
    for (const ReelType type : {ReelType::png, ReelType::gif, ReelType::webp}) {
        std::ostringstream still;
        std::ostringstream moving;
        ReelWriter one(still, type);
        ReelWriter many(moving, type);
        Image frame = sample({160, 120}, PixelFormat::rgb8);
        one.add(frame);
        one.finish();
        for (int i = 0; i < 20; ++i) {
            many.add(frame);
            frame.set_pixel({3 * i + 1, 2 * i}, colour("red"));
        }
        many.finish();
        EXPECT_LT(moving.str().size(), still.str().size() + 20 * 180) << static_cast<int>(type);
        EXPECT_EQ(frames_of(moving).size(), 20U);
    }
}

TEST(Reel, GifsColoursAreChosenForAllFrames) {
    const TemporaryFolder folder;
    const auto frame = [](std::int32_t number) {
        return Image({30, 20}, PixelFormat::rgb8, Colour(10 * number, 255 - 10 * number, 7));
    };
    std::vector<std::int64_t> told;
    const auto progress = [&](std::int64_t done, std::int64_t all) {
        EXPECT_EQ(all, 40);
        told.push_back(done);
    };
    write_reel(folder.file("a.gif"), 3, 22, frame, {}, progress);
    EXPECT_EQ(told.size(), 40U);
    EXPECT_EQ(told.back(), 40);
    ReelReader reader(folder.file("a.gif"));
    for (std::int32_t i = 3; i <= 22; ++i)
        EXPECT_EQ(reader.next()->image.pixel({9, 9}), frame(i).pixel({9, 9}));
    EXPECT_FALSE(reader.next());
    // Chosen from the first frame alone, the palette knows nothing of the others.
    std::ostringstream stream;
    ReelWriter writer(stream, ReelType::gif, {.dithered = false});
    writer.add(frame(3));
    writer.add(frame(4));
    writer.finish();
    EXPECT_EQ(frames_of(stream)[1].image.pixel({9, 9}), frame(3).pixel({9, 9}));
}

TEST(Reel, RawVideoHoldsRec709) {
    struct Row {
        Colour colour;
        int luma;
        int blue;
        int red;
    };
    // Levels of BT.709-6, section 3: 16 + 219 Y, 128 + 224 C.
    const Row rows[] = {{Colour(0, 0, 0), 16, 128, 128},   {Colour(255, 255, 255), 235, 128, 128},
                        {Colour(255, 0, 0), 63, 102, 240}, {Colour(0, 255, 0), 173, 42, 26},
                        {Colour(0, 0, 255), 32, 240, 118}, {Colour(100, 150, 200), 139, 155, 104}};
    for (const auto& [colour, luma, blue, red] : rows)
        for (const bool shared : {false, true}) {
            std::ostringstream stream;
            ReelWriter writer(
                stream, ReelType::y4m,
                {.rate = {30, 1}, .subsampling = shared ? ChromaSubsampling::both : ChromaSubsampling::none});
            writer.add(Image({3, 3}, PixelFormat::rgb8, colour));
            writer.add(Image({3, 3}, PixelFormat::rgb8, colour), 100ms);
            writer.finish();
            const std::size_t chroma = shared ? 4 : 9;
            const std::string frame = "FRAME\n" + std::string(9, static_cast<char>(luma)) +
                                      std::string(chroma, static_cast<char>(blue)) +
                                      std::string(chroma, static_cast<char>(red));
            EXPECT_EQ(stream.str(), "YUV4MPEG2 W3 H3 F30:1 Ip A1:1 C" +
                                        std::string(shared ? "420jpeg" : "444") + " XCOLORRANGE=LIMITED\n" +
                                        frame + frame + frame + frame);
        }
}

TEST(Reel, NumberedPicturesAreFilesOfTheirOwn) {
    const TemporaryFolder folder;
    const auto frame = [](std::int32_t number) { return frame_of(number, PixelFormat::rgba8); };
    write_reel(folder.file("quay_###.png"), 0, 4, frame);
    EXPECT_EQ(folder.file_count(), 5);
    EXPECT_EQ(bytes_of(load(folder.file("quay_002.png"))), bytes_of(frame(2)));
    write_reel(folder.file("#.jpg"), 7, 8, frame,
               {.numbered = {.quality = 50, .background = colour("white")}});
    EXPECT_EQ(load(folder.file("1.jpg")).size(), frame(0).size());
}

TEST(Reel, RefusalsLeaveWhatWasThere) {
    const TemporaryFolder folder;
    write_file(folder.file("a.png"), "old");
    const auto frame = [](std::int32_t) { return frame_of(0, PixelFormat::rgba8); };
    const std::string known = " is none of .png, .apng, .gif, .webp, .y4m";
    ReelWriter writer(folder.file("a.png"), {.frame_count = 2});
    writer.add(frame(0));
    expect_errors<ArgumentError>({
        {[&] {
             writer.add(Image({3, 3}, PixelFormat::rgba8));
         },
         "a frame of 3 x 3 pixels does not fit a reel of 41 x 27"},
        {[&] { writer.add(frame_of(0, PixelFormat::rgb8)); }, "a frame of rgb8 does not fit a reel of rgba8"},
        {[&] { writer.add(frame(0), Duration(0ms)); }, "microseconds of a frame 0 is outside 1..86400000000"},
        {[&] { writer.finish(); }, "there are 1 frames, not the 2 that were told"},
        {[&] { ReelWriter(folder.file("b.gif")).finish(); }, "a reel without frames was asked for"},
        {[&] { ReelWriter(folder.file("b.gif"), {.quality = 3}); },
         "a quality means nothing to a reel of this type"},
        {[&] {
             ReelWriter(folder.file("b.gif"), {.rate = {0, 1}});
         },
         "frames of a rate 0 is outside 1..1000000"},
        {[&] { write_reel(folder.file("b.png"), 3, 2, frame); }, "last frame 2 is outside 3..2147483646"},
    });
    ReelWriter two_colours(folder.file("b.gif"), {.palette = Palette({{colour("navy")}, {colour("gold")}})});
    expect_errors<FileError>({
        {[&] { two_colours.add(frame(0)); }, "a frame has see-through pixels, but the reel's palette has no "
                                             "such entry: give it one, or lay them on a "
                                             "background"},
        {[&] { write_reel(folder.file("b.y4m"), 0, 1, frame); },
         "a .y4m file cannot hold the alpha of rgba8: use .png or .webp, or give a background"},
        {[&] {
             write_reel(folder.file("b.gif"), 0, 1, frame, {.rate = {60, 1}});
         },
         "a frame of a GIF file lasts 2 to 65535 hundredths of a second, not 1: most programs show shorter "
         "ones slower; "
         "use .png or .webp, or another rate"},
        {[&] {
             write_reel(folder.file("no/b.gif"), 0, 1,
                        [](std::int32_t) -> Image { throw std::runtime_error("made"); });
         },
         "cannot write " + folder.file("no/b.gif") + ": No such file or directory"},
        {[&] { ReelWriter(folder.file("b.jpg")); },
         "cannot write " + folder.file("b.jpg") + ": the extension \".jpg\"" + known},
    });
    const auto breaking = [](std::int64_t, std::int64_t) { throw std::runtime_error("enough"); };
    EXPECT_THROW(write_reel(folder.file("a.png"), 0, 9, frame, {}, breaking), std::runtime_error);
    EXPECT_EQ(read_file(folder.file("a.png")), "old");
}

TEST(Reel, AnyPictureIsAReelOfOneFrame) {
    const Image image = sample({5, 4}, PixelFormat::rgb8);
    const auto frames = all_frames(encode(image, FileType::qoi));
    ASSERT_EQ(frames.size(), 1U);
    EXPECT_EQ(bytes_of(frames[0].image), bytes_of(image));
    EXPECT_EQ(frames[0].duration, Duration());
}

TEST(Reel, OtherProgramsTakeThem) {
    const TemporaryFolder folder;
    for (const char* name : {"a.png", "a.webp", "a.gif"})
        write_reel(folder.file(name), 0, 5, [](std::int32_t i) { return frame_of(i, PixelFormat::rgba8); });
    EXPECT_EQ(run_command("pngcheck -q " + folder.file("a.png")).status, 0);
    EXPECT_EQ(run_command("webpinfo -quiet " + folder.file("a.webp")).status, 0);
    EXPECT_EQ(run_command("giftext " + folder.file("a.gif")).status, 0);
    EXPECT_EQ(
        run_command("cd " + folder.path().string() + " && webpmux -info a.webp | grep -c frames:").output,
        "1\n");
    EXPECT_NE(run_command("webpmux -info " + folder.file("a.webp")).output.find("Number of frames: 6"),
              std::string::npos);
}

TEST(Reel, WritersEndOnce) {
    const TemporaryFolder folder;
    const Image frame = frame_of(0, PixelFormat::rgb8);
    for (const char* name : {"a.png", "a.gif", "a.webp", "a.y4m"}) {
        ReelWriter writer(folder.file(name));
        writer.add(frame);
        writer.finish();
        const std::string bytes = read_file(folder.file(name));
        expect_errors<ArgumentError>({
            {[&] { writer.finish(); }, "the reel is finished already"},
            {[&] { writer.add(frame); }, "the reel is finished already"},
        });
        EXPECT_EQ(read_file(folder.file(name)), bytes) << name;
    }
    ReelWriter failing(folder.file("b.gif"), {.palette = Palette({{colour("navy")}, {colour("gold")}})});
    EXPECT_THROW(failing.add(frame_of(0, PixelFormat::rgba8)), FileError); // it has no such entry
    expect_errors<ArgumentError>({{[&] { failing.add(frame); }, "the reel cannot go on after a failure"},
                                  {[&] { failing.finish(); }, "the reel cannot go on after a failure"}});
    ReelReader reader(folder.file("a.png"));
    const ReelReader moved = std::move(reader);
    // NOLINTNEXTLINE(bugprone-use-after-move)
    EXPECT_THROW((void)reader.size(), ArgumentError);
}

// A part that changes on its left side only.
TEST(Reel, ChangesOfSingleColumnsComeBack) {
    const TemporaryFolder folder;
    for (const char* name : {"a.png", "a.webp"})
        for (const std::int32_t column : {0, 1, 7, 30, 40}) {
            const auto frame = [column](std::int32_t number) {
                Image image({41, 27}, PixelFormat::rgba8, colour("navy"));
                const std::int32_t left = std::max(column - number, 0);
                draw(image, Line{{left, 3}, {left, 20}}, Stroke{colour("gold")});
                return image;
            };
            write_reel(folder.file(name), 0, 3, frame);
            ReelReader reader(folder.file(name));
            for (std::int32_t i = 0; i < 4; ++i)
                EXPECT_EQ(bytes_of(reader.next()->image), bytes_of(frame(i)))
                    << name << ' ' << column << ' ' << i;
        }
}

} // namespace coldbrick::test
