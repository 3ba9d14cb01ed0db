// What the tool says of itself: help, examples, the manual page and what bash completes.

#include "support/files.hpp"

#include <gtest/gtest.h>

#include <set>
#include <sstream>
#include <string>
#include <vector>

namespace coldbrick::test {

namespace {

const std::string tool = COLDBRICK_TOOL_PATH; // NOLINT(cert-err58-cpp): a path of the build

std::vector<std::string> lines_of(const std::string& text) {
    std::vector<std::string> result;
    std::istringstream stream(text);
    for (std::string line; std::getline(stream, line);) result.push_back(line);
    return result;
}

/// The commands that the help lists.
std::vector<std::string> commands() {
    std::vector<std::string> result;
    bool listed = false;
    for (const std::string& line : lines_of(run_command(tool + " --help").output)) {
        if (listed && line.starts_with("  ")) result.push_back(line.substr(2, line.find(' ', 2) - 2));
        listed = listed || line == "Commands:";
    }
    return result;
}

std::string help_of(const std::string& command) {
    return run_command(tool + " " + command + " --help").output;
}

/// The long options that a help tells.
std::set<std::string> options_in(const std::string& help) {
    std::set<std::string> result;
    for (std::size_t at = help.find("--"); at != std::string::npos; at = help.find("--", at + 2)) {
        const std::size_t end = help.find_first_not_of("abcdefghijklmnopqrstuvwxyz-", at);
        const bool is_listed = help.rfind('\n', at) + 3 == at || help[at - 1] == ',';
        if (is_listed) result.insert(help.substr(at, end - at));
    }
    return result;
}

} // namespace

TEST(Help, EveryExampleRuns) {
    const std::vector<std::string> known = commands();
    EXPECT_EQ(known.size(), 16U);
    const TemporaryFolder folder;
    ASSERT_EQ(run_command(tool + " demo " + folder.path().string()).status, 0);
    for (const std::string& command : known) {
        int examples = 0;
        bool begun = false;
        for (const std::string& line : lines_of(help_of(command))) {
            begun = begun || line.starts_with("Examples");
            if (!begun || !line.starts_with("  coldbrick ")) continue;
            ++examples;
            EXPECT_TRUE(line.starts_with("  coldbrick " + command)) << line;
            const Finished finished = run_command("cd " + folder.path().string() + " && " + tool +
                                                  line.substr(std::string("  coldbrick").size()));
            EXPECT_EQ(finished.status, 0) << line << '\n' << finished.errors << finished.output;
        }
        EXPECT_EQ(examples, 2) << command;
    }
}

TEST(Help, TheManualAndTheCompletionTellEveryCommandAndOption) {
    const Finished manual = run_command(tool + " --manual | man -l --warnings -");
    EXPECT_EQ(manual.errors, "");
    const std::string page = run_command(tool + " --manual").output;
    const std::string completion = run_command(tool + " --completion").output;
    for (const std::string& command : commands()) {
        EXPECT_NE(page.find(".SS coldbrick " + command), std::string::npos) << command;
        const std::set<std::string> options = options_in(help_of(command));
        EXPECT_TRUE(options.contains("--help")) << command;
        const std::size_t line = completion.find("        " + command + ") ");
        ASSERT_NE(line, std::string::npos) << command;
        const std::string completed = completion.substr(line, completion.find('\n', line) - line);
        for (const std::string& option : options) {
            std::string in_page;
            for (const char c : option) in_page += c == '-' ? "\\-" : std::string(1, c);
            EXPECT_NE(page.find(in_page), std::string::npos) << command << ' ' << option;
            EXPECT_NE(completed.find(option), std::string::npos) << command << ' ' << option;
        }
    }
    const TemporaryFolder folder;
    write_file(folder.file("completion"), completion);
    write_file(folder.file("quay.brick"), "");
    const std::pair<const char*, const char*> rows[] = {
        {"(coldbrick che)", "check\n"},
        {"(coldbrick grid --pa)", "--part --paper\n"},
        {"(coldbrick draw qu)", "quay.brick\n"},
    };
    for (const auto& [words, wanted] : rows)
        EXPECT_EQ(
            run_command("cd " + folder.path().string() +
                        " && bash -c 'source ./completion; COMP_WORDS=" + words +
                        "; COMP_CWORD=$((${#COMP_WORDS[@]} - 1)); _coldbrick; echo \"${COMPREPLY[@]}\"'")
                .output,
            wanted);
}

// What an installed tool teaches of its language.
TEST(Help, TellsWhatCommandsAndWordsOfSheetsMean) {
    EXPECT_EQ(run_command(tool + " help").output, run_command(tool + " --help").output);
    EXPECT_EQ(run_command(tool + " help draw").output, help_of("draw"));
    const std::pair<const char*, const char*> rows[] = {
        {"circle", "  circle at PLACE radius NUMBER\n      the circle about a pixel's centre\n"},
        {"circle", "Examples:\n  circle at ("},
        {"sheet", "  sheet WIDTH x HEIGHT on COLOUR\n"},
        {"sheet", "  ... smooth, seed NUMBER\n"},
        {"dashes", "  ... dashes NUMBER, NUMBER, ...\n"},
        {"ring_of", "  ring_of(centre, radius, count, from)\n"},
        {"colours", "In sheets:\n  colour\n      #rgb"},
    };
    for (const auto& [word, text] : rows)
        EXPECT_NE(run_command(tool + " help " + word).output.find(text), std::string::npos) << word;
    const Finished manual = run_command(tool + " --sheet-manual | man -l --warnings - | cat");
    EXPECT_EQ(manual.errors, "");
    EXPECT_NE(manual.output.find("ring_of(centre, radius, count, from)"), std::string::npos);
}

TEST(Help, ASlipIsAnsweredWithTheNearestWord) {
    const std::pair<const char*, const char*> rows[] = {
        {"chekc a", "\"chekc\" is no command; did you mean \"check\"?"},
        {"draw a.brick -o a.png --fram 3", "coldbrick draw has no option --fram; did you mean \"--frame\"?\n"
                                           "coldbrick draw --help tells what is possible.\n"},
        {"draw --ouptut=a.png a.brick", "coldbrick draw has no option --ouptut; did you mean \"--output\"?"},
        {"sweep a --ovr r=1,2", "did you mean \"--over\"?"},
        {"--versoin", "coldbrick has no option --versoin; did you mean \"--version\"?"},
        {"draw a.brick b.brick -o a.png",
         "\"b.brick\" is one word too many; the file that is written follows -o"},
        {"", "no command is given\n"},
        {"draw", "SHEET is missing\n"},
        {"draw a.brick -o", "--output has no value after it"},
        {"colours --seed 3", "--seed means nothing without --distinct\n"},
        {"grid a.png --paper a4 -o a.png", "INPUT and --paper exclude each other\n"},
        {"render a.brick",
         "\"render\" is no command; there is coldbrick draw: Draw a sheet into an image file\n"},
        {"convert a.png", "coldbrick recast: "},
        {"compare a.png b.png", "coldbrick differ: "},
        {"show a.png", "coldbrick look: "},
        {"resize a.png", "coldbrick recast: "},
        {"fonts", "coldbrick faces: "},
        {"draw --out a.png a.brick", "coldbrick draw has no option --out\n"},
        {"help nonsense", "\"nonsense\" is neither a command nor a word of sheets"},
        {"recast a.png --size 100 -o b.png",
         "--size: \"100\" is not of the form WIDTHxHEIGHT, such as 100x50"},
    };
    for (const auto& [arguments, message] : rows) {
        const Finished finished = run_command(tool + " " + arguments);
        EXPECT_EQ(finished.status, 2) << arguments;
        EXPECT_EQ(finished.output, "");
        EXPECT_NE(finished.errors.find(message), std::string::npos) << arguments << '\n' << finished.errors;
    }
}

} // namespace coldbrick::test
