// The inputs of all findings, and some to start from, once more.

#include "fuzz/targets.hpp"
#include "support/files.hpp"

#include <gtest/gtest.h>

namespace coldbrick::test {

TEST(Fuzz, EveryTargetTakesItsSeeds) {
    for (const fuzz::Target& target : fuzz::targets) {
        int count = 0;
        const std::filesystem::path folder =
            std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "tests/fuzz/seeds" / target.name;
        for (const auto& entry : std::filesystem::directory_iterator(folder)) {
            SCOPED_TRACE(entry.path().string());
            const std::string text = read_file(entry.path());
            target.run({reinterpret_cast<const std::uint8_t*>(text.data()), text.size()});
            ++count;
        }
        EXPECT_GT(count, 2) << target.name;
    }
}

TEST(Fuzz, ABrokenPromiseEndsTheProgram) {
    EXPECT_DEATH(fuzz::require(false, "tides are punctual"), "broken: tides are punctual");
}

} // namespace coldbrick::test
