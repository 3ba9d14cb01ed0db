// The inputs of all findings, and some to start from, once more.

#include "fuzz/target_of_type.hpp"
#include "fuzz/targets.hpp"
#include "support/files.hpp"
#include "support/sample_files.hpp"

#include <gtest/gtest.h>

#include <string>

namespace coldbrick::test {

TEST(Fuzz, EveryTargetTakesItsSeeds) {
    for (const fuzz::Target& target : fuzz::targets) {
        int count = 0;
        const auto take = [&](const std::string& name, std::span<const std::byte> bytes) {
            SCOPED_TRACE(name);
            target.run({reinterpret_cast<const std::uint8_t*>(bytes.data()), bytes.size()});
            ++count;
        };
        const std::filesystem::path folder =
            std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "tests/fuzz/seeds" / target.name;
        if (std::filesystem::exists(folder))
            for (const auto& entry : std::filesystem::directory_iterator(folder)) {
                const std::string text = read_file(entry.path());
                take(entry.path().string(), std::as_bytes(std::span(text)));
            }
        for (const SampleFile& file : sample_files())
            if (fuzz::target_of(file.type) == target.name) take(file.name, file.bytes);
        EXPECT_GT(count, 1) << target.name;
    }
}

TEST(Fuzz, ABrokenPromiseEndsTheProgram) {
    EXPECT_DEATH(fuzz::require(false, "tides are punctual"), "broken: tides are punctual");
}

} // namespace coldbrick::test
