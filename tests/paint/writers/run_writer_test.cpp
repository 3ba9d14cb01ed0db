// Runs of pixels of every size, also of those that no format has yet.

#include "paint/writers/run_writer.hpp"

#include <gtest/gtest.h>

#include <array>
#include <cstddef>
#include <cstdint>
#include <cstring>
#include <vector>

namespace coldbrick::paint {

namespace {

constexpr std::size_t begin = 29;
constexpr auto untouched = std::byte{0xEE};

/// What a writer of whole pixels makes of memory, in a place that is aligned to nothing.
template <class Writer>
std::vector<std::byte> written(const Writer& writer, std::size_t bytes) {
    std::vector<std::byte> memory(350, untouched);
    writer.write(Places<1>{memory.data() + begin}, bytes);
    return memory;
}

} // namespace

// With registers of both widths, whatever the machine has.
TEST(RunWriter, WritesWholePixelsAndNothingElse) {
    std::array<std::uint64_t, 2> pixel{0x8877665544332211U, 0x00FFEEDDCCBBAA99U};
    for (const std::size_t size : {1U, 2U, 3U, 4U, 6U, 8U, 12U, 16U}) {
        std::array<std::uint64_t, 2> bytes{};
        std::memcpy(bytes.data(), pixel.data(), size);
        const RepeatedPixel pattern(bytes, static_cast<std::ptrdiff_t>(size));
        for (std::size_t pixels = 0; pixels <= 290 / size; ++pixels) {
            std::vector<std::byte> expected(350, untouched);
            for (std::size_t i = 0; i < pixels * size; ++i)
                expected[begin + i] = reinterpret_cast<const std::byte*>(pixel.data())[i % size];
            ASSERT_EQ(written(RunWriter<16>(pattern), pixels * size), expected)
                << size << " bytes, run of " << pixels;
            ASSERT_EQ(written(RunWriter<32>(pattern), pixels * size), expected)
                << size << " bytes, run of " << pixels;
            const auto stride = static_cast<std::ptrdiff_t>(size);
            if (!RepeatedPixel::repeats_in_words(stride)) continue;
            const std::uint64_t word = RepeatedPixel::word(bytes[0], stride);
            ASSERT_EQ(written(WordRunWriter<16>(word), pixels * size), expected) << size << " bytes in words";
            ASSERT_EQ(written(WordRunWriter<32>(word), pixels * size), expected) << size << " bytes in words";
        }
    }
}

} // namespace coldbrick::paint
