/// @file
/// A sheet's text becomes statements.
#pragma once

#include "sheet/language/expression_parser.hpp"
#include "sheet/language/faults.hpp"
#include "sheet/language/program.hpp"
#include "sheet/language/shape_parser.hpp"
#include "sheet/language/source.hpp"
#include "sheet/language/style_parser.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/language/text_parser.hpp"
#include "sheet/language/token_cursor.hpp"

#include <coldbrick/sheet.hpp>

#include <cstdint>
#include <map>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::sheet {

/// What the parsers of a sheet and of those that it includes have in common.
struct ParsedSheet {
    const SheetReading& reading;
    Program& program;
    Scopes& names;
    Faults& faults;
    std::map<std::string, Motif*, std::less<>> motifs;
    std::vector<std::string> open_files; ///< that include each other
    int included = 0;                    ///< how many files
    bool has_frames = false;
};

/// Reads statements by recursive descent: one function a rule, each called with the rule's first word taken
/// or next.
class StatementParser {
  public:
    /// @param source,sheet outlive the statements
    StatementParser(const Source& source, ParsedSheet& sheet)
        : cursor_(source), sheet_(sheet), expressions_(cursor_, sheet.names) {}
    StatementParser(const StatementParser&) = delete;
    StatementParser& operator=(const StatementParser&) = delete;
    ~StatementParser() = default;

    /// Adds all statements of the source. Faults are noted, and what follows them is read on.
    void read_all(Block& statements);

  private:
    /// How often statements of the same words were in a block before.
    using Keys = std::map<std::uint64_t, std::uint64_t>;

    void read_block(Block& statements, const Location* opened_by);
    void read_statement(Block& statements, Keys& keys);
    void read_or_skip(Block& statements, Keys& keys);
    void note(const SheetError& fault);
    void skip_fault(const Location& location);
    void skip_block(const Location& location);
    Block inner_block(const Location& opened_by);
    void take_end();
    void add(Block& statements, const Location& location, Keys& keys, StatementForm form);
    void push(Block& statements, const Location& location, std::uint64_t key, StatementForm form);
    std::uint64_t key(Keys& keys);
    [[noreturn]] void fail_unknown_statement() const;

    StatementForm plain_statement();
    std::unique_ptr<SheetStatement> sheet_statement();
    std::unique_ptr<FramesStatement> frames_statement(const Location& location);
    std::unique_ptr<LetStatement> let_statement();
    std::unique_ptr<PaletteStatement> palette_statement();
    std::unique_ptr<StyleStatement> style_statement();
    std::unique_ptr<ImageStatement> image_statement();
    void image_words(ImageStatement& image, WordsBefore& before);
    void place_words(PlaceStatement& place);
    std::unique_ptr<TextStatement> text_statement();
    std::unique_ptr<ShapeStatement> shape_statement(Word word);
    std::unique_ptr<PlaceStatement> place_statement();
    void place_arguments(PlaceStatement& place);
    std::unique_ptr<DataStatement> data_statement();
    std::unique_ptr<NameGiven> name_given();

    void if_statement(Block& statements, Keys& keys, const Location& location);
    void repeat_statement(Block& statements, Keys& keys, const Location& location);
    void motif_statement(const Location& location);
    void motif_parameters(Motif& motif);
    void layer_statement(Block& statements, Keys& keys, const Location& location);
    void clip_statement(Block& statements, Keys& keys, const Location& location);
    void include_statement(Block& statements, const Location& location);
    void expect_top(const Location& location, std::string_view what) const;

    TokenCursor cursor_;
    ParsedSheet& sheet_;
    ExpressionParser expressions_;
    StyleParser styles_{cursor_, expressions_};
    TextParser texts_{cursor_, expressions_, styles_};
    ShapeParser shapes_{cursor_, expressions_};
    int depth_ = 0;              ///< of blocks within each other
    bool block_follows_ = false; ///< the statement's block has not been read
    bool quiet_ = false;         ///< faults are not told
};

} // namespace coldbrick::sheet
