#include "sheet/language/statement_parser.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"
#include "sheet/language/included_files.hpp"
#include "sheet/language/place_parser.hpp"
#include "sheet/running/random_bits.hpp"

#include <algorithm>
#include <array>
#include <span>
#include <utility>

namespace coldbrick::sheet {

namespace {

bool opens_block(Word word) {
    return word == Word::if_ || word == Word::repeat || word == Word::motif || word == Word::layer ||
           word == Word::clip;
}

} // namespace

void StatementParser::read_all(Block& statements) {
    read_block(statements, nullptr);
}

/// Up to the end of the source or, if a statement opened the block, to the word that closes it.
void StatementParser::read_block(Block& statements, const Location* opened_by) {
    Keys keys;
    while (true) {
        try {
            while (cursor_.next().kind == Token::Kind::end_of_line) cursor_.take();
        } catch (const FaultAt& fault) { // a token that is none
            note(fault);
            skip_fault(fault.place());
            continue;
        }
        const Token& next = cursor_.next();
        if (next.kind == Token::Kind::end_of_sheet) {
            if (opened_by != nullptr) fail(*opened_by, "this block does not end: an \"end\" is missing");
            return;
        }
        if (opened_by != nullptr && (next.word == Word::end || next.word == Word::else_)) return;
        read_or_skip(statements, keys);
    }
}

void StatementParser::note(const SheetError& fault) {
    if (!quiet_) sheet_.faults.add(fault.what());
}

void StatementParser::read_or_skip(Block& statements, Keys& keys) {
    const Location location = cursor_.next().location;
    try {
        read_statement(statements, keys);
    } catch (const FaultAt& fault) {
        note(fault);
        const bool has_block = std::exchange(block_follows_, false);
        skip_fault(location);
        if (has_block) skip_block(location);
    }
}

/// Goes on behind a fault in the statement that begins at a place; what is no token there is one, too.
void StatementParser::skip_fault(const Location& location) {
    Location place = location;
    while (true) {
        try {
            return cursor_.skip_statement(place.offset);
        } catch (const FaultAt& fault) {
            note(fault);
            place.offset = std::max(place.offset, fault.place().offset);
        }
    }
}

/// Goes on behind the block of a statement whose first line has a fault. What else is wrong in it may follow
/// from that, and is not told.
void StatementParser::skip_block(const Location& location) {
    const bool before = std::exchange(quiet_, true);
    try {
        Block nothing;
        while (true) {
            read_block(nothing, &location);
            if (cursor_.next().word == Word::end) break;
            skip_fault(cursor_.next().location);
        }
        cursor_.take();
    } catch (const FaultAt& fault) { // the sheet ends before
        quiet_ = before;
        note(fault);
    }
    quiet_ = before;
}

void StatementParser::read_statement(Block& statements, Keys& keys) {
    const Token first = cursor_.next();
    if (first.word >= Word::else_) fail_unknown_statement();
    block_follows_ = opens_block(first.word);
    expressions_.begin_statement();
    cursor_.take_structure();
    switch (first.word) {
    case Word::if_: return if_statement(statements, keys, first.location);
    case Word::repeat: return repeat_statement(statements, keys, first.location);
    case Word::motif: return motif_statement(first.location);
    case Word::layer: return layer_statement(statements, keys, first.location);
    case Word::clip: return clip_statement(statements, keys, first.location);
    case Word::include: return include_statement(statements, first.location);
    default: break;
    }
    StatementForm form = plain_statement();
    cursor_.expect_end();
    add(statements, first.location, keys, std::move(form));
}

/// The rule of each word that begins a statement without a block.
StatementForm StatementParser::plain_statement() {
    const Token first = cursor_.take();
    switch (first.word) {
    case Word::sheet: return sheet_statement();
    case Word::frames: return frames_statement(first.location);
    case Word::let: return let_statement();
    case Word::palette: return palette_statement();
    case Word::style: return style_statement();
    case Word::image: return image_statement();
    case Word::text: return text_statement();
    case Word::place: return place_statement();
    case Word::data: return data_statement();
    default: return shape_statement(first.word);
    }
}

namespace {

StatementNote::Kind kind_of(const StatementForm& form) {
    using Kind = StatementNote::Kind;
    if (std::holds_alternative<std::unique_ptr<TextStatement>>(form)) return Kind::text;
    if (std::holds_alternative<std::unique_ptr<ImageStatement>>(form)) return Kind::image;
    if (std::holds_alternative<std::unique_ptr<LayerStatement>>(form)) return Kind::layer;
    const auto* const shape = std::get_if<std::unique_ptr<ShapeStatement>>(&form);
    return shape != nullptr && (*shape)->style.draws() ? Kind::shape : Kind::other;
}

} // namespace

void StatementParser::add(Block& statements, const Location& location, Keys& keys, StatementForm form) {
    push(statements, location, key(keys), std::move(form));
}

void StatementParser::push(Block& statements, const Location& location, std::uint64_t key,
                           StatementForm form) {
    std::vector<StatementNote>& notes = sheet_.program.notes;
    notes.push_back({location, kind_of(form)});
    statements.push_back({location, static_cast<std::uint32_t>(notes.size() - 1), key, std::move(form)});
}

/// What chance knows a statement by: its words, whatever numbers, colours and texts stand among them, and how
/// many of the same words come before it in its block.
std::uint64_t StatementParser::key(Keys& keys) {
    const std::uint64_t words = cursor_.take_structure();
    return mixed_bits(words, keys[words]++);
}

void StatementParser::fail_unknown_statement() const {
    if (cursor_.next().word == Word::end || cursor_.next().word == Word::else_)
        fail(cursor_.next().location,
             fmt::format("there is no block that this \"{}\" belongs to", cursor_.next().text));
    const Token& next = cursor_.next();
    const bool is_word = next.kind == Token::Kind::word;
    if (is_word && cursor_.second().is_symbol('='))
        fail(next.location, fmt::format("a value has its name by let: let {} = ...", next.text));
    const bool is_dashes = next.is_symbol('-') && cursor_.second().is_symbol('-');
    if (next.kind == Token::Kind::colour || is_dashes || next.is_symbol('/'))
        fail(next.location, "a comment begins with //");
    TokenCursor::fail_for_other_notation(next);
    const std::string guess = is_word ? base::did_you_mean(cursor_.next().text, statement_texts()) : "";
    cursor_.fail_expecting(fmt::format("a statement ({})", TokenCursor::joined(statement_texts())), guess);
}

void StatementParser::expect_top(const Location& location, std::string_view what) const {
    if (!sheet_.names.at_top())
        fail(location, fmt::format("{} stands outside of all blocks and motifs", what));
}

std::unique_ptr<SheetStatement> StatementParser::sheet_statement() {
    using Action = WordAction<StatementParser, SheetStatement>;
    static constexpr std::array table{
        Action{Word::on,
               [](StatementParser& p, SheetStatement& sheet) { sheet.ground = p.expressions_.expression(); }},
        Action{Word::smooth, [](StatementParser&, SheetStatement& sheet) { sheet.edges = Edges::smooth; }},
        Action{Word::seed,
               [](StatementParser& p, SheetStatement& sheet) { sheet.seed = p.expressions_.expression(); }}};
    auto result = std::make_unique<SheetStatement>();
    if (cursor_.take(Word::from))
        result->picture = styles_.file("the file of the sheet's picture");
    else
        result->size = expressions_.size();
    WordsBefore before;
    while (!cursor_.at_end())
        if (!cursor_.take_one(before, std::span<const Action>(table), *this, *result))
            cursor_.fail_expecting(words_of(table));
    return result;
}

std::unique_ptr<FramesStatement> StatementParser::frames_statement(const Location& location) {
    if (std::exchange(sheet_.has_frames, true)) fail(location, "the sheet has its frames already");
    auto result = std::make_unique<FramesStatement>();
    result->count = expressions_.expression();
    result->rate = expressions_.after(Word::rate);
    expect_top(location, "the number of frames");
    for (const auto& [name, slot] : {std::pair{"frame", &result->frame}, {"time", &result->time}}) {
        *slot = sheet_.names.declare(name, location);
        sheet_.names.use(name);
    }
    return result;
}

std::unique_ptr<LetStatement> StatementParser::let_statement() {
    const Token defined = cursor_.name();
    auto result = std::make_unique<LetStatement>();
    result->name = defined.text;
    result->name_location = defined.location;
    result->can_be_set = sheet_.names.at_top();
    try {
        cursor_.expect_symbol('=');
        result->value = expressions_.expression();
        if (cursor_.take(Word::from)) {
            result->low = expressions_.expression();
            cursor_.expect(Word::to);
            result->high = expressions_.expression();
            result->step = expressions_.after(Word::by);
        }
    } catch (const SheetError&) { // so that what uses the name is no fault as well
        sheet_.names.declare(defined.text, defined.location);
        throw;
    }
    result->slot = sheet_.names.declare(defined.text, defined.location);
    return result;
}

std::unique_ptr<PaletteStatement> StatementParser::palette_statement() {
    const Token defined = cursor_.name();
    auto result = std::make_unique<PaletteStatement>();
    result->name = defined.text;
    result->name_location = defined.location;
    do {
        const Token entry = cursor_.name();
        result->entries.push_back({std::string(entry.text), expressions_.expression()});
    } while (cursor_.take_symbol(','));
    result->slot = sheet_.names.declare(defined.text, defined.location);
    return result;
}

std::unique_ptr<StyleStatement> StatementParser::style_statement() {
    const Token defined = cursor_.name();
    auto result = std::make_unique<StyleStatement>();
    if (cursor_.take(Word::text)) {
        LetterWords words;
        WordsBefore before;
        while (!cursor_.at_end()) texts_.take_words(words, before);
        result->words = std::move(words);
    } else {
        StyleWords words;
        WordsBefore before;
        styles_.take_style(words, before);
        result->words = std::move(words);
    }
    result->slot = sheet_.names.declare(defined.text, defined.location);
    return result;
}

std::unique_ptr<ImageStatement> StatementParser::image_statement() {
    auto result = std::make_unique<ImageStatement>();
    result->file = styles_.file("the image's file");
    cursor_.expect(Word::at);
    result->at = place_after_at(cursor_, expressions_);
    WordsBefore before;
    while (!cursor_.at_end()) image_words(*result, before);
    return result;
}

void StatementParser::image_words(ImageStatement& image, WordsBefore& before) {
    using Action = WordAction<StatementParser, ImageStatement>;
    static constexpr std::string_view fit = "way to fit the size";
    static constexpr std::array table{
        Action{Word::anchor,
               [](StatementParser& p, ImageStatement& to) { to.anchor = p.cursor_.choice<Anchor>(anchors); }},
        Action{Word::size, [](StatementParser& p, ImageStatement& to) { to.size = p.expressions_.size(); }},
        Action{Word::contain, [](StatementParser&, ImageStatement& to) { to.fit = Fit::contain; }, fit},
        Action{Word::cover, [](StatementParser&, ImageStatement& to) { to.fit = Fit::cover; }, fit},
        Action{Word::mirrored, [](StatementParser&, ImageStatement& to) { to.mirrored = true; }},
        Action{Word::turned,
               [](StatementParser& p, ImageStatement& to) { to.turn = p.expressions_.expression(); }},
        Action{Word::key,
               [](StatementParser& p, ImageStatement& to) { to.key = p.expressions_.expression(); }},
        Action{Word::mask,
               [](StatementParser& p, ImageStatement& to) { to.mask = p.styles_.file("the mask's file"); }}};
    if (cursor_.next().word == Word::named) {
        image.named = name_given();
        return;
    }
    if (cursor_.take_one(before, std::span<const Action>(table), *this, image) ||
        styles_.take_blending(image.blending, before))
        return;
    std::vector<Word> words = words_of(table, StyleParser::blending_table());
    words.push_back(Word::named);
    cursor_.fail_expecting(words);
}

std::unique_ptr<TextStatement> StatementParser::text_statement() {
    auto result = std::make_unique<TextStatement>();
    result->text = expressions_.expression();
    cursor_.expect(Word::at);
    result->at = place_after_at(cursor_, expressions_);
    WordsBefore before;
    while (!cursor_.at_end())
        if (cursor_.next().word == Word::named)
            result->named = name_given();
        else
            texts_.take_words(result->words, before);
    if (!result->words.paint && !result->words.base)
        cursor_.fail_expecting("\"fill\" and the colour of the letters");
    return result;
}

std::unique_ptr<ShapeStatement> StatementParser::shape_statement(Word word) {
    auto result = std::make_unique<ShapeStatement>();
    result->form = shapes_.form(word);
    result->placing = shapes_.placing();
    WordsBefore before;
    StyleWords& style = result->style;
    styles_.take_style(style, before);
    if (cursor_.next().word == Word::named) result->named = name_given();
    styles_.take_style(style, before);
    if (!style.fill && !style.stroke && !style.base && !result->named)
        cursor_.fail_expecting("\"fill\" or \"stroke\"");
    return result;
}

/// named NAME
std::unique_ptr<NameGiven> StatementParser::name_given() {
    cursor_.expect(Word::named);
    const Token name = cursor_.name();
    return std::make_unique<NameGiven>(
        NameGiven{std::string(name.text), name.location, sheet_.names.declare(name.text, name.location)});
}

std::unique_ptr<DataStatement> StatementParser::data_statement() {
    const Token defined = cursor_.name();
    cursor_.expect(Word::from);
    auto result = std::make_unique<DataStatement>();
    result->file = styles_.file("the file of data");
    result->file.text = resolved(result->file, sheet_.open_files.back(), sheet_.reading.leaves_folder);
    result->slot = sheet_.names.declare(defined.text, defined.location);
    return result;
}

std::unique_ptr<PlaceStatement> StatementParser::place_statement() {
    if (cursor_.next().kind != Token::Kind::word) cursor_.fail_expecting("a motif's name");
    const Token name = cursor_.take();
    const auto found = sheet_.motifs.find(name.text);
    if (found == sheet_.motifs.end()) {
        std::vector<std::string_view> known;
        for (const auto& [motif, definition] : sheet_.motifs) known.emplace_back(motif);
        fail(name.location, fmt::format("there is no motif {} above{}", base::in_quotes(name.text),
                                        base::did_you_mean(name.text, known)));
    }
    cursor_.note(name.text);
    found->second->used = true;
    auto result = std::make_unique<PlaceStatement>();
    result->motif = found->second;
    result->arguments.resize(result->motif->parameters.size());
    if (cursor_.take_symbol('(')) place_arguments(*result);
    for (std::size_t i = 0; i < result->arguments.size(); ++i) {
        const Motif::Parameter& parameter = result->motif->parameters[i];
        if (!result->arguments[i] && !parameter.value)
            fail(name.location,
                 fmt::format("the motif's parameter {} is left out", base::in_quotes(parameter.name)));
    }
    place_words(*result);
    return result;
}

/// Where a motif is placed.
void StatementParser::place_words(PlaceStatement& place) {
    using Action = WordAction<StatementParser, PlaceStatement>;
    static constexpr std::array table{
        Action{Word::at, [](StatementParser& p, PlaceStatement& to) { to.at = p.expressions_.expression(); }},
        Action{Word::turned,
               [](StatementParser& p, PlaceStatement& to) { to.turn = p.expressions_.expression(); }},
        Action{Word::scaled,
               [](StatementParser& p, PlaceStatement& to) { to.scale = p.expressions_.expression(); }},
        Action{Word::mirrored, [](StatementParser&, PlaceStatement& to) { to.mirrored = true; }}};
    WordsBefore before;
    while (!cursor_.at_end())
        if (!cursor_.take_one(before, std::span<const Action>(table), *this, place))
            cursor_.fail_expecting(words_of(table));
}

/// VALUE, ..., PARAMETER = VALUE, ... )
void StatementParser::place_arguments(PlaceStatement& place) {
    const std::vector<Motif::Parameter>& parameters = place.motif->parameters;
    if (cursor_.take_symbol(')')) return;
    std::size_t next = 0;
    bool named = false;
    do {
        const Token first = cursor_.next();
        std::size_t at = next++;
        if (first.kind == Token::Kind::word && cursor_.second().is_symbol('=')) {
            named = true;
            at = static_cast<std::size_t>(std::ranges::find(parameters, first.text, &Motif::Parameter::name) -
                                          parameters.begin());
            if (at == parameters.size()) {
                std::vector<std::string_view> known;
                known.reserve(parameters.size());
                for (const Motif::Parameter& parameter : parameters) known.emplace_back(parameter.name);
                fail(first.location,
                     fmt::format("the motif has no parameter {}{}", base::in_quotes(first.text),
                                 base::did_you_mean(first.text, known)));
            }
            cursor_.take();
            cursor_.take();
        } else if (named) {
            fail(first.location, "values without a parameter's name come before those with one");
        }
        if (at >= parameters.size())
            fail(first.location, fmt::format("the motif has {} parameters only", parameters.size()));
        if (place.arguments[at])
            fail(first.location,
                 fmt::format("the parameter {} has a value already", base::in_quotes(parameters[at].name)));
        place.arguments[at] = expressions_.expression();
    } while (cursor_.take_symbol(','));
    cursor_.expect_symbol(')');
}

} // namespace coldbrick::sheet
