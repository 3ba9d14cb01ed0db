// The table of words, which the parser, its messages and the manual are held to.

#include "sheet/language/words.hpp"
#include "sheet/running/functions.hpp"
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
    const std::string highlighted = test::read_file(std::string(COLDBRICK_SOURCE_FOLDER) +
                                                    "/docs/editor/coldbrick-sheet.tmLanguage.json");
    const auto is_highlighted = [&](std::string_view text) {
        return std::regex_search(highlighted, std::regex("[(|]" + std::string(text) + "[|)]"));
    };
    for (const std::string_view name : function_names()) {
        EXPECT_TRUE(explained.contains(std::string(name))) << name;
        EXPECT_TRUE(is_highlighted(name)) << name;
    }
    for (const std::string_view text : word_texts) {
        EXPECT_TRUE(is_highlighted(text)) << text;
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
            (void)read_sheet("include \"marks.brick\"\n" + std::string(text), "quay.brick");
        } catch (const SheetError& error) {
            message = error.what();
        }
        if (word_of(text) == Word::end || word_of(text) == Word::else_) {
            EXPECT_NE(message.find("there is no block that this"), message.npos) << message;
            continue;
        }
        const bool goes_on =
            message.find("expected the end of the line, found \"" + std::string(text)) != message.npos;
        EXPECT_EQ(goes_on, continues_statement(word_of(text))) << message;
        EXPECT_EQ(message.find("expected a statement"), message.npos) << message;
    }
}

} // namespace coldbrick::sheet
