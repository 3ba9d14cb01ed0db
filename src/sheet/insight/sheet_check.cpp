#include <coldbrick/sheet_check.hpp>

#include "base/own_state.hpp"
#include "sheet/insight/item_facts.hpp"
#include "sheet/language/program.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/visibility.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <array>
#include <functional>
#include <map>
#include <memory>
#include <tuple>
#include <type_traits>
#include <utility>
#include <variant>

namespace coldbrick {

namespace {

using Kind = SheetFinding::Kind;
using sheet::StatementNote;

/// The W3C's for large texts and for graphics (Web Content Accessibility Guidelines 2.1, 1.4.3 and 1.4.11).
constexpr double least_contrast = 3;

/// Alphas that change a colour by no more than a level or two.
constexpr int next_to_nothing = 2;

/// Changes of a channel that nobody sees.
constexpr int hardly_seen = 2;

constexpr std::array<std::string_view, 15> kind_names{
    "outside",      "clipped",     "empty",     "painted over", "hidden layer",
    "same colour",  "see-through", "no change", "not drawn",    "nearly same colour",
    "low contrast", "cut text",    "corner",    "radius",       "unused"};

Kind kind_of(SheetWarning::Kind warning) {
    switch (warning) {
    case SheetWarning::Kind::unused: return Kind::unused;
    case SheetWarning::Kind::outside: return Kind::outside;
    case SheetWarning::Kind::cut_text: return Kind::cut_text;
    case SheetWarning::Kind::corner: return Kind::corner;
    default: return Kind::radius;
    }
}

/// What a text consists of, apart from its plate.
bool is_letters(const Drawing::Item& item) {
    const auto* const shape = std::get_if<Drawing::StyledShape>(&item);
    return std::holds_alternative<Drawing::Print>(item) ||
           (shape != nullptr && std::holds_alternative<Path>(shape->shape));
}

Box bounds_of(const Drawing::Item& item) {
    if (const auto* const print = std::get_if<Drawing::Print>(&item)) return print->stencil.bounds();
    return std::get<Path>(std::get<Drawing::StyledShape>(item).shape).bounds();
}

/// The outline of a text comes before its letters, which lie within its bounds. It is not what is read.
bool is_outline_of(const Visibility& outline, const Visibility& next) {
    return next.tag == outline.tag && is_letters(*next.item) &&
           bounds_of(*next.item).united(bounds_of(*outline.item)) == bounds_of(*outline.item);
}

/// A group that is no layer is drawn as its items.
bool is_drawn(const Drawing::Item& item) {
    const auto* const group = std::get_if<Drawing::Group>(&item);
    return group == nullptr || group->style.layer;
}

/// Calls visit(statement) with all statements of a block and those in them.
template <class Visit>
void for_each_statement(const sheet::Block& block, const Visit& visit) {
    for (const sheet::Statement& statement : block) {
        visit(statement);
        const auto inner = [&]<class Form>(const std::unique_ptr<Form>& form) {
            if constexpr (std::is_same_v<Form, sheet::IfStatement>)
                for (const auto& branch : form->branches) for_each_statement(branch.block, visit);
            else if constexpr (requires { form->block; })
                for_each_statement(form->block, visit);
        };
        std::visit(inner, statement.form);
    }
}

/// Statements that need not be carried out: those of motifs that nothing places, which is told of the motif,
/// and those of sheets that are included, which are for others, too. By their tags.
std::vector<bool> not_looked_at(const sheet::Program& program) {
    std::vector<bool> result;
    result.reserve(program.notes.size());
    for (const StatementNote& note : program.notes)
        result.push_back(note.location.source != &program.sources.front().source);
    for (const sheet::Motif& motif : program.motifs)
        if (!motif.used)
            for_each_statement(motif.block, [&](const sheet::Statement& inner) { result[inner.tag] = true; });
    return result;
}

} // namespace

std::string_view name_of(SheetFinding::Kind kind) {
    return kind_names[static_cast<std::size_t>(kind)];
}

class SheetCheck::State {
  public:
    void add(const Sheet& frame);
    [[nodiscard]] std::vector<SheetFinding> findings() const;

