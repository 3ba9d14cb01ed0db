#include "sheet/parser.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"
#include "sheet/statement_tokens.hpp"
#include "sheet/words.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <array>
#include <charconv>
#include <iterator>
#include <optional>
#include <span>
#include <utility>

namespace coldbrick::sheet {

namespace {

/// A parser by recursive descent: one function a rule, each called with the rule's first word next.
class Parser {
  public:
    explicit Parser(const Source& source) : tokens_(source) {}

    /// True if there is another statement.
    bool goes_on() {
        while (next().kind == Token::Kind::end_of_line) take();
        return next().kind != Token::Kind::end_of_sheet;
    }

    Statement statement() {
        const Location location = next().location;
        if (take_word("sheet")) return ended({location, sheet_statement()});
        if (take_word("let")) return ended({location, let_statement()});
        if (take_word("palette")) return ended({location, palette_statement()});
        if (take_word("image")) return ended({location, image_statement()});
        return ended({location, shape_statement()});
    }

    ExpressionPtr lone_expression() {
        ExpressionPtr result = expression();
        expect_end();
        return result;
    }

  private:
    /// Deeper and longer than anyone writes, but far from the end of the stack.
    static constexpr int max_depth = 200;
    static constexpr int max_operations = 2000;

    [[nodiscard]] const Token& next() const { return tokens_.next(); }

    Token take() { return tokens_.take(); }

    /// The next token, as messages tell it.
    [[nodiscard]] std::string found() const {
        if (next().ends_statement()) return "the end of the line";
        return next().kind == Token::Kind::text ? base::shown(next().text) : base::in_quotes(next().text);
    }
    [[noreturn]] void fail_expecting(std::string_view what) const {
        fail(next().location, fmt::format("expected {}, found {}", what, found()));
    }

    bool take_word(std::string_view word) {
        if (!next().is_word(word)) return false;
        take();
        return true;
    }

    /// Takes a word that may stand in any order with others, but once.
    /// @param subject what it tells, if other words tell the same
    bool take_once(WordsBefore& before, std::string_view word, std::string_view subject = {}) {
        if (!next().is_word(word)) return false;
        before.note(next(), subject.empty() ? word : subject);
        take();
        return true;
    }
    void expect_word(std::string_view word) {
        if (!take_word(word)) fail_expecting(fmt::format("\"{}\"", word));
    }

    bool take_symbol(char symbol) {
        if (!next().is_symbol(symbol)) return false;
        take();
        return true;
    }

    void expect_symbol(char symbol) {
        if (!take_symbol(symbol)) fail_expecting(fmt::format("\"{}\"", symbol));
    }

    void expect_end() {
        if (!next().ends_statement()) fail_expecting("the end of the line");
    }

    Statement ended(Statement statement) {
        expect_end();
        return statement;
    }

    SheetStatement sheet_statement() {
        SheetStatement result;
        result.width = expression();
        expect_word("x");
        result.height = expression();
        if (take_word("on")) result.ground = expression();
        return result;
    }

    /// A word that has no meaning of its own.
    Token name() {
        if (next().kind != Token::Kind::word) fail_expecting("a name");
        if (is_reserved(next().text))
            fail(next().location, fmt::format("{} has a meaning of its own and cannot be a name",
                                              base::in_quotes(next().text)));
        return take();
    }

    LetStatement let_statement() {
        const Token defined = name();
        expect_symbol('=');
        return {std::string(defined.text), defined.location, expression()};
    }

    PaletteStatement palette_statement() {
        const Token defined = name();
        PaletteStatement result{std::string(defined.text), defined.location, {}};
        do {
            const Token entry = name();
            result.entries.push_back({std::string(entry.text), expression()});
        } while (take_symbol(','));
        return result;
    }

    ImageStatement image_statement() {
        if (next().kind != Token::Kind::text) fail_expecting("the image's file between double quotes");
        const Token file = take();
        ImageStatement result;
        result.file = file.text.substr(1, file.text.size() - 2);
        result.file_location = file.location;
        expect_word("at");
        result.at = expression();
        WordsBefore before;
        while (!next().ends_statement()) image_words(result, before);
        return result;
    }

