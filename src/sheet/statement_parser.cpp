#include "sheet/statement_parser.hpp"

#include "base/contract.hpp"
#include "base/nearest_word.hpp"

#include <string>
#include <utility>

namespace coldbrick::sheet {

std::optional<Statement> StatementParser::next() {
    while (cursor_.next().kind == Token::Kind::end_of_line) cursor_.take();
    if (cursor_.next().kind == Token::Kind::end_of_sheet) return std::nullopt;
    const Location location = cursor_.next().location;
    Statement result{location, statement_form()};
    cursor_.expect_end();
    return result;
}

/// The rule of each word that begins a statement.
StatementForm StatementParser::statement_form() {
    if (cursor_.next().word >= Word::on) fail_unknown_statement();
    switch (cursor_.take().word) {
    case Word::sheet: return sheet_statement();
    case Word::frames: return frames_statement();
    case Word::let: return let_statement();
    case Word::palette: return palette_statement();
    case Word::image: return image_statement();
    case Word::text: return texts_.statement();
    case Word::dots: return styled(DotsForm{expressions_.list()});
    case Word::line: return styled(line_form());
    case Word::path: return path_statement();
    case Word::arc: return styled(arc_form(ArcForm::Kind::arc));
    case Word::box: return styled(box_form());
    case Word::circle: return styled(circle_form());
    case Word::ellipse: return styled(EllipseForm{oval_form(false)});
    case Word::sector: return styled(arc_form(ArcForm::Kind::sector));
    case Word::segment: return styled(arc_form(ArcForm::Kind::segment));
    case Word::polygon: return styled(polygon_form());
    case Word::star: return styled(regular_form(Word::tips, true));
    default: base::contract_broken("each statement has its rule", __FILE_NAME__, __LINE__);
    }
}

ShapeStatement StatementParser::styled(ShapeForm form) {
    ShapeStatement result{std::move(form), std::nullopt, std::nullopt};
    styles_.style(result);
    return result;
}

void StatementParser::fail_unknown_statement() const {
    const bool is_word = cursor_.next().kind == Token::Kind::word;
    const std::string guess = is_word ? base::did_you_mean(cursor_.next().text, statement_texts()) : "";
    cursor_.fail_expecting(fmt::format("a statement ({})", TokenCursor::joined(statement_texts())), guess);
}

SheetStatement StatementParser::sheet_statement() {
    SheetStatement result;
    expressions_.width_and_height(result.width, result.height);
    if (cursor_.take(Word::on)) result.ground = expressions_.expression();
    if (cursor_.take(Word::smooth)) result.edges = Edges::smooth;
    return result;
}

FramesStatement StatementParser::frames_statement() {
    FramesStatement result;
    result.count = expressions_.expression();
    result.rate = expressions_.after(Word::rate);
    return result;
}

LetStatement StatementParser::let_statement() {
    const Token defined = cursor_.name();
    cursor_.expect_symbol('=');
    return {std::string(defined.text), defined.location, expressions_.expression()};
}

PaletteStatement StatementParser::palette_statement() {
    const Token defined = cursor_.name();
    PaletteStatement result{std::string(defined.text), defined.location, {}};
    do {
        const Token entry = cursor_.name();
        result.entries.push_back({std::string(entry.text), expressions_.expression()});
    } while (cursor_.take_symbol(','));
    return result;
}

ImageStatement StatementParser::image_statement() {
    const Token file = cursor_.quoted("the image's file");
    ImageStatement result;
    result.file = unquoted(file);
    result.file_location = file.location;
    cursor_.expect(Word::at);
    result.at = expressions_.expression();
    WordsBefore before;
    while (!cursor_.at_end()) image_words(result, before);
    return result;
}

void StatementParser::image_words(ImageStatement& image, WordsBefore& before) {
    if (cursor_.take_once(before, Word::anchor)) {
        image.anchor = cursor_.choice<Anchor>(anchors);
    } else if (cursor_.take_once(before, Word::size)) {
        expressions_.width_and_height(image.width, image.height);
    } else if (cursor_.take_once(before, Word::contain, "way to fit the size")) {
        image.fit = Fit::contain;
    } else if (cursor_.take_once(before, Word::cover, "way to fit the size")) {
        image.fit = Fit::cover;
    } else if (cursor_.take_once(before, Word::mirrored)) {
        image.mirrored = true;
    } else if (cursor_.take_once(before, Word::turned)) {
        image.turn = expressions_.expression();
    } else if (cursor_.take_once(before, Word::key)) {
        image.key = expressions_.expression();
    } else if (!styles_.take_blending(image.blending, before)) {
        cursor_.fail_expecting({Word::anchor, Word::size, Word::contain, Word::cover, Word::mirrored,
                                Word::turned, Word::key, Word::opacity, Word::blend});
    }
}

LineForm StatementParser::line_form() {
    LineForm result;
    result.from = expressions_.expression();
    cursor_.expect(Word::to);
    result.to = expressions_.expression();
    return result;
}

Frame StatementParser::frame() {
    Frame result;
    result.corner = expressions_.expression();
    if (cursor_.take(Word::to)) {
        result.opposite = expressions_.expression();
        return result;
    }
    if (!cursor_.take(Word::size))
        cursor_.fail_expecting("\"to\" and the opposite corner, or \"size\" and width x height");
    expressions_.width_and_height(result.width, result.height);
    return result;
}

BoxForm StatementParser::box_form() {
    BoxForm result{frame(), nullptr};
    if (cursor_.take(Word::rounded)) result.radius = expressions_.expression();
    return result;
}

OvalForm StatementParser::oval_form(bool may_be_circle) {
    OvalForm result;
    if (!cursor_.take(Word::at)) {
        result.frame = frame();
    } else {
        result.centre = expressions_.expression();
        if (may_be_circle && cursor_.take(Word::radius)) {
            result.across = expressions_.expression();
        } else {
            if (!cursor_.take(Word::radii))
                cursor_.fail_expecting(may_be_circle ? "\"radius\" or \"radii\"" : "\"radii\"");
            expressions_.width_and_height(result.across, result.down);
        }
    }
    result.turn = expressions_.after(Word::turned);
    return result;
}

ArcForm StatementParser::arc_form(ArcForm::Kind kind) {
    ArcForm result{kind, oval_form(true), nullptr, nullptr};
    cursor_.expect(Word::from);
    result.start = expressions_.expression();
    cursor_.expect(Word::sweep);
    result.sweep = expressions_.expression();
    return result;
}

CircleForm StatementParser::circle_form() {
    CircleForm result;
    cursor_.expect(Word::at);
    result.centre = expressions_.expression();
    cursor_.expect(Word::radius);
    result.radius = expressions_.expression();
    return result;
}

ShapeStatement StatementParser::path_statement() {
    if (cursor_.next().kind != Token::Kind::text) return styled(path_form());
    const Token text = cursor_.take();
    PathTextForm result{unquoted(text), text.location, nullptr};
    result.at = expressions_.after(Word::at);
    return styled(std::move(result));
}

PathForm StatementParser::path_form() {
    PathForm result;
    do result.contours.push_back(contour_words());
    while (cursor_.take(Word::ring));
    result.closed = cursor_.take(Word::closed);
    return result;
}

ContourWords StatementParser::contour_words() {
    ContourWords result{expressions_.list(), {}};
    while (cursor_.next().word == Word::curve || cursor_.next().word == Word::around)
        result.curves.push_back(curve_words());
    return result;
}

CurveWords StatementParser::curve_words() {
    CurveWords result;
    result.location = cursor_.next().location;
    if (cursor_.take(Word::curve)) {
        result.controls = expressions_.list();
        if (result.controls.size() > 2) fail(result.location, "a curve has one or two control points");
        cursor_.expect(Word::to);
        result.points = expressions_.list();
        result.end = std::move(result.points.front());
        result.points.erase(result.points.begin());
        return result;
    }
    cursor_.expect(Word::around);
    result.centre = expressions_.expression();
    cursor_.expect(Word::sweep);
    result.sweep = expressions_.expression();
    if (cursor_.take(Word::to)) result.points = expressions_.list();
    return result;
}

ShapeForm StatementParser::polygon_form() {
    if (cursor_.next().word == Word::at) {
        return regular_form(Word::corners, false);
    }
    PolygonForm result;
    do result.rings.push_back(expressions_.list());
    while (cursor_.take(Word::ring));
    return result;
}

RegularForm StatementParser::regular_form(Word count_word, bool is_star) {
    RegularForm result;
    cursor_.expect(Word::at);
    result.centre = expressions_.expression();
    cursor_.expect(Word::radius);
    result.radius = expressions_.expression();
    if (is_star) {
        cursor_.expect(Word::notch);
        result.notch = expressions_.expression();
    }
    cursor_.expect(count_word);
    result.count = expressions_.expression();
    result.turn = expressions_.after(Word::turned);
    return result;
}

} // namespace coldbrick::sheet
