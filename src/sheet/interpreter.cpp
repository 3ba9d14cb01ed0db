#include "sheet/interpreter.hpp"

#include "base/shown_text.hpp"
#include "image/style_checks.hpp"
#include "sheet/evaluator.hpp"
#include "sheet/expression_parser.hpp"
#include "sheet/number_range.hpp"
#include "sheet/parameters.hpp"
#include "sheet/random_bits.hpp"
#include "sheet/shape_values.hpp"
#include "sheet/style_values.hpp"
#include "sheet/text_values.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/path_of.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/text.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <bit>
#include <cmath>
#include <numeric>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

/// Throws SheetError at the place if the shape cannot have the style.
template <class Style>
void check_suits(const Location& place, const Shape& shape, const Style& style) {
    at_place(place,
             [&] { std::visit([&style]<class S>(const S&) { image::check_suits<S>(style); }, shape); });
}

Box bounds_of(const Shape& shape) {
    return std::visit([](const auto& one) { return one.bounds(); }, shape);
}

} // namespace

Interpreter::Interpreter(const Program& program, const SheetReading& reading, LoadedFiles& kept)
    : program_(program), reading_(reading), files_(reading, kept) {
    context_.files = &files_;
    context_.steps_left = reading.limits.steps;
    context_.keep(program.size);
}

Sheet Interpreter::run() {
    for (const Setting& setting : reading_.settings) {
        const std::string title = fmt::format("setting {}", setting.name);
        const Source source{title, setting.value};
        try {
            settings_.insert_or_assign(setting.name, evaluate(*parse_expression(source), context_));
        } catch (const FaultAt& fault) { // whose source ends here
            throw SheetError(fault.what());
        }
    }
    for (const Statement& statement : program_.statements) run_apart(statement);
    const Source& source = program_.sources.front().source;
    if (!context_.size && faults_.empty())
        fail({&source, source.text.size()}, "the sheet has no statement: sheet WIDTH x HEIGHT on COLOUR");
    faults_.tell();
    check_frame();
    check_settings();
    if (reading_.warns)
        for (const Scopes::Unused& unused : program_.unused)
            warn(unused.location, fmt::format("nothing uses {}", base::in_quotes(unused.name)));
    return std::move(result_);
}

/// Its faults are noted, so that those of other statements can be told, too.
void Interpreter::run_apart(const Statement& statement) {
    chance_ = context_.seed;
    context_.placing = {};
    drawing_ = &result_.drawing;
    nested_ = 0;
    try {
        carry_out(statement);
    } catch (const FollowsAFault&) { // which has been told
    } catch (const FaultAt& fault) {
        faults_.add(fault.what());
    }
}

void Interpreter::carry_out(const Statement& statement) {
    context_.take_steps(1, statement.location);
    constexpr int most_nested = 1000; // of blocks and motifs, far from the end of the stack
    if (nested_ == most_nested)
        fail(statement.location,
             fmt::format("blocks and motifs are more than {} deep within each other", most_nested));
    ++nested_;
    context_.chance = mixed_bits(chance_, statement.key);
    const std::uint32_t outer = std::exchange(tag_, statement.tag);
    at_place(statement.location, [&] {
        std::visit([&](const auto& form) { carry_out(statement.location, form); }, statement.form);
    });
    tag_ = outer;
    --nested_;
}

void Interpreter::carry_out_block(const Block& block) {
    for (const Statement& statement : block) carry_out(statement);
}

/// A copy of a block has random values of its own, by its number.
template <class Work>
void Interpreter::in_chance_of(std::uint64_t number, const Work& work) {
    const std::uint64_t its_own = mixed_bits(context_.chance, number);
    const std::uint64_t statement = std::exchange(context_.chance, its_own);
    const std::uint64_t block = std::exchange(chance_, its_own);
    work();
    chance_ = block;
    context_.chance = statement;
}

template <class... Item>
void Interpreter::add(const Location& location, Item&&... item) {
    if (++items_ > reading_.limits.items)
        fail(location, fmt::format("the sheet draws more than {} items", reading_.limits.items));
    drawing_->set_tag(tag_);
    drawing_->add(std::forward<Item>(item)...);
}