    void image_words(ImageStatement& image, WordsBefore& before) {
        if (take_once(before, "anchor")) {
            image.anchor = choice<Anchor>(anchors);
        } else if (take_once(before, "size")) {
            image.width = expression();
            expect_word("x");
            image.height = expression();
        } else if (take_once(before, "inside", "way to fit the size")) {
            image.fit = Fit::inside;
        } else if (take_once(before, "cover", "way to fit the size")) {
            image.fit = Fit::cover;
        } else if (take_once(before, "mirrored")) {
            image.mirrored = true;
        } else if (take_once(before, "turned")) {
            image.turn = expression();
        } else if (take_once(before, "key")) {
            image.key = expression();
        } else if (!blending_words(image.blending, before)) {
            fail_expecting(
                "anchor, size, inside, cover, mirrored, turned, key, opacity, blend or the end of the "
                "line");
        }
    }

    ShapeStatement shape_statement() {
        ShapeStatement result;
        if (take_word("dots"))
            result.form = DotsForm{expressions()};
        else if (take_word("line"))
            result.form = line_form();
        else if (take_word("path"))
            result.form = path_form();
        else if (take_word("arc"))
            result.form = arc_form(ArcForm::Kind::arc);
        else if (take_word("box"))
            result.form = box_form();
        else if (take_word("circle"))
            result.form = circle_form();
        else if (take_word("ellipse"))
            result.form = EllipseForm{oval_form(false)};
        else if (take_word("sector"))
            result.form = arc_form(ArcForm::Kind::sector);
        else if (take_word("segment"))
            result.form = arc_form(ArcForm::Kind::segment);
        else if (take_word("polygon"))
            polygon_form(result);
        else if (take_word("star"))
            result.form = regular_form("tips", true);
        else
            fail_unknown_statement();
        style(result);
        return result;
    }

    [[noreturn]] void fail_unknown_statement() const {
        const std::string_view meant = next().kind == Token::Kind::word
                                           ? base::nearest_word(next().text, first_words)
                                           : std::string_view();
        const std::string hint = meant.empty() ? "" : fmt::format("; did you mean \"{}\"?", meant);
        fail(next().location, fmt::format("expected a statement ({}), found {}{}",
                                          fmt::join(first_words, ", "), found(), hint));
    }

    LineForm line_form() {
        LineForm result;
        result.from = expression();
        expect_word("to");
        result.to = expression();
        return result;
    }

    Frame frame() {
        Frame result;
        result.corner = expression();
        if (take_word("to")) {
            result.opposite = expression();
            return result;
        }
        if (!take_word("size"))
            fail_expecting("\"to\" and the opposite corner, or \"size\" and width x height");
        result.width = expression();
        expect_word("x");
        result.height = expression();
        return result;
    }

    BoxForm box_form() {
        BoxForm result{frame(), nullptr};
        if (take_word("rounded")) result.radius = expression();
        return result;
    }

    OvalForm oval_form(bool may_be_circle) {
        OvalForm result;
        if (!take_word("at")) {
            result.frame = frame();
        } else {
            result.centre = expression();
            if (may_be_circle && take_word("radius")) {
                result.across = expression();
            } else {
                if (!take_word("radii"))
                    fail_expecting(may_be_circle ? "\"radius\" or \"radii\"" : "\"radii\"");
                result.across = expression();
                expect_word("x");
                result.down = expression();
            }
        }
        result.turn = optional("turned");
        return result;
    }

    /// The value after a word that may be left out.
    ExpressionPtr optional(std::string_view word) { return take_word(word) ? expression() : nullptr; }

    ArcForm arc_form(ArcForm::Kind kind) {
        ArcForm result{kind, oval_form(true), nullptr, nullptr};
        expect_word("from");
        result.start = expression();
        expect_word("sweep");
        result.sweep = expression();
        return result;
    }

    CircleForm circle_form() {
        CircleForm result;
        expect_word("at");
        result.centre = expression();
        expect_word("radius");
        result.radius = expression();
        return result;
    }

    std::vector<ExpressionPtr> expressions() {
        std::vector<ExpressionPtr> result;
        do result.push_back(expression());
        while (take_symbol(','));
        return result;
    }

    PathForm path_form() {
        PathForm result;
        result.points = expressions();
        result.closed = take_word("closed");
        return result;
    }

    void polygon_form(ShapeStatement& shape) {
        if (next().is_word("at")) {
            shape.form = regular_form("corners", false);
            return;
        }
        PolygonForm result;
        do result.rings.push_back(expressions());
        while (take_word("ring"));
        shape.form = std::move(result);
    }

