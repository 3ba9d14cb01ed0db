// What docs/threads.md says several threads may do at once, done at once.

#include "support/files.hpp"

#include <coldbrick/coldbrick.hpp>

#include <gtest/gtest.h>

#include <algorithm>
#include <functional>
#include <string>
#include <thread>
#include <vector>

namespace coldbrick::test {

namespace {

constexpr int thread_count = 4;

/// Calls work(0), work(1) and so on at the same time.
void at_once(const std::function<void(int)>& work) {
    std::vector<std::jthread> threads;
    for (int i = 0; i < thread_count; ++i) threads.emplace_back([&work, i] { work(i); });
}

bool same(const ConstImageView& a, const ConstImageView& b) {
    bool result = a.size() == b.size();
    for (std::int32_t y = 0; result && y < a.height(); ++y) result = std::ranges::equal(a.row(y), b.row(y));
    return result;
}

constexpr Size size{240, 160};

void draw_all(const ImageView& view) {
    draw(view, Circle{{120, 80}, 70}, Fill{Colour(200, 90, 30), {}, {}, {}, Edges::smooth});
    draw(view, Ellipse{{10, 10, 220, 60}}, Stroke{Colour(20, 90, 130, 128), 7});
    draw(view, Polyline{{{3, 150}, {90, 4}, {236, 155}}}, Stroke{Colour(250, 240, 200), 3});
}

} // namespace

TEST(Threads, DrawIntoTilesOfOneImage) {
    Image wanted(size, PixelFormat::rgb8);
    draw_all(wanted);
    Image drawn(size, PixelFormat::rgb8);
    const ImageView view = drawn;
    at_once([&view](int i) {
        draw_all(view.clipped({i % 2 * 121, i / 2 * 79, i % 2 == 0 ? 121 : 119, i < 2 ? 79 : 81}));
    });
    EXPECT_TRUE(same(drawn, wanted));
}

TEST(Threads, LayOutAndDrawTextsOfOneFace) {
    for (const Face& face :
         {Face::stroke(), Face::bitmap(), load_face("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf")}) {
        const auto draw_words = [&face](Image& image) {
            for (int row = 1; row <= 4; ++row)
                draw(image, Text("Tarn Haven, quay 7", {4, 36 * row}, {.face = face, .size = 10.0 + 3 * row}),
                     Colour(0, 0, 0));
        };
        Image wanted(size, PixelFormat::gray8, Colour(255, 255, 255));
        draw_words(wanted);
        std::vector<Image> drawn(thread_count, Image(size, PixelFormat::gray8, Colour(255, 255, 255)));
        at_once([&](int i) { draw_words(drawn[static_cast<std::size_t>(i)]); });
        for (const Image& image : drawn) EXPECT_TRUE(same(image, wanted));
    }
}

TEST(Threads, SaveToOnePathAndLoadFromIt) {
    const TemporaryFolder folder;
    const std::string path = folder.file("picture.png");
    Image picture(size, PixelFormat::rgba8);
    draw_all(picture);
    save(picture, path);
    at_once([&](int i) {
        for (int turn = 0; turn < 4; ++turn) {
            if (i % 2 == 0) save(picture, path);
            EXPECT_TRUE(same(load(path), picture));
            EXPECT_TRUE(same(decode(encode(picture, FileType::webp)), picture));
        }
    });
    EXPECT_EQ(folder.file_count(), 1);
}

TEST(Threads, MakeWhatIsMadeOnce) {
    const Text text("0123456789", {4, 40});
    std::vector<std::size_t> entries(thread_count);
    std::vector<Box> bounds(thread_count);
    at_once([&](int i) {
        const auto at = static_cast<std::size_t>(i);
        entries[at] = default_palette().size();
        bounds[at] = text.bounds();
        EXPECT_EQ(colour("sandybrown"), Colour(244, 164, 96));
    });
    EXPECT_EQ(std::ranges::count(entries, entries[0]), thread_count);
    EXPECT_EQ(std::ranges::count(bounds, bounds[0]), thread_count);
}

TEST(Threads, RenderDrawingsAndSheets) {
    const Sheet sheet = read_sheet("sheet 900 x 700 on navy\n"
                                   "repeat i from 0 to 40\n"
                                   "    circle at (20 * i, 17 * i) radius 90 fill rgb(6 * i, 80, 60) smooth\n"
                                   "end\n",
                                   "harbour.brick");
    const Image wanted = sheet.render(PixelFormat::rgb8, {.threads = 1});
    at_once([&](int i) {
        double share = 0;
        RenderOptions options{.threads = 1 + i};
        const auto watch = [&share](double done) { share = done; };
        options.progress = watch;
        EXPECT_TRUE(same(sheet.render(PixelFormat::rgb8, options), wanted));
        EXPECT_EQ(share, 1);
    });
}

} // namespace coldbrick::test