void Interpreter::carry_out(const Location& location, const SheetStatement& statement) {
    if (context_.size) fail(location, "the sheet has its size already");
    result_.place = location.text();
    const Size size = size_value(statement.size, context_, 1);
    if (std::int64_t{size.width} * size.height > reading_.limits.pixels)
        fail(location, fmt::format("a picture of {} x {} pixels has more than {}", size.width, size.height,
                                   reading_.limits.pixels));
    context_.size = result_.size = size;
    result_.ground = statement.ground ? colour_value(*statement.ground, context_) : Colour(255, 255, 255);
    edges_ = statement.edges;
    if (statement.seed)
        context_.seed =
            mixed_bits(std::bit_cast<std::uint64_t>(number(*statement.seed, context_, "seed") + 0.0));
}

void Interpreter::carry_out(const Location&, const FramesStatement& statement) {
    constexpr std::int32_t most_frames = 1'000'000;
    result_.frames = pixels(*statement.count, context_, "number of frames", 1, most_frames);
    if (statement.rate) result_.rate = rate_of(*statement.rate);
    context_.set(statement.frame, static_cast<double>(reading_.frame));
    context_.set(statement.time,
                 static_cast<double>(reading_.frame) * result_.rate.seconds / result_.rate.frames);
}

/// A rate with up to three digits behind the point.
FrameRate Interpreter::rate_of(const Expression& expression) const {
    const double rate = number(expression, context_, "rate");
    constexpr double least = 0.001;
    constexpr double most = 1000;
    if (!(rate >= least && rate <= most))
        fail(expression.location,
             fmt::format("the rate {} is outside {}..{} frames a second", rate, least, most));
    const auto thousandths = static_cast<std::int32_t>(std::lround(rate * 1000));
    const std::int32_t common = std::gcd(thousandths, 1000);
    return {thousandths / common, 1000 / common};
}

void Interpreter::carry_out(const Location&, const LetStatement& statement) {
    context_.set(statement.slot, Missing());
    // The sheet's own value is worked out all the same, so that its faults do not hide behind a setting.
    Value value = evaluate(*statement.value, context_);
    if (statement.can_be_set) {
        if (const auto setting = settings_.find(statement.name); setting != settings_.end())
            value = setting->second;
        note_parameter(statement, value);
    }
    context_.set(statement.slot, std::move(value));
}

void Interpreter::note_parameter(const LetStatement& statement, const Value& value) {
    SheetParameter result = parameter_of(statement.name, value);
    result.place = statement.name_location.text();
    if (statement.low) {
        const double low = number(*statement.low, context_, "lowest value");
        const double high = number(*statement.high, context_, "highest value");
        const double step = statement.step ? number(*statement.step, context_, "step") : 0;
        const auto* const found = std::get_if<double>(&value);
        if (found == nullptr || !(*found >= low && *found <= high))
            fail(statement.name_location,
                 fmt::format("{} {} is outside {}..{}", statement.name,
                             found == nullptr ? std::string(kind_name(value)) : shortest(*found), low, high));
        if (step < 0) fail(statement.step->location, fmt::format("the step {} is below 0", step));
        result.range = SheetParameter::Range{low, high, step};
    }
    result_.parameters.push_back(std::move(result));
}

void Interpreter::carry_out(const Location&, const PaletteStatement& statement) {
    if (settings_.contains(statement.name))
        fail(statement.name_location,
             "a palette cannot be set: only a number, a point or a colour that let defines can");
    std::vector<Palette::Entry> entries;
    for (const auto& entry : statement.entries)
        entries.push_back({colour_value(*entry.colour, context_), entry.name});
    context_.set(statement.slot, Shared<Palette>(Palette(std::move(entries))));
}

void Interpreter::carry_out(const Location&, const StyleStatement& statement) {
    if (const auto* const words = std::get_if<StyleWords>(&statement.words))
        context_.set(statement.slot, std::make_shared<const std::variant<ShapeStyle, LetterStyle>>(
                                         shape_style_of(*words, context_, edges_)));
    else
        context_.set(statement.slot, std::make_shared<const std::variant<ShapeStyle, LetterStyle>>(
                                         letter_style_of(std::get<LetterWords>(statement.words), context_)));
}