    RegularForm regular_form(std::string_view count_word, bool is_star) {
        RegularForm result;
        expect_word("at");
        result.centre = expression();
        expect_word("radius");
        result.radius = expression();
        if (is_star) {
            expect_word("notch");
            result.notch = expression();
        }
        expect_word(count_word);
        result.count = expression();
        result.turn = optional("turned");
        return result;
    }

    void style(ShapeStatement& shape) {
        while (!next().ends_statement()) {
            const Location location = next().location;
            if (take_word("fill")) {
                if (shape.fill) fail(location, "this shape has a fill already");
                shape.fill = fill_words(location);
            } else if (take_word("stroke")) {
                if (shape.stroke) fail(location, "this shape has a stroke already");
                shape.stroke = stroke_words(location);
            } else {
                fail_expecting("\"fill\", \"stroke\" or the end of the line");
            }
        }
        if (!shape.fill && !shape.stroke) fail_expecting("\"fill\" or \"stroke\"");
    }

    PaintWords paint_words() {
        if (take_word("along")) {
            AlongWords result;
            result.from = expression();
            expect_word("to");
            result.to = expression();
            result.stops = stops();
            return result;
        }
        if (take_word("around")) {
            AroundWords result;
            result.centre = expression();
            expect_word("radius");
            result.radius = expression();
            result.stops = stops();
            return result;
        }
        if (take_word("hatch")) return hatch_words();
        return lone_operand();
    }

    std::vector<StopWords> stops() {
        std::vector<StopWords> result;
        do {
            ExpressionPtr colour = lone_operand();
            result.push_back({std::move(colour), optional("at")});
        } while (take_symbol(','));
        return result;
    }

    HatchWords hatch_words() {
        HatchWords result{choice<Hatch::Direction>(directions), lone_operand(), nullptr, nullptr, nullptr};
        WordsBefore before;
        while (true) {
            if (take_once(before, "spacing"))
                result.spacing = expression();
            else if (take_once(before, "wide"))
                result.width = expression();
            else if (take_once(before, "on"))
                result.ground = lone_operand();
            else
                return result;
        }
    }

    /// Takes a word of blending, if there is one.
    bool blending_words(BlendingWords& blending, WordsBefore& before) {
        if (take_once(before, "opacity"))
            blending.opacity = expression();
        else if (take_once(before, "blend"))
            blending.mode = choice<BlendMode>(modes);
        else
            return false;
        return true;
    }

    FillWords fill_words(const Location& location) {
        FillWords result{location, paint_words()};
        WordsBefore before;
        while (true) {
            if (take_once(before, "nonzero"))
                result.rule = FillRule::non_zero;
            else if (take_once(before, "tiling"))
                result.edge = FillEdge::tiling;
            else if (!blending_words(result.blending, before))
                return result;
        }
    }

    StrokeWords stroke_words(const Location& location) {
        StrokeWords result;
        result.location = location;
        result.paint = paint_words();
        const bool reserved = next().kind == Token::Kind::word && is_reserved(next().text);
        if (!next().ends_statement() && !reserved) result.width = expression();
        WordsBefore before;
        while (true) {
            if (take_once(before, "cap"))
                result.cap = choice<Cap>(caps);
            else if (take_once(before, "join"))
                result.join = choice<Join>(joins);
            else if (take_once(before, "limit"))
                result.limit = expression();
            else if (take_once(before, "inside", "side of the edge"))
                result.alignment = Alignment::inside;
            else if (take_once(before, "outside", "side of the edge"))
                result.alignment = Alignment::outside;
            else if (take_once(before, "dashes"))
                result.dashes = expressions();
            else if (take_once(before, "offset"))
                result.offset = expression();
            else if (!blending_words(result.blending, before))
                return result;
        }
    }

    /// Takes one of the words and gives its value.
    template <class Value>
    Value choice(std::span<const Choice<Value>> choices) {
        for (const Choice<Value>& known : choices)
            if (take_word(known.word)) return known.value;
        std::vector<std::string_view> words;
        for (const Choice<Value>& known : choices) words.push_back(known.word);
        fail_expecting(fmt::format("one of {}", fmt::join(words, ", ")));
    }

    template <class Form>
    ExpressionPtr make(const Location& location, Form form) {
        if (++operations_ > max_operations) fail(location, "this expression is too long");
        return std::make_unique<Expression>(Expression{location, std::move(form)});
    }

