#include "sheet/language/shape_parser.hpp"

#include "base/contract.hpp"

#include <memory>
#include <utility>

namespace coldbrick::sheet {

ShapeForm ShapeParser::form(Word word) {
    switch (word) {
    case Word::dots: return DotsForm{expressions_.list()};
    case Word::line: return line_form();
    case Word::path: return path_or_text();
    case Word::arc: return arc_form(ArcForm::Kind::arc);
    case Word::box: return box_form();
    case Word::circle: return circle_form();
    case Word::ellipse: return EllipseForm{oval_form(false)};
    case Word::sector: return arc_form(ArcForm::Kind::sector);
    case Word::segment: return arc_form(ArcForm::Kind::segment);
    case Word::polygon: return polygon_form();
    case Word::star: return regular_form(Word::tips, true);
    default: base::contract_broken("each shape has its rule", __FILE_NAME__, __LINE__);
    }
}

std::unique_ptr<PlacingWords> ShapeParser::placing() {
    constexpr std::pair<Word, PlacingWords::Side> sides[] = {{Word::with, PlacingWords::Side::none},
                                                             {Word::above, PlacingWords::Side::above},
                                                             {Word::below, PlacingWords::Side::below},
                                                             {Word::left_of, PlacingWords::Side::left_of},
                                                             {Word::right_of, PlacingWords::Side::right_of}};
    for (const auto& [word, side] : sides) {
        if (cursor_.next().word != word) continue;
        auto result = std::make_unique<PlacingWords>();
        result->location = cursor_.take().location;
        result->side = side;
        if (side == PlacingWords::Side::none) {
            result->anchor = cursor_.choice<Anchor>(anchors);
            cursor_.expect(Word::at);
        }
        result->to = expressions_.expression();
        if (side != PlacingWords::Side::none) result->gap = expressions_.after(Word::gap);
        return result;
    }
    return nullptr;
}

LineForm ShapeParser::line_form() {
    LineForm result;
    result.from = expressions_.expression();
    cursor_.expect(Word::to);
    result.to = expressions_.expression();
    return result;
}

Frame ShapeParser::frame() {
    Frame result;
    result.corner = expressions_.expression();
    if (cursor_.take(Word::to)) {
        result.opposite = expressions_.expression();
        return result;
    }
    if (cursor_.take(Word::size)) {
        result.size = expressions_.size();
        return result;
    }
    const auto* const constant = std::get_if<Constant>(&result.corner->form);
    if (std::holds_alternative<PointLiteral>(result.corner->form) ||
        (constant != nullptr && std::holds_alternative<Position>(constant->value)))
        cursor_.fail_expecting("\"to\" and the opposite corner, or \"size\" and width x height");
    return result; // a box
}

BoxForm ShapeParser::box_form() {
    BoxForm result{frame(), nullptr};
    if (cursor_.take(Word::rounded)) result.radius = expressions_.expression();
    return result;
}

OvalForm ShapeParser::oval_form(bool may_be_circle) {
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
            SizeWords radii = expressions_.width_and_height();
            result.across = std::move(radii.width);
            result.down = std::move(radii.height);
        }
    }
    result.turn = expressions_.after(Word::turned);
    return result;
}

ArcForm ShapeParser::arc_form(ArcForm::Kind kind) {
    ArcForm result{kind, oval_form(true), nullptr, nullptr};
    cursor_.expect(Word::from);
    result.start = expressions_.expression();
    cursor_.expect(Word::sweep);
    result.sweep = expressions_.expression();
    return result;
}

CircleForm ShapeParser::circle_form() {
    CircleForm result;
    cursor_.expect(Word::at);
    result.centre = expressions_.expression();
    cursor_.expect(Word::radius);
    result.radius = expressions_.expression();
    return result;
}

ShapeForm ShapeParser::path_or_text() {
    if (cursor_.next().kind != Token::Kind::text) return path_form();
    const Token text = cursor_.take();
    PathTextForm result{unquoted(text), text.location, nullptr};
    result.at = expressions_.after(Word::at);
    return result;
}

PathForm ShapeParser::path_form() {
    PathForm result;
    do result.contours.push_back(contour_words());
    while (cursor_.take(Word::ring));
    result.closed = cursor_.take(Word::closed);
    return result;
}

ContourWords ShapeParser::contour_words() {
    ContourWords result{expressions_.list(), {}};
    while (cursor_.next().word == Word::curve || cursor_.next().word == Word::around)
        result.curves.push_back(curve_words());
    return result;
}

CurveWords ShapeParser::curve_words() {
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

ShapeForm ShapeParser::polygon_form() {
    if (cursor_.next().word == Word::at) {
        return regular_form(Word::corners, false);
    }
    PolygonForm result;
    do result.rings.push_back(expressions_.list());
    while (cursor_.take(Word::ring));
    return result;
}

RegularForm ShapeParser::regular_form(Word count_word, bool is_star) {
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