void Interpreter::carry_out(const Location&, const DataStatement& statement) {
    const List rows = files_.data(statement.file);
    context_.take_steps(rows->size(), statement.file.location);
    context_.set(statement.slot, rows);
}

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
    const Point at = placed_pixel(*statement.at, context_);
    const Box bounds{std::int64_t{at.x} - options.hot_spot.x, std::int64_t{at.y} - options.hot_spot.y,
                     laid.width, laid.height};
    if (statement.named) give_name(*statement.named, bounds, std::nullopt);
    warn_if_outside(location, bounds);
    add(location, std::move(image), at, options);
}

void Interpreter::give_name(const NameGiven& name, const Box& bounds, std::optional<Shape> shape) {
    RealBox own = RealBox::of(bounds);
    own.x -= context_.placing.offset.x;
    own.y -= context_.placing.offset.y;
    context_.set(name.slot, std::make_shared<const DrawnItem>(DrawnItem{own, std::move(shape)}));
}

/// The shape where its placing puts it.
Shape Interpreter::placed_shape(const ShapeStatement& statement, bool exact) {
    Shape shape = shape_of(statement.form, context_, exact);
    if (!statement.placing) return shape;
    const PlacingWords& words = *statement.placing;
    const RealBox bounds = RealBox::of(bounds_of(shape));
    const Position offset = context_.placing.offset;
    Position from;
    Position to;
    if (words.side == PlacingWords::Side::none) {
        from = bounds.at(words.anchor);
        to = moved_position(*words.to, context_);
    } else {
        RealBox beside = box_value(*words.to, context_);
        beside.x += offset.x;
        beside.y += offset.y;
        const double way = 1 + (words.gap ? number(*words.gap, context_, "gap") : 0);
        const auto ends = [&]() -> std::pair<Position, Position> {
            switch (words.side) {
            case PlacingWords::Side::above: return {bounds.at(0.5, 1), beside.at(0.5, 0)};
            case PlacingWords::Side::below: return {bounds.at(0.5, 0), beside.at(0.5, 1)};
            case PlacingWords::Side::left_of: return {bounds.at(1, 0.5), beside.at(0, 0.5)};
            default: return {bounds.at(0, 0.5), beside.at(1, 0.5)};
            }
        }();
        from = ends.first;
        to = ends.second;
        if (words.side == PlacingWords::Side::above) to.y -= way;
        if (words.side == PlacingWords::Side::below) to.y += way;
        if (words.side == PlacingWords::Side::left_of) to.x -= way;
        if (words.side == PlacingWords::Side::right_of) to.x += way;
    }
    // By whole pixels, so that the shape stays what it is.
    context_.placing.offset = {offset.x + std::floor(to.x - from.x + 0.5),
                               offset.y + std::floor(to.y - from.y + 0.5)};
    shape = shape_of(statement.form, context_, exact);
    context_.placing.offset = offset;
    return shape;
}

void Interpreter::carry_out(const Location& location, const ShapeStatement& statement) {
    check_has_size(location);
    ShapeStyle style = shape_style_of(statement.style, context_, edges_);
    const bool exact =
        style.fill || !style.stroke || style.stroke->edges == Edges::smooth || context_.placing.map;
    Shape shape = placed_shape(statement, exact);
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
    if (reading_.warns) warn_if_outside(location, bounds_of(shape));
    add(location, Drawing::StyledShape{std::move(shape), std::move(style.fill), std::move(style.stroke)});
}

void Interpreter::carry_out(const Location& location, const TextStatement& statement) {
    check_has_size(location);
    const LetterStyle own = letter_style_of(statement.words, context_);
    if (!own.has_paint) fail(location, "the text has no fill");
    const Location& place = statement.text->location;
    const LetterStyle style = at_place(place, [&] { return placed(own, context_.placing); });
    const Text text = at_place(place, [&] {
        return Text(text_value(*statement.text, context_), placed_pixel(*statement.at, context_),
                    style.style);
    });
    const Box bounds = text.bounds();
    if (statement.named) give_name(*statement.named, bounds, std::nullopt);
    warn_if_outside(location, bounds);
    const Box seen = bounds.intersection(Box::of(*context_.size));
    const std::size_t left = files_.image_bytes_left();
    drawing_->set_tag(tag_);
    at_place(place, [&] { coldbrick::add(*drawing_, text, style.paint, Box::of(*context_.size), left); });
    files_.take_image_bytes(static_cast<std::size_t>(seen.width) * static_cast<std::size_t>(seen.height));
}

