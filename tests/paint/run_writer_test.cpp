// Unit tests for src/paint/run_writer.hpp: runs of pixels of every size, also of those that no format has
// yet, and without the wider registers that the machine may have.

#include "paint/run_writer.hpp"

#include <gtest/gtest.h>

#include <vector>

namespace coldbrick::paint {

TEST(RunWriter, WritesWholePixelsAndNothingElse) {
    constexpr std::uint64_t pixel = 0x8877665544332211U;
    constexpr auto untouched = std::byte{0xEE};
    for (const std::size_t size : {1U, 2U, 3U, 4U, 6U, 8U}) {
        const std::uint64_t bytes = size == 8 ? pixel : pixel & ((std::uint64_t{1} << (8 * size)) - 1);
        const RepeatedPixel pattern({bytes, 0}, static_cast<std::ptrdiff_t>(size));
        for (std::size_t pixels = 0; pixels <= 240 / size; ++pixels) {
            const std::size_t begin = 29;
            std::vector<std::byte> expected(300, untouched);
            for (std::size_t i = 0; i < pixels * size; ++i)
                expected[begin + i] = static_cast<std::byte>(pixel >> (8 * (i % size)));
            std::vector<std::byte> memory(300, untouched);
            RunWriter<16>(pattern).write(Places<1>{memory.data() + begin}, pixels * size);
            ASSERT_EQ(memory, expected) << size << " bytes, run of " << pixels;
            const auto stride = static_cast<std::ptrdiff_t>(size);
            if (!RepeatedPixel::repeats_in_words(stride)) continue;
            memory.assign(300, untouched);
            WordRunWriter<16>(RepeatedPixel::word(bytes, stride))
                .write(Places<1>{memory.data() + begin}, pixels * size);
            ASSERT_EQ(memory, expected) << size << " bytes in words, run of " << pixels;
        }
    }
}

} // namespace coldbrick::paint
