#include "sheet/language/shape_parser.hpp"

#include "base/contract.hpp"
#include "sheet/language/place_parser.hpp"

#include <memory>
#include <utility>

namespace coldbrick::sheet {

ShapeForm ShapeParser::form(Word word) {
    // Of a shape before, which a fault may have ended.
    is_placed_ = false;
    point_ = nullptr;
    placing_.reset();
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

namespace {

ExpressionPtr origin(const Location& location) {
    return ExpressionPtr(new Expression{location, Constant{Position{}}});
}

} // namespace

/// The point that the form itself has at "at". With an anchor, or beside something, that is the origin, from
/// which the whole shape is moved.
ExpressionPtr ShapeParser::place() {
    is_placed_ = true;
    const Location location = cursor_.next().location;
    PlaceWords words = place_after_at(cursor_, expressions_);
    if (words.beside) {
        placing_ = std::move(words.beside);
        return origin(location);
    }
    point_ = words.point.get();
    take_anchor();
    return std::move(words.point);
}

/// Makes the form's own point what its anchor lies on.
void ShapeParser::take_anchor() {
    if (point_ == nullptr || placing_ || cursor_.next().word != Word::anchor) return;
    placing_ = std::make_unique<PlacingWords>();
    placing_->location = cursor_.take().location;
    placing_->anchor = cursor_.choice<Anchor>(anchors);
    // The expression of its own stays where the form has it.
    placing_->to = origin(point_->location);
    std::swap(placing_->to->form, point_->form);
}

std::unique_ptr<PlacingWords> ShapeParser::placing() {
    ExpressionPtr point;
    if (!is_placed_ && cursor_.take(Word::at)) point = place();
    take_anchor();
    if (point && !placing_) {
        placing_ = std::make_unique<PlacingWords>();
        placing_->location = point->location;
        placing_->anchor = Anchor::top_left;
        placing_->to = std::move(point);
    }
    return std::move(placing_);
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
    if (cursor_.take(Word::at)) {
        result.corner = place();
        if (!cursor_.take(Word::size)) cursor_.fail_expecting("\"size\" and width x height");
        result.size = expressions_.size();
        return result;
    }
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
        result.centre = place();
        if (cursor_.take(Word::size)) {
            result.frame.size = expressions_.size();
        } else if (may_be_circle && cursor_.take(Word::radius)) {
            result.radius = expressions_.expression();
        } else {
            if (!cursor_.take(Word::radii))
                cursor_.fail_expecting(may_be_circle ? "\"radius\", \"radii\" or \"size\""
                                                     : "\"radii\" or \"size\"");
            result.radii = expressions_.size();
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
    result.centre = place();
    if (cursor_.take(Word::diameter)) {
        result.diameter = expressions_.expression();
    } else {
        if (!cursor_.take(Word::radius)) cursor_.fail_expecting("\"radius\" or \"diameter\"");
        result.radius = expressions_.expression();
    }
    return result;
}

ShapeForm ShapeParser::path_or_text() {
    if (cursor_.next().kind != Token::Kind::text) return path_form();
    const Token text = cursor_.take();
    PathTextForm result{unquoted(text), text.location, nullptr};
    if (cursor_.take(Word::at)) result.at = place();
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
    result.centre = place();
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
