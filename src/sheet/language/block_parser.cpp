#include "base/shown_text.hpp"
#include "sheet/language/included_files.hpp"
#include "sheet/language/statement_parser.hpp"

#include <cstdint>
#include <string>
#include <utility>

// Statements with blocks. Those whose first line has a fault are read to their end all the same.

namespace coldbrick::sheet {

namespace {

/// Opens a block of names, and closes it however it is left.
class NameBlock {
  public:
    explicit NameBlock(Scopes& names) : names_(names) { names_.open_block(); }
    NameBlock(const NameBlock&) = delete;
    NameBlock& operator=(const NameBlock&) = delete;
    ~NameBlock() { names_.close_block(); }

  private:
    Scopes& names_;
};

} // namespace

Block StatementParser::inner_block(const Location& opened_by) {
    constexpr int deepest = 100;
    block_follows_ = false;
    if (depth_ == deepest)
        fail(opened_by, fmt::format("blocks are more than {} deep within each other", deepest));
    const NameBlock names(sheet_.names);
    Block result;
    ++depth_;
    try {
        read_block(result, &opened_by);
    } catch (const SheetError&) {
        --depth_;
        throw;
    }
    --depth_;
    return result;
}

/// The end of a block that has no other parts.
void StatementParser::take_end() {
    if (cursor_.next().word == Word::else_) fail_unknown_statement();
    cursor_.take();
    cursor_.expect_end();
}

void StatementParser::if_statement(Block& statements, Keys& keys, const Location& location) {
    auto result = std::make_unique<IfStatement>();
    std::uint64_t its_key = 0;
    while (true) {
        IfStatement::Branch branch;
        const bool is_first = result->branches.empty();
        const bool has_condition = is_first || cursor_.second().word == Word::if_;
        if (!is_first) cursor_.take(); // else
        if (has_condition) {
            cursor_.take();
            branch.condition = expressions_.expression();
        }
        cursor_.expect_end();
        if (is_first) its_key = key(keys);
        branch.block = inner_block(location);
        result->branches.push_back(std::move(branch));
        if (cursor_.next().word == Word::end) break;
        if (!has_condition) fail(cursor_.next().location, "an \"else\" came before already");
        expressions_.begin_statement();
    }
    cursor_.take();
    cursor_.expect_end();
    push(statements, location, its_key, std::move(result));
}

void StatementParser::repeat_statement(Block& statements, Keys& keys, const Location& location) {
    cursor_.take();
    auto result = std::make_unique<RepeatStatement>();
    const NameBlock names(sheet_.names);
    const bool has_name = cursor_.second().kind == Token::Kind::word;
    if (has_name) {
        const Token name = cursor_.name();
        if (cursor_.take(Word::from)) {
            result->count = expressions_.expression();
            cursor_.expect(Word::to);
            result->last = expressions_.expression();
            result->step = expressions_.after(Word::by);
        } else {
            if (!cursor_.take(Word::in))
                cursor_.fail_expecting("\"from\" and a number, or \"in\" and a list");
            result->count = expressions_.expression();
        }
        result->slot = sheet_.names.declare(name.text, name.location);
    } else {
        result->count = expressions_.expression();
    }
    cursor_.expect_end();
    const std::uint64_t its_key = key(keys);
    result->block = inner_block(location);
    take_end();
    push(statements, location, its_key, std::move(result));
}

void StatementParser::motif_statement(const Location& location) {
    cursor_.take();
    expect_top(location, "a motif");
    const Token name = cursor_.name();
    if (const auto present = sheet_.motifs.find(name.text); present != sheet_.motifs.end())
        fail(name.location, fmt::format("the motif {} is defined already, in line {}",
                                        base::in_quotes(name.text), present->second->location.line()));
    Motif& motif = sheet_.program.motifs.emplace_back();
    motif.name = name.text;
    motif.location = name.location;
    sheet_.motifs.emplace(motif.name, &motif);
    sheet_.names.open_motif();
    try {
        if (cursor_.take_symbol('(')) motif_parameters(motif);
        cursor_.expect_end();
        block_follows_ = false;
        read_block(motif.block, &location);
    } catch (const SheetError&) {
        sheet_.names.close_motif();
        throw;
    }
    motif.size = sheet_.names.close_motif();
    take_end();
}

/// PARAMETER [= VALUE], ... )
void StatementParser::motif_parameters(Motif& motif) {
    if (cursor_.take_symbol(')')) return;
    do {
        const Token name = cursor_.name();
        ExpressionPtr value = cursor_.take_symbol('=') ? expressions_.expression() : nullptr;
        const Slot slot = sheet_.names.declare(name.text, name.location);
        motif.parameters.push_back({std::string(name.text), slot, std::move(value)});
    } while (cursor_.take_symbol(','));
    cursor_.expect_symbol(')');
}

void StatementParser::layer_statement(Block& statements, Keys& keys, const Location& location) {
    cursor_.take();
    auto result = std::make_unique<LayerStatement>();
    WordsBefore before;
    while (!cursor_.at_end())
        if (!styles_.take_blending(result->blending, before))
            cursor_.fail_expecting(words_of(StyleParser::blending_table()));
    const std::uint64_t its_key = key(keys);
    result->block = inner_block(location);
    take_end();
    push(statements, location, its_key, std::move(result));
}

void StatementParser::clip_statement(Block& statements, Keys& keys, const Location& location) {
    cursor_.take();
    auto result = std::make_unique<ClipStatement>();
    if (begins_shape(cursor_.next().word)) {
        const Word word = cursor_.take().word;
        result->shape = shapes_.form(word);
        result->placing = shapes_.placing();
    } else {
        result->value = expressions_.expression();
    }
    cursor_.expect_end();
    const std::uint64_t its_key = key(keys);
    result->block = inner_block(location);
    take_end();
    push(statements, location, its_key, std::move(result));
}

void StatementParser::include_statement(Block& statements, const Location& location) {
    cursor_.take();
    expect_top(location, "an included sheet");
    const FileName file = styles_.file("the sheet's file");
    cursor_.expect_end();
    const OwnSource& source = included(file, sheet_);
    StatementParser(source.source, sheet_).read_all(statements);
    sheet_.open_files.pop_back();
}

} // namespace coldbrick::sheet