void Interpreter::carry_out(const Location&, const IfStatement& statement) {
    for (std::size_t i = 0; i < statement.branches.size(); ++i) {
        const IfStatement::Branch& branch = statement.branches[i];
        if (!branch.condition || truth(*branch.condition, context_))
            return in_chance_of(i, [&] { carry_out_block(branch.block); });
    }
}

void Interpreter::repeat_once(const RepeatStatement& statement, std::uint64_t number, Value value) {
    in_chance_of(number, [&] {
        if (statement.slot) context_.set(*statement.slot, std::move(value));
        carry_out_block(statement.block);
    });
}

void Interpreter::repeat_in_list(const Location& location, const RepeatStatement& statement) {
    const Value value = evaluate(*statement.count, context_);
    if (const auto* const palette = std::get_if<Shared<Palette>>(&value)) {
        std::uint64_t number = 0;
        for (const Palette::Entry& entry : (*palette)->entries()) {
            context_.take_steps(1, location);
            repeat_once(statement, number++, entry.colour);
        }
        return;
    }
    const auto* const list = std::get_if<List>(&value);
    if (list == nullptr)
        fail(statement.count->location, fmt::format("expected a list, not {}", kind_name(value)));
    std::uint64_t number = 0;
    for (const Value& one : **list) {
        context_.take_steps(1, location);
        repeat_once(statement, number++, one);
    }
}

void Interpreter::repeat_in_range(const RepeatStatement& statement) {
    const double first = number(*statement.count, context_, "first number");
    const double last = number(*statement.last, context_, "last number");
    const double step = statement.step ? number(*statement.step, context_, "step") : 1;
    if (step == 0) fail(statement.step->location, "the step is 0");
    const NumberRange range(first, last, step);
    for (std::uint64_t i = 0; i < range.count(); ++i) {
        context_.take_steps(1, statement.count->location);
        repeat_once(statement, i, range.at(i));
    }
}

void Interpreter::carry_out(const Location& location, const RepeatStatement& statement) {
    if (statement.last) return repeat_in_range(statement);
    if (statement.slot) return repeat_in_list(location, statement);
    const std::int32_t count = pixels(*statement.count, context_, "number of repetitions", 0);
    for (std::int32_t i = 0; i < count; ++i) {
        context_.take_steps(1, location);
        repeat_once(statement, static_cast<std::uint64_t>(i), Missing());
    }
}

void Interpreter::carry_out(const Location& location, const PlaceStatement& statement) {
    const auto value_of = [&](const ExpressionPtr& words, std::string_view what, double otherwise) {
        return words ? number(*words, context_, what) : otherwise;
    };
    const Angle turn = at_place(location, [&] { return degrees(value_of(statement.turn, "turn", 0)); });
    const double scale = value_of(statement.scale, "scale", 1);
    constexpr double smallest = 1e-6;
    constexpr double largest = 1e6;
    if (!(scale >= smallest && scale <= largest))
        fail(statement.scale->location,
             fmt::format("the scale {} is outside {}..{}", scale, smallest, largest));
    std::vector<Value> arguments;
    for (const ExpressionPtr& argument : statement.arguments)
        arguments.push_back(argument ? evaluate(*argument, context_) : Value(Missing()));
    const auto place_one = [&](const Position& at, std::uint64_t number) {
        in_chance_of(number, [&] {
            place_at(location, statement, context_.placing.inner(at, turn, scale, statement.mirrored),
                     arguments);
        });
    };
    if (!statement.at) return place_one({}, 0);
    const Value at = evaluate(*statement.at, context_);
    if (const auto* const point = std::get_if<Position>(&at)) return place_one(*point, 0);
    const auto* const points = std::get_if<List>(&at);
    const auto is_point = [](const Value& one) { return std::holds_alternative<Position>(one); };
    if (points == nullptr || !std::ranges::all_of(**points, is_point))
        fail(statement.at->location,
             fmt::format("expected a point or a list of points, not {}",
                         points == nullptr ? kind_name(at) : "a list of other values"));
    for (std::size_t i = 0; i < (*points)->size(); ++i) place_one(std::get<Position>((**points)[i]), i);
}

