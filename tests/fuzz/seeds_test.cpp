// The inputs of all findings, and some to start from, once more.

#include "fuzz/targets.hpp"
#include "support/files.hpp"
#include "support/sample_files.hpp"

#include <gtest/gtest.h>

#include <string>

namespace coldbrick::test {

namespace {

/// The target that takes files of a type.
std::string target_of(FileType type) {
    const char* const names[] = {"png", "jpeg", "webp", "gif", "bmp", "qoi"};
    return type < FileType::pbm ? names[static_cast<int>(type)] : "anymap";
}

} // namespace

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
            if (target_of(file.type) == target.name) take(file.name, file.bytes);
        EXPECT_GT(count, 1) << target.name;
    }
}

/// For scripts/fuzz: writes the files that our own writers make into a folder for each target, where asked.
TEST(Fuzz, WritesSeeds) {
    const char* const folder = std::getenv("COLDBRICK_SEEDS_FOLDER");
    if (folder == nullptr) GTEST_SKIP() << "only where COLDBRICK_SEEDS_FOLDER names a folder";
    for (const SampleFile& file : sample_files()) {
        const std::filesystem::path target = std::filesystem::path(folder) / target_of(file.type);
        std::filesystem::create_directories(target);
        write_file(target / file.name, {reinterpret_cast<const char*>(file.bytes.data()), file.bytes.size()});
    }
}

TEST(Fuzz, ABrokenPromiseEndsTheProgram) {
    EXPECT_DEATH(fuzz::require(false, "tides are punctual"), "broken: tides are punctual");
}

} // namespace coldbrick::test