    /// Sums: the operations that bind least.
    ExpressionPtr expression() {
        if (depth_ == 0) operations_ = 0;
        if (++depth_ > max_depth) fail(next().location, "this expression is nested too deep");
        ExpressionPtr result = product();
        while (next().is_symbol('+') || next().is_symbol('-')) {
            const Token sign = take();
            result = make(sign.location, BinaryOperation{sign.text[0], std::move(result), product()});
        }
        --depth_;
        return result;
    }

    ExpressionPtr product() {
        ExpressionPtr result = signed_operand();
        while (next().is_symbol('*') || next().is_symbol('/')) {
            const Token sign = take();
            result = make(sign.location, BinaryOperation{sign.text[0], std::move(result), signed_operand()});
        }
        return result;
    }

    ExpressionPtr signed_operand() {
        // Counted, not recursive: a line of minus signs must not use up the stack.
        std::vector<Location> signs;
        while (next().is_symbol('-')) signs.push_back(take().location);
        ExpressionPtr result = operand();
        if (signs.size() % 2 == 1) result = make(signs.back(), Negation{std::move(result)});
        return result;
    }

    /// An operand that stands alone, outside of sums and products.
    ExpressionPtr lone_operand() {
        if (depth_ == 0) operations_ = 0;
        return operand();
    }

    ExpressionPtr operand() {
        ExpressionPtr result = bare_operand();
        while (next().is_symbol('.')) {
            const Token dot = take();
            if (next().kind != Token::Kind::word)
                fail_expecting("\"x\", \"y\" or a palette's name of a colour");
            result = make(dot.location, Member{std::move(result), std::string(take().text)});
        }
        return result;
    }

    ExpressionPtr bare_operand() {
        const Token token = next();
        switch (token.kind) {
        case Token::Kind::number: return make(take().location, NumberLiteral{number(token)});
        case Token::Kind::colour: return make(take().location, ColourLiteral{colour_of(token)});
        case Token::Kind::word:
            if (is_reserved(token.text)) break;
            if (std::ranges::find(functions, token.text, &Function::name) != std::end(functions) &&
                tokens_.second().is_symbol('('))
                return call();
            return make(take().location, Name{std::string(token.text)});
        case Token::Kind::symbol:
            if (token.is_symbol('(')) return parenthesised();
            break;
        default: break;
        }
        fail_expecting("a number, a point, a colour or a name");
    }

    /// FUNCTION ( VALUE , VALUE , ... )
    ExpressionPtr call() {
        const Token function = take();
        expect_symbol('(');
        Call result{std::string(function.text), expressions()};
        expect_symbol(')');
        return make(function.location, std::move(result));
    }

    /// ( VALUE ) or ( X , Y )
    ExpressionPtr parenthesised() {
        const Token open = take();
        ExpressionPtr first = expression();
        if (take_symbol(',')) {
            ExpressionPtr second = expression();
            first = make(open.location, PointLiteral{std::move(first), std::move(second)});
        }
        expect_symbol(')');
        return first;
    }

    static double number(const Token& token) {
        constexpr std::size_t exact_digits = 15; // a double's
        if (token.text.size() <= exact_digits && token.text.find('.') == std::string_view::npos) {
            std::int64_t whole = 0;
            for (const char digit : token.text) whole = 10 * whole + (digit - '0');
            return static_cast<double>(whole);
        }
        double value = 0;
        const char* const end = token.text.data() + token.text.size();
        const auto [stopped, error] = std::from_chars(token.text.data(), end, value);
        if (error != std::errc() || stopped != end)
            fail(token.location, fmt::format("{} is too large a number", base::shown(token.text)));
        return value;
    }

    static Colour colour_of(const Token& token) {
        try {
            return colour(token.text);
        } catch (const ArgumentError& error) {
            fail(token.location, error.what());
        }
    }

    StatementTokens tokens_;
    int depth_ = 0;      ///< of expressions within each other
    int operations_ = 0; ///< in the outermost expression so far
};

} // namespace

void read_statements(const Source& source, const std::function<void(const Statement&)>& carry_out) {
    Parser parser(source);
    while (parser.goes_on()) carry_out(parser.statement());
}

ExpressionPtr parse_expression(const Source& source) {
    return Parser(source).lone_expression();
}

} // namespace coldbrick::sheet
