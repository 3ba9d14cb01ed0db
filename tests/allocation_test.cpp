// Memory that runs out: whichever allocation fails, the caller hears of it, and nothing is half done.

#include "support/files.hpp"
#include "support/sample_files.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/regular_polygon.hpp>
#include <coldbrick/sheet.hpp>

#include <gtest/gtest.h>

#include <cstdlib>
#include <functional>
#include <new>
#include <span>
#include <sstream>

namespace {

/// How many allocations are still granted; none fails below 0.
long granted =
    -1; // NOLINT(cppcoreguidelines-avoid-non-const-global-variables): operator new has no arguments

void* allocate(std::size_t size) {
    if (granted == 0) throw std::bad_alloc();
    if (granted > 0) --granted;
    void* const memory = std::malloc(size == 0 ? 1 : size); // NOLINT(cppcoreguidelines-no-malloc)
    if (memory == nullptr) throw std::bad_alloc();
    return memory;
}

} // namespace

void* operator new(std::size_t size) {
    return allocate(size);
}
void* operator new[](std::size_t size) {
    return allocate(size);
}
void operator delete(void* memory) noexcept {
    std::free(memory); // NOLINT(cppcoreguidelines-no-malloc)
}
void operator delete[](void* memory) noexcept {
    std::free(memory); // NOLINT(cppcoreguidelines-no-malloc)
}
void operator delete(void* memory, std::size_t) noexcept {
    std::free(memory); // NOLINT(cppcoreguidelines-no-malloc)
}
void operator delete[](void* memory, std::size_t) noexcept {
    std::free(memory); // NOLINT(cppcoreguidelines-no-malloc)
}

namespace coldbrick::test {

namespace {

/// Calls with the first, the second, ... allocation failing, until none does. Each failure must be told by
/// std::bad_alloc or an Error; after each, `check` looks at what there is. Returns how many failed.
int fail_each(const std::function<void()>& call, const std::function<void()>& check) {
    for (int n = 0; n < 100000; ++n) {
        bool failed = false;
        granted = n;
        try {
            call();
        } catch (const std::bad_alloc&) {
            failed = true;
        } catch (const Error&) {
            failed = true;
        }
        granted = -1;
        check();
        if (!failed) return n;
    }
    ADD_FAILURE() << "there is always one more";
    return 0;
}

} // namespace

TEST(Allocation, AFailedDrawOfAGradientPaintsNothing) {
    const Paint gradient = LinearGradient{{0, 0}, {39, 0}, {{0, colour("red")}, {1, colour("teal")}}};
    for (const Shape& shape : {Shape(Circle{{20, 15}, 12}), Shape(Box{3, 3, 20, 20})}) {
        Image image({40, 30}, PixelFormat::rgba8, colour("navy"));
        const std::string before = bytes_of(image);
        bool whole = false;
        const int failures = fail_each(
            [&] {
                const auto draw_one = [&]<class S>(const S& one) {
                    if constexpr (ClosedShape<S>) draw(image, one, Fill{gradient});
                };
                std::visit(draw_one, shape);
                whole = true;
            },
            [&] { EXPECT_TRUE(whole || bytes_of(image) == before); });
        EXPECT_GT(failures, 0);
    }
}

TEST(Allocation, AFailedDrawPaintsNoPixelThatTheWholeOneDoesNot) {
    Stroke dashed{colour("white"), 5, Cap::round};
    dashed.dashes = {{7, 4}, 1};
    const Polygon polygon = star({30, 25}, 24, 9, 7);
    const auto paint = [&](Image& image) {
        draw(image, polygon, Fill{colour("red"), FillRule::non_zero}, dashed);
        draw(image, Sector::about({30, 25}, 20, degrees(10), degrees(200)), dashed);
    };
    const auto blank = [] { return Image({60, 50}, PixelFormat::rgb8, colour("navy")); };
    Image wanted = blank();
    paint(wanted);
    Image image = blank();
    fail_each(
        [&] {
            image = blank();
            paint(image);
        },
        [&] {
            for (int i = 0; i < 60 * 50; ++i) {
                const Point at{i % 60, i / 60};
                ASSERT_TRUE(image.pixel(at) == colour("navy") || wanted.pixel(at) != colour("navy")) << i;
            }
        });
    EXPECT_EQ(bytes_of(image), bytes_of(wanted));
}

TEST(Allocation, AFailedSaveLeavesTheOldFile) {
    const TemporaryFolder folder;
    const std::string path = folder.file("a.png");
    const Image image({9, 7}, PixelFormat::rgb8, colour("teal"));
    bool saved = false;
    write_file(path, "old");
    const int failures = fail_each(
        [&] {
            save(image, path);
            saved = true;
        },
        [&] {
            EXPECT_EQ(read_file(path) == "old", !saved);
            EXPECT_EQ(folder.file_count(), 1);
        });
    EXPECT_GT(failures, 3);
    EXPECT_EQ(bytes_of(load(path)), bytes_of(image));
}

TEST(Allocation, AFailedLoadSaveOrReelIsToldWhateverTheType) {
    const auto nothing = [] {};
    for (const SampleFile& file : sample_files()) {
        SCOPED_TRACE(file.name);
        EXPECT_GE(fail_each([&] { EXPECT_EQ(decode(file.bytes).width(), 13); }, nothing), 1);
        const Image image = decode(file.bytes);
        const EncodeOptions options{.allow_loss = true};
        EXPECT_GE(fail_each([&] { (void)encode(image, file.type, options); }, nothing), 2);
    }
    const Image frame({9, 7}, PixelFormat::rgba8, colour("teal"));
    for (const ReelType type : {ReelType::png, ReelType::gif, ReelType::webp}) {
        const auto write = [&] {
            std::ostringstream stream;
            write_reel(stream, type, 0, 1, [&](std::int32_t) { return frame; });
        };
        EXPECT_GE(fail_each(write, nothing), 5);
    }
}

TEST(Allocation, AFailedLoadOrSheetIsTold) {
    const TemporaryFolder folder;
    save(Image({9, 7}, PixelFormat::rgb8, colour("teal")), folder.file("a.png"));
    const auto nothing = [] {};
    const std::string sheet =
        "sheet 40 x 30 on navy\nlet a = (3, 4)\npalette p x red, y rgb(1, 2, 3)\n"
        "polygon a, (30, 8), (20, 2 * 12) fill along a to (30, 8) p.x, p.y, gold stroke white 3 "
        "dashes 3, 2\nimage \"a.png\" at (1, 1) size 4 x 4\n";
    const auto loader = [&](const std::string& file, std::size_t most) {
        return load(folder.file(file), {.limits = {.bytes = most}});
    };
    EXPECT_GT(
        fail_each([&] { (void)read_sheet(sheet, "quay.brick", {.load_image = loader}).render(); }, nothing),
        30);
    EXPECT_GT(fail_each([] { (void)read_palette("#123 a\nred b\n"); }, nothing), 2);
}

} // namespace coldbrick::test
