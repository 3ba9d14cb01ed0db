#include "commands.hpp"
#include "json_output.hpp"
#include "terminal.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/legend.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/visibility.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cstddef>
#include <map>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace coldbrick::tool {

namespace {

constexpr std::array<std::string_view, 5> kind_names{"fill", "stroke", "image", "letters", "layer"};

std::string_view name_of(HistoryStep::Kind kind) {
    return kind_names[static_cast<std::size_t>(kind)];
}

/// The line of a statement, with its file's name if it is not the sheet's own.
std::string line_of(const Sheet& sheet, std::uint32_t tag) {
    const SheetPlace place = sheet.place_of(tag);
    return place.file == sheet.place.file ? fmt::format("line {}", place.line)
                                          : fmt::format("{}:{}", base::shown(place.file), place.line);
}

/// The text of a statement's first line, with single blanks, not too long.
std::string text_of(const Sheet& sheet, std::uint32_t tag) {
    constexpr std::size_t most_characters = 70;
    std::string text = sheet.text_of(tag);
    const auto repeated =
        std::unique(text.begin(), text.end(), [](char a, char b) { return a == ' ' && b == ' '; });
    text.erase(repeated, text.end());
    return base::shown(text, most_characters);
}

std::string shown(const Colour& colour) {
    const std::string swatch = terminal_swatch(colour, output_colours());
    return swatch.empty() ? hex(colour) : fmt::format("{} {}", swatch, hex(colour));
}

void check_inside(const Box& box, const Sheet& sheet) {
    const Box all = Box::of(sheet.size);
    if (box.empty() || box.intersection(all) != box)
        throw ArgumentError(fmt::format("{},{} {} x {} does not lie within the sheet's {} x {} pixels", box.x,
                                        box.y, box.width, box.height, all.width, all.height));
}

struct PixelHistory {
    Point pixel;
    Colour ground;
    std::vector<HistoryStep> steps;
    Colour result;
};

PixelHistory history_of(const Sheet& sheet, Point pixel) {
    Image picture = sheet.blank(format_for(sheet, FileType::png));
    const Colour ground = picture.pixel(pixel);
    std::vector<HistoryStep> steps = history(picture, sheet.drawing, pixel);
    return {pixel, ground, std::move(steps), picture.pixel(pixel)};
}

void print_history(const Sheet& sheet, const PixelHistory& history) {
    fmt::print("{},{}  {}\n", history.pixel.x, history.pixel.y, shown(history.result));
    fmt::print("  ground  {}\n", shown(history.ground));
    // What lies below the last step that hides it has no part in the colour.
    std::size_t hidden = 0;
    for (std::size_t i = 0; i < history.steps.size(); ++i)
        if (history.steps[i].hides && history.steps[i].depth == 0) hidden = i;
    for (std::size_t i = 0; i < history.steps.size(); ++i) {
        const HistoryStep& step = history.steps[i];
        const Colour before = colour(step.before);
        const Colour after = colour(step.after);
        const std::string indent(static_cast<std::size_t>(2 * step.depth), ' ');
        fmt::print("  {}{}: {}\n", indent, line_of(sheet, step.tag), text_of(sheet, step.tag));
        fmt::print("    {}{} {:.0f} %: {} -> {}{}{}\n", indent, name_of(step.kind),
                   step.coverage * 100 / 255.0, shown(before), shown(after),
                   before == after ? ", which is the same" : "", step.hides ? ", hiding what was there" : "");
        if (i < hidden && step.depth == 0)
            fmt::print("    {}hidden by {}\n", indent, line_of(sheet, history.steps[hidden].tag));
    }
    if (history.steps.empty()) fmt::print("  nothing covers it\n");
}

void print_json_of(const Sheet& sheet, const PixelHistory& history) {
    Json steps = Json::list();
    for (const HistoryStep& step : history.steps)
        steps.add({{"place", sheet.place_of(step.tag).text()},
                   {"text", sheet.text_of(step.tag)},
                   {"part", name_of(step.kind)},
                   {"coverage", step.coverage / 255.0},
                   {"layers", step.depth},
                   {"before", hex(colour(step.before))},
                   {"after", hex(colour(step.after))},
                   {"hides", step.hides}});
    print_json({{"pixel", history.pixel},
                {"ground", hex(history.ground)},
                {"steps", steps},
                {"colour", hex(history.result)}});
}

/// A statement and how many pixels of a box are its own.
struct Share {
    std::uint32_t tag;
    std::int64_t pixels;
};

/// The statements that own pixels, those of most first, and the pixels that nothing was drawn on.
std::pair<std::vector<Share>, std::int64_t> shares_of(const Owners& owners) {
    std::map<std::uint32_t, std::int64_t> counts;
    std::int64_t ground = 0;
    for (const std::uint32_t item : owners.items) item == 0 ? ++ground : ++counts[owners.tags[item - 1]];
    std::vector<Share> result;
    result.reserve(counts.size());
    for (const auto& [tag, pixels] : counts) result.push_back({tag, pixels});
    std::ranges::stable_sort(result, std::greater(), &Share::pixels);
    return {std::move(result), ground};
}

constexpr Colour ground_colour(52, 56, 62);

std::map<std::uint32_t, Colour> colours_of(const std::vector<Share>& shares) {
    std::map<std::uint32_t, Colour> result;
    if (shares.empty()) return result;
    const auto colours = distinct_colours(std::min<std::size_t>(shares.size(), 256));
    for (std::size_t i = 0; i < shares.size(); ++i) result[shares[i].tag] = colours[i % colours.size()];
    return result;
}

/// The box in the colours of its owners, with a legend beside it.
Image picture_of(const Sheet& sheet, const Owners& owners, const std::vector<Share>& shares) {
    const auto colours = colours_of(shares);
    Image map = picture_of(
        owners, [&](std::uint32_t tag) { return colours.at(tag); }, ground_colour);
    // A small box is shown so large that its pixels can be seen.
    const std::int32_t zoom = std::clamp(std::min(800 / map.width(), 600 / map.height()), 1, 16);
    map = resized(map, {zoom * map.width(), zoom * map.height()}, {.resampling = Resampling::nearest});
    constexpr std::size_t most_entries = 40;
    std::vector<LegendEntry> entries;
    if (std::ranges::count(owners.items, 0U) > 0) entries.push_back({ground_colour, "ground"});
    for (const Share& share : shares) {
        if (entries.size() == most_entries) break;
        entries.push_back({colours.at(share.tag),
                           fmt::format("{}: {}", line_of(sheet, share.tag), text_of(sheet, share.tag))});
    }
    const Image list = legend(entries);
    constexpr std::int32_t gap = 8;
    Image result({map.width() + gap + list.width(), std::max(map.height(), list.height())}, PixelFormat::rgb8,
                 Colour(20, 26, 34));
    overlay(result, map, {0, 0});
    overlay(result, list, {map.width() + gap, 0});
    return result;
}

void print_shares(const Sheet& sheet, const Owners& owners, const std::vector<Share>& shares,
                  std::int64_t ground) {
    const std::int64_t all = owners.box.width * owners.box.height;
    const auto colours = colours_of(shares);
    const auto print = [all](std::int64_t pixels, const Colour& colour, const std::string& text) {
        const std::string swatch = terminal_swatch(colour, output_colours());
        fmt::print("{:>9} {:>5.1f} %  {}{}{}\n", pixels,
                   100.0 * static_cast<double>(pixels) / static_cast<double>(all), swatch,
                   swatch.empty() ? "" : " ", text);
    };
    for (const Share& share : shares)
        print(share.pixels, colours.at(share.tag),
              fmt::format("{}: {}", line_of(sheet, share.tag), text_of(sheet, share.tag)));
    if (ground > 0) print(ground, ground_colour, "ground");
}

void print_json_of(const Sheet& sheet, const Owners& owners, const std::vector<Share>& shares,
                   std::int64_t ground) {
    Json list = Json::list();
    for (const Share& share : shares)
        list.add({{"place", sheet.place_of(share.tag).text()},
                  {"text", sheet.text_of(share.tag)},
                  {"pixels", share.pixels}});
    print_json({{"box", owners.box}, {"statements", list}, {"ground", ground}});
}

void explain_box(const ExplainArguments& arguments, const Sheet& sheet) {
    Image picture = sheet.blank(format_for(sheet, FileType::png));
    const Owners owners = coldbrick::owners(picture.view().clipped(arguments.box), sheet.drawing);
    const auto [shares, ground] = shares_of(owners);
    if (!arguments.output.path.empty()) save_image(picture_of(sheet, owners, shares), arguments.output);
    if (is_standard_stream(arguments.output.path)) return;
    if (arguments.json)
        print_json_of(sheet, owners, shares, ground);
    else
        print_shares(sheet, owners, shares, ground);
}

} // namespace

void explain(const ExplainArguments& arguments) {
    const SheetFile file(arguments.sheet);
    const Sheet sheet = file.read(arguments.frame);
    refuse_to_replace(arguments.output.path, file.files());
    check_inside(arguments.box, sheet);
    if (!arguments.is_pixel) return explain_box(arguments, sheet);
    const PixelHistory history = history_of(sheet, arguments.box.at(Anchor::top_left));
    arguments.json ? print_json_of(sheet, history) : print_history(sheet, history);
}

} // namespace coldbrick::tool
