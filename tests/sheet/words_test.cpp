// The table of words, which the parser, its messages and the manual are held to.

#include "sheet/words.hpp"
#include "support/errors.hpp"
#include "support/files.hpp"

#include <coldbrick/sheet.hpp>

#include <gtest/gtest.h>

#include <regex>
#include <set>

namespace coldbrick::sheet {

namespace {

std::set<std::string> words_in_code_spans(const std::string& manual) {
    std::set<std::string> found;
    const std::regex span("`([^`]*)`");
    const std::regex word("[a-z_]+");
    for (std::sregex_iterator code(manual.begin(), manual.end(), span), end; code != end; ++code) {
        const std::string text = (*code)[1];
        for (std::sregex_iterator one(text.begin(), text.end(), word); one != end; ++one)
            found.insert(one->str());
    }
    return found;
}

} // namespace

TEST(Words, EachIsFoundByItsTextExplainedInTheManualAndNoName) {
    const std::string manual = test::read_file(std::string(COLDBRICK_SOURCE_FOLDER) + "/docs/sheets.md");
    const std::set<std::string> explained = words_in_code_spans(manual);
    for (const std::string_view text : word_texts) {
        EXPECT_EQ(text_of(word_of(text)), text);
        EXPECT_TRUE(explained.contains(std::string(text))) << text;
        const std::string sheet = "let " + std::string(text) + " = 1";
        EXPECT_THROW((void)read_sheet(sheet, "quay.brick"), SheetError) << text;
    }
    for (const auto& mode : modes) EXPECT_TRUE(explained.contains(std::string(mode.word))) << mode.word;
    for (const auto& anchor : anchors)
        EXPECT_TRUE(explained.contains(std::string(anchor.word))) << anchor.word;
    for (const std::string_view stranger : {"", "quay", "Fill", "fil", "filll"})
        EXPECT_EQ(word_of(stranger), Word::none) << stranger;
}

TEST(Words, ThoseThatBeginAStatementDoAndOthersGoOnWithTheOneBefore) {
    for (const std::string_view text : word_texts) {
        std::string message;
        try {
            (void)read_sheet("let a = 1\n" + std::string(text), "quay.brick");
        } catch (const SheetError& error) {
            message = error.what();
        }
        const bool goes_on =
            message.find("expected the end of the line, found \"" + std::string(text)) != message.npos;
        EXPECT_EQ(goes_on, continues_statement(word_of(text))) << message;
        EXPECT_EQ(message.find("expected a statement"), message.npos) << message;
    }
}

} // namespace coldbrick::sheet
