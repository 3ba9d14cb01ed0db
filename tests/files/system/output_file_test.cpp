// Files are replaced whole or not at all, whatever stands at the path and whenever the process ends.

#include "support/errors.hpp"
#include "support/files.hpp"

#include <coldbrick/files.hpp>

#include <gtest/gtest.h>

#include <csignal>
#include <span>
#include <thread>

#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

namespace coldbrick::test {

namespace {

namespace fs = std::filesystem;

void replace(const fs::path& path, const std::string& text) {
    coldbrick::write_file(path, std::as_bytes(std::span(text)));
}

unsigned mode_of(const fs::path& path) {
    struct stat state {};
    EXPECT_EQ(::stat(path.c_str(), &state), 0);
    return state.st_mode & 07777U;
}

/// Runs a call in a process of its own, which a signal ends after some time.
template <class Call>
void run_and_kill(Call call, int signal, useconds_t after_microseconds) {
    const pid_t child = ::fork();
    if (child == 0) {
        while (true) call();
    }
    ::usleep(after_microseconds);
    ::kill(child, signal);
    ::waitpid(child, nullptr, 0);
}

} // namespace

TEST(OutputFile, KeepsPermissionsWithoutThoseThatLendRights) {
    const TemporaryFolder folder;
    const std::string path = folder.file("a.ppm");
    for (const unsigned mode : {0640U, 06755U, 01644U, 0200U}) {
        write_file(path, "old");
        ASSERT_EQ(::chmod(path.c_str(), mode), 0);
        replace(path, "new");
        EXPECT_EQ(mode_of(path), mode & 0777U);
        fs::remove(path);
    }
    const mode_t usual = ::umask(027);
    replace(path, "new");
    ::umask(usual);
    EXPECT_EQ(mode_of(path), 0640U);
}

TEST(OutputFile, KeepsOwnersWhereTheProcessMay) {
    if (::geteuid() != 0) GTEST_SKIP() << "only root gives files away";
    const TemporaryFolder folder;
    const std::string path = folder.file("a.ppm");
    write_file(path, "old");
    ASSERT_EQ(::chown(path.c_str(), 12345, 23456), 0);
    replace(path, "new");
    struct stat state {};
    ASSERT_EQ(::stat(path.c_str(), &state), 0);
    EXPECT_EQ(state.st_uid, 12345U);
    EXPECT_EQ(state.st_gid, 23456U);
}

TEST(OutputFile, FollowsLinksAlsoToWhatIsNotThereYet) {
    const TemporaryFolder folder;
    fs::create_symlink("made.ppm", folder.file("dangling.ppm"));
    fs::create_symlink(folder.file("dangling.ppm"), folder.file("further.ppm"));
    replace(folder.file("further.ppm"), "new");
    EXPECT_TRUE(fs::is_symlink(folder.file("further.ppm")) && fs::is_symlink(folder.file("dangling.ppm")));
    EXPECT_EQ(read_file(folder.file("made.ppm")), "new");
    fs::create_symlink("b.ppm", folder.file("a.ppm"));
    fs::create_symlink("a.ppm", folder.file("b.ppm"));
    expect_errors<FileError>({
        {[&] { replace(folder.file("a.ppm"), "new"); },
         "cannot write " + folder.file("a.ppm") + ": Too many levels of symbolic links"},
    });
}

TEST(OutputFile, RefusesReadOnlyFilesAndTakesLongNames) {
    const TemporaryFolder folder;
    const std::string path = folder.file("a.ppm");
    write_file(path, "old");
    ASSERT_EQ(::chmod(path.c_str(), 0444), 0);
    expect_errors<FileError>({
        {[&] { replace(path, "new"); }, "cannot write " + path + ": the file is read-only (mode 444)"},
    });
    EXPECT_EQ(read_file(path), "old");
    const std::string longest = folder.file(std::string(251, 'a') + ".ppm");
    replace(longest, "new");
    EXPECT_EQ(read_file(longest), "new");
    EXPECT_EQ(folder.file_count(), 2);
}

TEST(OutputFile, AKilledSaveLeavesWholeFilesAndTheNextOneTidiesUp) {
    const TemporaryFolder folder;
    const std::string path = folder.file("a.bin");
    const std::string texts[] = {std::string(3000000, 'a'), std::string(2000000, 'b')};
    replace(path, texts[0]);
    bool left_one = false;
    for (int i = 0; i < 30; ++i) {
        int turn = i;
        run_and_kill([&] { replace(path, texts[++turn % 2]); }, SIGKILL,
                     static_cast<useconds_t>(1500 + 977 * (i % 9)));
        const std::string found = read_file(path);
        ASSERT_TRUE(found == texts[0] || found == texts[1]) << "torn after " << i;
        left_one = left_one || folder.file_count() > 1;
    }
    EXPECT_TRUE(left_one) << "no kill came in the middle";
    replace(path, texts[0]);
    EXPECT_EQ(folder.file_count(), 1);
}

TEST(OutputFile, ASignalHandlerCanRemoveWhatIsUnfinished) {
    const TemporaryFolder folder;
    const std::string path = folder.file("a.bin");
    const std::string text(3000000, 'a');
    replace(path, text);
    for (int i = 0; i < 20; ++i)
        run_and_kill(
            [&] {
                std::signal(SIGTERM, [](int) {
                    remove_unfinished_files();
                    ::_exit(3);
                });
                replace(path, text);
            },
            SIGTERM, static_cast<useconds_t>(4000 + 977 * (i % 9)));
    EXPECT_EQ(folder.file_count(), 1);
}

TEST(OutputFile, ManyAtOnceLeaveOneOfThemWhole) {
    const TemporaryFolder folder;
    const std::string path = folder.file("a.bin");
    {
        std::vector<std::jthread> threads;
        for (char name = 'a'; name < 'e'; ++name)
            threads.emplace_back([&path, text = std::string(100000, name)] {
                for (int i = 0; i < 20; ++i) replace(path, text);
            });
    }
    const std::string found = read_file(path);
    EXPECT_EQ(found, std::string(100000, found.at(0)));
    EXPECT_EQ(folder.file_count(), 1);
}

} // namespace coldbrick::test