  private:
    /// What all items of a statement come to, in all frames.
    struct Statement {
        bool carried_out = false;
        std::int64_t items = 0;
        std::int64_t covered = 0;
        std::int64_t hidden = 0;
        std::int64_t on_top = 0;
        std::int64_t seen = 0;
        std::int64_t letters = 0;       ///< pixels of letters on top
        std::int64_t faint = 0;         ///< those of too little contrast
        std::int64_t outline = 0;       ///< pixels of letters' outlines on top
        std::int64_t faint_outline = 0; ///< those of too little contrast
        int largest_change = 0;
        int largest_alpha = 0; ///< of its paints
        bool simple = true;    ///< all paints are simply laid over what is there
        bool replaces = true;  ///< all of its pixels get one opaque colour
        bool is_layer = false;
        bool is_empty_layer = true;
        bool meets_sheet = false; ///< without clips, where it covers nothing
        bool exists = false;      ///< it has pixels somewhere
        Box outside = {};         ///< where, if that is known
        std::map<std::uint32_t, std::int64_t> hidden_by = {};
    };

    void add_items(const Sheet& frame);
    static void add_text(Statement& statement, const Visibility& item, bool is_outline);
    [[nodiscard]] bool find(const Statement& statement, SheetFinding& finding) const;
    void find_uncovered(const Statement& statement, SheetFinding& finding) const;
    void find_hidden(const Statement& statement, SheetFinding& finding) const;
    static void find_unchanged(const Statement& statement, SheetFinding& finding);
    [[nodiscard]] bool is_doubled(std::size_t tag, std::size_t by) const;

