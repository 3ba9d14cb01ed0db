#include "image/drawing/style_checks.hpp"
#include "sheet/running/evaluator.hpp"
#include "sheet/running/interpreter.hpp"
#include "sheet/running/shape_values.hpp"
#include "sheet/running/style_values.hpp"
#include "sheet/running/text_values.hpp"

#include "base/shared_state.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/path_of.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/text.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <initializer_list>
#include <optional>
#include <string>
#include <utility>

namespace coldbrick::sheet {

namespace {

/// Throws SheetError at the place if the shape cannot have the style.
template <class Style>
void check_suits(const Location& place, const Shape& shape, const Style& style) {
    at_place(place,
             [&] { std::visit([&style]<class S>(const S&) { image::check_suits<S>(style); }, shape); });
}

/// The distances above 0 with their sides.
std::string sides(std::initializer_list<std::pair<std::int64_t, const char*>> distances) {
    std::string result;
    for (const auto& [pixels, side] : distances) {
        if (pixels <= 0) continue;
        if (!result.empty()) result += " and ";
        result += fmt::format("{} pixel{} {}", pixels, pixels == 1 ? "" : "s", side);
    }
    return result;
}

/// Where a fault in a place is told.
const Location& location_of(const PlaceWords& words) {
    return words.point ? words.point->location : words.beside->location;
}

Box bounds_of(const Shape& shape) {
    return std::visit([](const auto& one) { return one.bounds(); }, shape);
}

/// The bounds of what an item paints.
Box painted_bounds(const Drawing::StyledShape& item) {
    return std::visit(
        [&item]<class S>(const S& shape) {
            Box result;
            if constexpr (ClosedShape<S>)
                if (item.fill) result = bounds(shape, *item.fill);
            return item.stroke ? result.united(bounds(shape, *item.stroke)) : result;
        },
        item.shape);
}

/// How far a box lies outside of the sheet: "12 pixels to its right and 3 above it".
std::string way_outside(const Box& box, const Size& size) {
    return sides({{1 - box.end_x(), "to its left"},
                  {box.x - size.width + 1, "to its right"},
                  {1 - box.end_y(), "above it"},
                  {box.y - size.height + 1, "below it"}});
}

/// How far a box goes on beyond the sheet's edges.
std::string way_beyond(const Box& box, const Size& size) {
    return sides({{-box.x, "to the left"},
                  {box.end_x() - size.width, "to the right"},
                  {-box.y, "above"},
                  {box.end_y() - size.height, "below"}});
}

} // namespace

void Interpreter::carry_out(const Location& location, const ImageStatement& statement) {
    check_has_size(location);
    Overlay options;
    options.blending = blending_of(statement.blending, context_);
    const int turned = quarters(statement.turn);
    options.orientation = {statement.mirrored, turned};
    if (context_.placing.map)
        fail(location, "an image cannot be drawn by a motif that is turned, scaled or mirrored");
    if (statement.key) options.key = colour_value(*statement.key, context_);
    Shared<Image> image = files_.image(statement.file);
    if (statement.size)
        image = resized(*image, size_value(statement.size, context_, 1),
                        {.fit = statement.fit, .most_bytes = files_.image_bytes_left()});
    files_.take_image_bytes(bytes_of(*image));
    std::optional<Bitmap> mask;
    if (statement.mask) {
        mask = files_.mask(*statement.mask, image->size());
        options.mask = &*mask;
    }
    const Size laid = options.orientation.laid(image->size());
    options.hot_spot = Box{0, 0, laid.width, laid.height}.at(statement.anchor);
    const Position place =
        place_of(statement.at, {-std::int64_t{options.hot_spot.x}, -std::int64_t{options.hot_spot.y},
                                laid.width, laid.height});
    const Point at = pixel(location_of(statement.at), context_.placing(place));
    const Box bounds{std::int64_t{at.x} - options.hot_spot.x, std::int64_t{at.y} - options.hot_spot.y,
                     laid.width, laid.height};
    if (statement.named) give_name(*statement.named, bounds, std::nullopt);
    warn_if_outside(location, bounds);
    add(location, std::move(image), at, options);
}

void Interpreter::give_name(const NameGiven& name, const Box& bounds, std::optional<Shape> shape) {
    context_.set(name.slot, base::share<DrawnItem>(
                                DrawnItem{own_bounds(bounds), std::move(shape), context_.placing.offset}));
}

/// How far to move what has these bounds so that it comes to lie where the words say: whole pixels, so that
/// it stays what it is.
Position Interpreter::way_to(const PlacingWords& words, const RealBox& bounds) const {
    using Side = PlacingWords::Side;
    Position from = bounds.at(words.anchor);
    Position to;
    if (words.side == Side::none) {
        to = position(*words.to, context_);
    } else {
        const RealBox box = box_value(*words.to, context_);
        const double way = 1 + (words.gap ? number(*words.gap, context_, "gap") : 0);
        const bool is_level = words.side == Side::left_of || words.side == Side::right_of;
        const double end = words.side == Side::above || words.side == Side::left_of ? 0 : 1;
        const double share_x = is_level ? end : 0.5;
        const double share_y = is_level ? 0.5 : end;
        from = bounds.at(is_level ? 1 - end : 0.5, is_level ? 0.5 : 1 - end);
        to = box.at(share_x, share_y);
        (is_level ? to.x : to.y) += end == 0 ? -way : way;
    }
    return {std::floor(to.x - from.x + 0.5), std::floor(to.y - from.y + 0.5)};
}

/// The bounds without what the motif has moved them by.
RealBox Interpreter::own_bounds(const Box& bounds) const {
    RealBox result = RealBox::of(bounds);
    result.x -= context_.placing.offset.x;
    result.y -= context_.placing.offset.y;
    return result;
}

/// The shape where its placing puts it.
Shape Interpreter::placed_shape(const ShapeForm& form, const PlacingWords* placing, bool exact) {
    Shape shape = shape_of(form, context_, exact);
    if (placing == nullptr) return shape;
    const Position way = way_to(*placing, own_bounds(bounds_of(shape)));
    const Position offset = context_.placing.offset;
    context_.placing.offset = {offset.x + way.x, offset.y + way.y};
    shape = shape_of(form, context_, exact);
    context_.placing.offset = offset;
    return shape;
}

/// Where the point of what has such bounds about the origin comes to lie.
Position Interpreter::place_of(const PlaceWords& words, const Box& bounds_at_origin) const {
    return words.point ? position(*words.point, context_)
                       : way_to(*words.beside, RealBox::of(bounds_at_origin));
}

void Interpreter::carry_out(const Location& location, const ShapeStatement& statement) {
    check_has_size(location);
    ShapeStyle style = shape_style_of(statement.style, context_, edges_);
    const bool exact =
        style.fill || !style.stroke || style.stroke->edges == Edges::smooth || context_.placing.map;
    Shape shape = placed_shape(statement.form, statement.placing.get(), exact);
    if (statement.named)
        give_name(*statement.named, bounds_of(shape),
                  context_.placing.map ? std::nullopt : std::optional(shape));
    if (!style.fill && !style.stroke) return;
    if (context_.placing.map)
        shape = std::visit([&]<class S>(const S& one) -> Shape { return mapped(one, *context_.placing.map); },
                           shape);
    const auto place_of = [&](const auto& words) {
        return words ? words->location : statement.style.base->location;
    };
    if (style.fill) check_suits(place_of(statement.style.fill), shape, *style.fill);
    if (style.stroke) check_suits(place_of(statement.style.stroke), shape, *style.stroke);
    Drawing::StyledShape item{std::move(shape), std::move(style.fill), std::move(style.stroke)};
    if (reading_.warns) warn_of_shape(location, statement.form, item);
    add(location, std::move(item));
}

void Interpreter::carry_out(const Location& location, const TextStatement& statement) {
    check_has_size(location);
    const LetterStyle own = letter_style_of(statement.words, context_);
    if (!own.has_paint) fail(location, "the text has no fill");
    const Location& place = statement.text->location;
    const LetterStyle style = at_place(place, [&] { return placed(own, context_.placing); });
    std::string words = text_value(*statement.text, context_);
    context_.take_steps(words.size(), place);
    const Text text = at_place(place, [&] {
        const Box about_origin = statement.at.beside ? Text(words, {0, 0}, own.style).bounds() : Box();
        const Position at = place_of(statement.at, about_origin);
        return Text(words, pixel(location_of(statement.at), context_.placing(at)), style.style);
    });
    const Box bounds = text.bounds();
    if (statement.named) give_name(*statement.named, bounds, std::nullopt);
    warn_if_outside(location, bounds);
    warn_if_cut(location, bounds);
    const Box seen = bounds.intersection(Box::of(*context_.size));
    const std::size_t left = files_.image_bytes_left();
    drawing_->set_tag(tag_);
    at_place(place, [&] { coldbrick::add(*drawing_, text, style.paint, Box::of(*context_.size), left); });
    files_.take_image_bytes(static_cast<std::size_t>(seen.width) * static_cast<std::size_t>(seen.height));
}

void Interpreter::draw_group(const Block& block, const Drawing::GroupStyle& style) {
    Drawing group;
    Drawing* const outer = std::exchange(drawing_, &group);
    try {
        in_chance_of(0, [&] { carry_out_block(block); });
    } catch (...) {
        drawing_ = outer;
        throw;
    }
    drawing_ = outer;
    drawing_->set_tag(tag_);
    drawing_->add(Shared<Drawing>(std::move(group)), style);
}

void Interpreter::carry_out(const Location& location, const LayerStatement& statement) {
    check_has_size(location);
    draw_group(statement.block, {.layer = blending_of(statement.blending, context_)});
}

/// The pixels of a shape or box, as far as they lie on the sheet.
Region Interpreter::clip_of(const ClipStatement& statement) {
    const Box within = Box::of(*context_.size);
    const auto pixels = [&](const Shape& shape) {
        if (!context_.placing.map) return pixels_of(shape, within);
        return std::visit(
            [&](const auto& one) { return pixels_of(mapped(one, *context_.placing.map), within); }, shape);
    };
    if (statement.shape) return pixels(placed_shape(*statement.shape, statement.placing.get(), true));
    const Value value = evaluate(*statement.value, context_);
    if (const auto* const drawn = std::get_if<Drawn>(&value); drawn != nullptr && (*drawn)->shape) {
        const Position way = context_.placing.moved({-(*drawn)->offset.x, -(*drawn)->offset.y});
        if (way == Position{} || context_.placing.map) return pixels(*(*drawn)->shape);
        const Point moved = pixel(statement.value->location, way);
        const Box here{-std::int64_t{moved.x}, -std::int64_t{moved.y}, within.width, within.height};
        return pixels_of(*(*drawn)->shape, here).moved(moved.x, moved.y);
    }
    const RealBox box = box_value(*statement.value, context_);
    const Position corner = context_.placing.moved({box.x, box.y});
    return pixels(whole_box(statement.value->location, {corner.x, corner.y, box.width, box.height}));
}

void Interpreter::carry_out(const Location& location, const ClipStatement& statement) {
    check_has_size(location);
    context_.take_steps(static_cast<std::size_t>(context_.size->height), location);
    draw_group(statement.block, {.clip = Shared<Region>(clip_of(statement))});
}

int Interpreter::quarters(const ExpressionPtr& turn) const {
    if (!turn) return 0;
    const double degrees = number(*turn, context_, "turn");
    if (std::fmod(degrees, 90) != 0 || std::abs(degrees) > 36000)
        fail(turn->location, fmt::format("an image is turned by quarters, not by {} degrees", degrees));
    return static_cast<int>(degrees / 90);
}

void Interpreter::warn_if_outside(const Location& location, const Box& bounds) {
    if (!reading_.warns || bounds.empty() || !bounds.intersection(Box::of(*context_.size)).empty()) return;
    warn_once(SheetWarning::Kind::outside, location,
              fmt::format("this lies outside the sheet, {}: columns {} to {}, rows {} to {}",
                          way_outside(bounds, *context_.size), bounds.x, bounds.end_x() - 1, bounds.y,
                          bounds.end_y() - 1));
}

void Interpreter::warn_if_cut(const Location& location, const Box& bounds) {
    const Box seen = bounds.intersection(Box::of(*context_.size));
    if (!reading_.warns || seen.empty() || seen == bounds) return;
    warn_once(
        SheetWarning::Kind::cut_text, location,
        fmt::format("the sheet's edge cuts the text off: it goes on {}", way_beyond(bounds, *context_.size)));
}

void Interpreter::warn_of_corner(const Frame& frame) {
    if (!frame.opposite || context_.placing.map) return;
    const Point corner = pixel(*frame.corner, context_);
    const Point opposite = pixel(*frame.opposite, context_);
    if (opposite.x >= corner.x || opposite.y >= corner.y) return;
    warn_once(
        SheetWarning::Kind::corner, frame.opposite->location,
        fmt::format("the opposite corner ({}, {}) lies above and to the left of the corner ({}, {}): was "
                    "`size {} x {}` meant?",
                    opposite.x, opposite.y, corner.x, corner.y, opposite.x, opposite.y));
}

void Interpreter::warn_of_shape(const Location& location, const ShapeForm& form,
                                const Drawing::StyledShape& item) {
    // The bounds with the style are dear: they are asked for only where those of the shape lie outside.
    const Box sheet = Box::of(*context_.size);
    if (bounds_of(item.shape).intersection(sheet).empty()) warn_if_outside(location, painted_bounds(item));
    if (const auto* const box = std::get_if<BoxForm>(&form)) warn_of_corner(box->frame);
    if (const auto* const ellipse = std::get_if<EllipseForm>(&form)) warn_of_corner(ellipse->oval.frame);
    if (const auto* const arc = std::get_if<ArcForm>(&form)) warn_of_corner(arc->oval.frame);
    const auto* const circle = std::get_if<Circle>(&item.shape);
    if (circle != nullptr && circle->radius > std::max(sheet.width, sheet.height))
        warn_once(
            SheetWarning::Kind::radius, location,
            fmt::format("the radius {} is more than the sheet's {} x {} pixels: was it the diameter, or {}?",
                        circle->radius, sheet.width, sheet.height, circle->radius / 2));
}

} // namespace coldbrick::sheet