void Interpreter::place_at(const Location& location, const PlaceStatement& statement, const Placing& placing,
                           const std::vector<Value>& arguments) {
    const Motif& motif = *statement.motif;
    if (depth_ == reading_.limits.depth)
        fail(location, fmt::format("motifs place each other more than {} deep", reading_.limits.depth));
    context_.take_steps(1, location);
    const std::size_t outer = context_.enter(motif.size);
    const Placing before = std::exchange(context_.placing, placing);
    ++depth_;
    const auto leave = [&] {
        --depth_;
        context_.placing = before;
        context_.leave(outer);
    };
    try {
        for (std::size_t i = 0; i < arguments.size(); ++i) {
            const Motif::Parameter& parameter = motif.parameters[i];
            context_.set(parameter.slot,
                         statement.arguments[i] ? arguments[i] : evaluate(*parameter.value, context_));
        }
        carry_out_block(motif.block);
    } catch (const FaultAt& fault) {
        leave();
        constexpr int most_told = 8;
        if (depth_ >= most_told) throw;
        throw FaultAt(fault.place(), fmt::format("{}\nin the motif {}, placed in {}", fault.what(),
                                                 base::in_quotes(motif.name), location.text()));
    } catch (const FollowsAFault&) {
        leave();
        throw;
    }
    leave();
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
Region Interpreter::clip_of(const ClipStatement& statement) const {
    const Box within = Box::of(*context_.size);
    const auto filled = [&](const Shape& shape) {
        return std::visit(
            [&]<class S>(const S& one) {
                const auto pixels_of = [&]<class T>(const T& its) {
                    if constexpr (ClosedShape<T>)
                        return region(its, Fill{}, within);
                    else
                        return region(its, Stroke{}, within);
                };
                if (!context_.placing.map) return pixels_of(one);
                return std::visit(pixels_of, Shape(mapped(one, *context_.placing.map)));
            },
            shape);
    };
    if (statement.shape) return filled(shape_of(*statement.shape, context_, true));
    const Value value = evaluate(*statement.value, context_);
    const auto* const drawn = std::get_if<Drawn>(&value);
    if (drawn != nullptr && (*drawn)->shape)
        return std::visit([&](const auto& one) { return filled(one); }, *(*drawn)->shape);
    RealBox box = box_value(*statement.value, context_);
    const Position corner = context_.placing.moved({box.x, box.y});
    return filled(whole_box(statement.value->location, {corner.x, corner.y, box.width, box.height}));
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

void Interpreter::check_has_size(const Location& location) const {
    if (!context_.size) fail(location, "the sheet's size comes first: sheet WIDTH x HEIGHT on COLOUR");
}

void Interpreter::warn(const Location& location, std::string message) {
    result_.warnings.push_back({location.text(), std::move(message)});
}

void Interpreter::warn_if_outside(const Location& location, const Box& bounds) {
    if (reading_.warns && bounds.intersection(Box::of(*context_.size)).empty())
        warn(location, fmt::format("this lies outside the sheet: columns {} to {}, rows {} to {}", bounds.x,
                                   bounds.end_x() - 1, bounds.y, bounds.end_y() - 1));
}

void Interpreter::check_frame() {
    if (reading_.frame < 0 || reading_.frame >= result_.frames)
        throw SheetError(fmt::format("{}: frame {} is outside 0..{}",
                                     base::shown(program_.sources.front().name), reading_.frame,
                                     result_.frames - 1));
}

/// A setting that no `let` takes up is most likely misspelt.
void Interpreter::check_settings() {
    for (const auto& [name, value] : settings_)
        if (std::ranges::find(result_.parameters, name, &SheetParameter::name) == result_.parameters.end())
            throw SheetError(fmt::format("{}: {}", base::shown(program_.sources.front().name),
                                         no_such_parameter(name, result_.parameters)));
}

} // namespace coldbrick::sheet
