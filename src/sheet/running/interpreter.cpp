#include "sheet/running/interpreter.hpp"

#include "base/shared_state.hpp"
#include "base/shown_text.hpp"
#include "sheet/language/expression_parser.hpp"
#include "sheet/language/number_range.hpp"
#include "sheet/running/evaluator.hpp"
#include "sheet/running/parameters.hpp"
#include "sheet/running/random_bits.hpp"
#include "sheet/running/style_values.hpp"
#include "sheet/running/text_values.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <bit>
#include <cmath>
#include <numeric>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

Interpreter::Interpreter(const Program& program, const SheetReading& reading, LoadedFiles& kept)
    : program_(program), reading_(reading), files_(reading, kept) {
    context_.files = &files_;
    context_.steps_left = reading.limits.steps;
    context_.keep(program.size);
}

Sheet Interpreter::run() {
    if (reading_.warns) result_.carried_out.resize(program_.notes.size());
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
            warn(SheetWarning::Kind::unused, unused.location,
                 fmt::format("nothing uses {}", base::in_quotes(unused.name)));
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
    if (reading_.warns) result_.carried_out[tag_] = true;
    at_place(statement.location, [&] {
        std::visit([&](const auto& form) { carry_out(statement.location, form); }, statement.form);
    });
    tag_ = outer;
    --nested_;
}

void Interpreter::carry_out_block(const Block& block) {
    for (const Statement& statement : block) carry_out(statement);
}

void Interpreter::carry_out(const Location& location, const SheetStatement& statement) {
    if (context_.size) fail(location, "the sheet has its size already");
    result_.place = location.place();
    context_.size_failed = true; // until it has not
    std::optional<Shared<Image>> picture;
    if (statement.picture) picture = files_.image(*statement.picture);
    const Size size = picture ? (*picture)->size() : size_value(statement.size, context_, 1);
    if (std::int64_t{size.width} * size.height > reading_.limits.pixels)
        fail(location, fmt::format("a picture of {} x {} pixels has more than {}", size.width, size.height,
                                   reading_.limits.pixels));
    context_.size = result_.size = size;
    result_.ground = statement.ground ? colour_value(*statement.ground, context_) : Colour(255, 255, 255);
    edges_ = statement.edges;
    if (statement.seed)
        context_.seed =
            mixed_bits(std::bit_cast<std::uint64_t>(number(*statement.seed, context_, "seed") + 0.0));
    if (!picture) return;
    files_.take_image_bytes(bytes_of(**picture));
    add(location, *std::move(picture), Point(), Overlay());
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
    result.place = statement.name_location.place();
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
        context_.set(statement.slot, base::share<std::variant<ShapeStyle, LetterStyle>>(
                                         shape_style_of(*words, context_, edges_)));
    else
        context_.set(statement.slot, base::share<std::variant<ShapeStyle, LetterStyle>>(
                                         letter_style_of(std::get<LetterWords>(statement.words), context_)));
}

void Interpreter::carry_out(const Location&, const DataStatement& statement) {
    const List rows = files_.data(statement.file);
    context_.take_steps(rows->size(), statement.file.location);
    context_.set(statement.slot, rows);
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
    if (points == nullptr)
        fail(statement.at->location,
             fmt::format("expected a point or a list of points or boxes, not {}", kind_name(at)));
    for (std::size_t i = 0; i < (*points)->size(); ++i) {
        const Value& one = (**points)[i];
        const auto* const point = std::get_if<Position>(&one);
        const std::optional<RealBox> box = box_of(one);
        if (point == nullptr && !box)
            fail(statement.at->location,
                 fmt::format("expected a list of points or boxes, not with {}", kind_name(one)));
        place_one(point != nullptr ? *point : box->at(Anchor::centre), i);
    }
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

void Interpreter::check_has_size(const Location& location) const {
    context_.check_has_size(location);
}

void Interpreter::warn(SheetWarning::Kind kind, const Location& location, std::string message) {
    result_.warnings.push_back({kind, location.place(), std::move(message)});
}

/// A statement that is carried out often has its warning once.
void Interpreter::warn_once(SheetWarning::Kind kind, const Location& location, std::string message) {
    if (warned_.emplace(kind, tag_).second) warn(kind, location, std::move(message));
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