    detail::SharedState<sheet::Program> program_;
    std::vector<Statement> statements_; ///< by their tags
    std::vector<SheetWarning> warnings_;
    std::int32_t frames_ = 0; ///< that have been looked at
};

void SheetCheck::State::add(const Sheet& frame) {
    if (!frame.program || frame.carried_out.size() != frame.program->notes.size())
        throw ArgumentError("a sheet is checked if it was read with its warnings");
    if (program_ && program_ != frame.program) throw ArgumentError("these are frames of different sheets");
    if (!program_) statements_.resize(frame.carried_out.size());
    program_ = frame.program;
    ++frames_;
    for (std::size_t tag = 0; tag < statements_.size(); ++tag)
        if (frame.carried_out[tag]) statements_[tag].carried_out = true;
    for (const SheetWarning& warning : frame.warnings) {
        const auto same = [&](const SheetWarning& known) {
            return known.kind == warning.kind && known.place == warning.place;
        };
        if (std::ranges::none_of(warnings_, same)) warnings_.push_back(warning);
    }
    add_items(frame);
}

void SheetCheck::State::add_items(const Sheet& frame) {
    const PixelFormat format = frame.ground.alpha == 255 ? PixelFormat::rgb8 : PixelFormat::rgba8;
    Image picture = frame.blank(format);
    const auto items = visibility(picture, frame.drawing, {.least_contrast = least_contrast});
    for (auto one = items.begin(); one != items.end(); ++one) {
        const Visibility& item = *one;
        if (!is_drawn(*item.item)) continue;
        Statement& statement = statements_[item.tag];
        ++statement.items;
        statement.covered += item.covered;
        statement.hidden += item.hidden;
        statement.on_top += item.on_top;
        statement.seen += item.seen;
        statement.largest_change = std::max(statement.largest_change, item.largest_change);
        const sheet::PaintFacts paint = sheet::paint_facts(*item.item);
        statement.largest_alpha = std::max(statement.largest_alpha, paint.alpha);
        statement.simple = statement.simple && paint.simple;
        statement.replaces = statement.replaces && paint.replaces;
        if (const auto* const group = std::get_if<Drawing::Group>(item.item)) {
            statement.is_layer = true;
            statement.is_empty_layer = statement.is_empty_layer && group->drawing->items().empty();
        }
        for (const Visibility::Hider& hider : item.hidden_by) statement.hidden_by[hider.tag] += hider.pixels;
        if (statement.covered == 0 && !statement.meets_sheet) {
            const sheet::ItemReach reach = sheet::reach_of(*item.item, frame.size);
            statement.meets_sheet = reach.on_sheet;
            statement.exists = statement.exists || reach.exists;
            statement.outside = statement.outside.united(reach.outside);
        }
        const bool is_text = program_->notes[item.tag].kind == StatementNote::Kind::text;
        if (is_text && is_letters(*item.item))
            add_text(statement, item, one + 1 != items.end() && is_outline_of(item, one[1]));
    }
}

void SheetCheck::State::add_text(Statement& statement, const Visibility& item, bool is_outline) {
    (is_outline ? statement.outline : statement.letters) += item.on_top;
    (is_outline ? statement.faint_outline : statement.faint) += item.faint;
}

/// Tells who paints a statement over.
void SheetCheck::State::find_hidden(const Statement& statement, SheetFinding& finding) const {
    std::vector<std::pair<std::int64_t, const sheet::Location*>> hiders;
    for (const auto& [tag, pixels] : statement.hidden_by)
        hiders.emplace_back(pixels, &program_->notes[tag].location);
    std::ranges::stable_sort(hiders, std::greater(), [](const auto& hider) { return hider.first; });
    std::vector<std::string> lines;
    for (const auto& [pixels, location] : hiders) {
        SheetPlace place = location->place();
        std::string line = place.file == finding.place.file ? std::to_string(place.line) : place.text();
        finding.hidden_by.push_back(std::move(place));
        if (std::ranges::find(lines, line) == lines.end()) lines.push_back(std::move(line));
    }
    std::int64_t named = 0;
    for (const auto& [tag, pixels] : statement.hidden_by) named += pixels;
    const std::string by = fmt::format("line{} {}{}", lines.size() == 1 ? "" : "s", fmt::join(lines, ", "),
                                       named < statement.hidden ? " and others" : "");
    if (statement.hidden == statement.covered) {
        finding.kind = Kind::painted_over;
        finding.message = "this is painted over completely, by " + by;
        return;
    }
    finding.kind = Kind::hidden_layer;
    finding.message = "the layer that this is drawn in does not show where this lies";
    if (statement.hidden > 0)
        finding.message += fmt::format(", and {} of its {} pixels are painted over, by {}", statement.hidden,
                                       statement.covered, by);
}

/// Tells why a statement covers no pixel of the sheet.
void SheetCheck::State::find_uncovered(const Statement& statement, SheetFinding& finding) const {
    const auto warning = std::ranges::find_if(warnings_, [&](const SheetWarning& one) {
        return one.kind == SheetWarning::Kind::outside && one.place == finding.place;
    });
    const Box& outside = statement.outside;
    if (statement.meets_sheet) {
        finding.kind = Kind::clipped;
        finding.message = "the clip that this is drawn in leaves none of its pixels";
    } else if (warning != warnings_.end()) {
        finding.kind = Kind::outside;
        finding.message = warning->message;
    } else if (statement.exists) {
        finding.kind = Kind::outside;
        finding.message = "none of its pixels lie on the sheet";
        if (!outside.empty())
            finding.message += fmt::format(": they lie round it, in columns {} to {}, rows {} to {}",
                                           outside.x, outside.end_x() - 1, outside.y, outside.end_y() - 1);
    } else {
        finding.kind = Kind::empty;
        finding.message = "this has no pixels";
    }
}

/// Tells why a statement changes no pixel.
void SheetCheck::State::find_unchanged(const Statement& statement, SheetFinding& finding) {
    const auto found = [&finding](Kind kind, std::string message) {
        finding.kind = kind;
        finding.message = std::move(message);
    };
    const bool all = statement.on_top == statement.covered;
    const std::string others =
        fmt::format("what others leave of this, {} of {} pixels,", statement.on_top, statement.covered);
    if (statement.is_layer && statement.is_empty_layer)
        found(Kind::empty, "nothing is drawn in this layer");
    else if (statement.simple && statement.largest_alpha <= next_to_nothing)
        found(Kind::see_through,
              fmt::format("the paint is so see-through that no pixel changes: its alpha is {} of 255",
                          statement.largest_alpha));
    else if (statement.replaces)
        found(Kind::same_colour,
              fmt::format("{} has the colour of all that it covers", all ? "this" : others));
    else if (statement.is_layer || !statement.simple)
        found(Kind::no_change, fmt::format("{} changes no pixel", all ? "this" : others));
    else
        found(Kind::same_colour,
              fmt::format("{} changes no pixel: its colour is that of what it covers, or too near to it",
                          all ? "this" : others));
}

/// @returns whether anything was found
bool SheetCheck::State::find(const Statement& statement, SheetFinding& finding) const {
    const auto found = [&finding](Kind kind, std::string message) {
        finding.kind = kind;
        finding.message = std::move(message);
        return true;
    };
    if (!statement.carried_out)
        return found(Kind::not_drawn, frames_ == 1
                                          ? "this is not carried out"
                                          : fmt::format("this is carried out in none of {} frames", frames_));
    if (statement.covered == 0) {
        find_uncovered(statement, finding);
        return true;
    }
    if (statement.on_top == 0) {
        find_hidden(statement, finding);
        return true;
    }
    if (statement.seen == 0) {
        find_unchanged(statement, finding);
        return true;
    }
    if (statement.largest_change <= hardly_seen)
        return found(Kind::nearly_same_colour,
                     fmt::format("this hardly changes what it covers: no channel by more than {} of 255",
                                 statement.largest_change));
    if (2 * statement.faint > statement.letters && 2 * statement.faint_outline >= statement.outline)
        return found(Kind::low_contrast,
                     fmt::format("the contrast of the text to what is behind it is below {}:1 on {} % of its "
                                 "pixels",
                                 least_contrast, 100 * statement.faint / statement.letters));
    return false;
}

/// True if one other statement hides all of a statement and has all of its colours already.
bool SheetCheck::State::is_doubled(std::size_t tag, std::size_t by) const {
    const Statement& first = statements_[tag];
    const Statement& second = statements_[by];
    return first.covered > 0 && first.hidden == first.covered && first.hidden_by.size() == 1 &&
           second.covered == first.covered && second.on_top == second.covered && second.seen == 0;
}

std::vector<SheetFinding> SheetCheck::State::findings() const {
    std::vector<SheetFinding> result;
    if (!program_) return result;
    const std::vector<bool> left_alone = not_looked_at(*program_);
    std::vector<bool> doubles(statements_.size()); // told of with the ones that they are equal to
    for (std::size_t tag = 0; tag < statements_.size(); ++tag) {
        const StatementNote& note = program_->notes[tag];
        if (doubles[tag] || note.kind == StatementNote::Kind::other ||
            (left_alone[tag] && !statements_[tag].carried_out))
            continue;
        SheetFinding finding{Kind::empty, note.location.place(), {}};
        if (!find(statements_[tag], finding)) continue;
        if (finding.kind == Kind::painted_over) {
            const std::size_t hider = statements_[tag].hidden_by.begin()->first;
            if (is_doubled(tag, hider)) {
                doubles[hider] = true;
                finding.message += ", which paints the same again: one of them is enough";
            }
        }
        result.push_back(std::move(finding));
    }
    for (const SheetWarning& warning : warnings_)
        if (warning.kind != SheetWarning::Kind::outside)
            result.push_back({kind_of(warning.kind), warning.place, warning.message});
    std::ranges::stable_sort(result, {}, [&](const SheetFinding& finding) {
        const SheetPlace& place = finding.place;
        return std::tuple(place.file != program_->sources.front().name, place.file, place.line, place.column);
    });
    return result;
}

SheetCheck::SheetCheck() : state_(base::owned(std::make_unique<State>())) {}

void SheetCheck::add(const Sheet& frame) {
    state_->add(frame);
}

std::vector<SheetFinding> SheetCheck::findings() const {
    return state_->findings();
}

std::vector<SheetFinding> check(const Sheet& sheet) {
    SheetCheck check;
    check.add(sheet);
    return check.findings();
}

} // namespace coldbrick
