#include "pixel_report.hpp"

#include "json_output.hpp"
#include "picture_input.hpp"
#include "terminal.hpp"

#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/terminal_text.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cstddef>
#include <string>
#include <string_view>
#include <utility>

namespace cb = coldbrick;

namespace {

constexpr std::size_t most_places = 6;

std::string rgb_text(const cb::Colour& colour) {
    if (colour.alpha == 255) return fmt::format("rgb({}, {}, {})", colour.red, colour.green, colour.blue);
    return fmt::format("rgb({}, {}, {}, {:.3g})", colour.red, colour.green, colour.blue,
                       colour.alpha / 255.0);
}

std::string hsl_text(const cb::Colour& colour) {
    const cb::Hsl hsl = cb::hsl(colour);
    const std::string alpha = colour.alpha == 255 ? "" : fmt::format(", {:.3g}", colour.alpha / 255.0);
    return fmt::format("hsl({:.4g}, {:.4g}%, {:.4g}%{})", hsl.hue.in_degrees(), 100 * hsl.saturation,
                       100 * hsl.lightness, alpha);
}

/// The pixel's bytes as they lie in memory, in hexadecimal digits.
std::string bytes_text(const cb::Image& image, cb::Point pixel) {
    const auto bytes = static_cast<std::size_t>(cb::layout(image.format()).bytes);
    std::string result;
    for (const std::byte byte :
         image.view().row(pixel.y).subspan(static_cast<std::size_t>(pixel.x) * bytes, bytes))
        result += fmt::format("{}{:02x}", result.empty() ? "" : " ", std::to_integer<unsigned>(byte));
    return result;
}

std::string text_of(const cb::Image& image, cb::Point pixel, Notation notation) {
    switch (notation) {
    case Notation::rgb: return rgb_text(image.pixel(pixel));
    case Notation::hsl: return hsl_text(image.pixel(pixel));
    case Notation::bytes: return bytes_text(image, pixel);
    default: return cb::hex(image.pixel(pixel));
    }
}

std::string with_swatch(const cb::Colour& colour, const std::string& text) {
    const std::string swatch = cb::terminal_swatch(colour, output_colours());
    return swatch.empty() ? text : swatch + " " + text;
}

cb::Colour ground_of(const cb::Image& image, const InspectArguments& arguments) {
    return arguments.ground.value_or(image.pixel({0, 0}));
}

/// The first pixels of a region, row by row.
std::vector<cb::Point> first_places(const cb::Region& region) {
    std::vector<cb::Point> result;
    for (const cb::Span& span : region.spans())
        for (std::int64_t x = span.x_begin; x < span.x_end && result.size() < most_places; ++x)
            result.push_back({static_cast<std::int32_t>(x), span.y});
    return result;
}

constexpr std::array<std::pair<std::string_view, cb::Channel>, 5> channels{{{"red", cb::Channel::red},
                                                                            {"green", cb::Channel::green},
                                                                            {"blue", cb::Channel::blue},
                                                                            {"alpha", cb::Channel::alpha},
                                                                            {"gray", cb::Channel::gray}}};

bool is_told(const cb::Image& image, cb::Channel channel) {
    return channel != cb::Channel::alpha || cb::layout(image.format()).has_alpha();
}

void print_part(const cb::Image& image, const InspectArguments& arguments) {
    const cb::Image part = part_of(image, arguments.part);
    for (std::int32_t y = 0; y < part.height(); ++y) {
        fmt::print("  row {:<10}", arguments.part->y + y);
        for (std::int32_t x = 0; x < part.width(); ++x)
            fmt::print(" {}", with_swatch(part.pixel({x, y}), text_of(part, {x, y}, arguments.notation)));
        fmt::print("\n");
    }
}

void print_found(const cb::Image& image, const InspectArguments& arguments) {
    const cb::Region found = cb::pixels_like(image, *arguments.find, arguments.within);
    const cb::Box bounds = found.bounds();
    fmt::print("  {:<14} {} pixels", cb::hex(*arguments.find), found.area());
    if (!found.empty())
        fmt::print(" within {},{} {} x {}, first", bounds.x, bounds.y, bounds.width, bounds.height);
    for (const cb::Point& place : first_places(found)) fmt::print(" {},{}", place.x, place.y);
    fmt::print("\n");
}

void print_histogram(const cb::Image& image) {
    fmt::print("  {:<14}", "histogram");
    for (const auto& [name, channel] : channels)
        if (is_told(image, channel)) fmt::print(" {:>9}", name);
    fmt::print("\n");
    std::array<std::array<std::int64_t, 256>, channels.size()> counts{};
    for (std::size_t i = 0; i < channels.size(); ++i) counts[i] = cb::histogram(image, channels[i].second);
    for (std::size_t value = 0; value < 256; ++value) {
        const auto has = [value](const auto& of_channel) { return of_channel[value] > 0; };
        if (std::ranges::none_of(counts, has)) continue;
        fmt::print("  {:>14}", value);
        for (std::size_t i = 0; i < channels.size(); ++i)
            if (is_told(image, channels[i].second)) fmt::print(" {:>9}", counts[i][value]);
        fmt::print("\n");
    }
}

void print_colours(const cb::Image& image, std::size_t most) {
    const cb::ColourCounts counts = cb::count_colours(image, most);
    fmt::print("  {:<14} {}\n", "colours", counts.colours);
    for (const auto& [colour, pixels] : counts.commonest)
        fmt::print("  {:>14} {}\n", pixels, with_swatch(colour, cb::hex(colour)));
}

} // namespace

void print_pixel_report(const cb::Image& image, const InspectArguments& arguments) {
    for (const cb::Point& pixel : arguments.at) {
        const cb::Colour colour = image.pixel(pixel);
        fmt::print("  {:<14} {}   {}   {}   bytes {}\n", fmt::format("{},{}", pixel.x, pixel.y),
                   with_swatch(colour, cb::hex(colour)), rgb_text(colour), hsl_text(colour),
                   bytes_text(image, pixel));
    }
    if (arguments.part) print_part(image, arguments);
    if (arguments.find) print_found(image, arguments);
    if (arguments.extent || arguments.ground) {
        const cb::Colour ground = ground_of(image, arguments);
        const cb::Box box = cb::extent_of_content(image, ground);
        fmt::print("  {:<14} {}\n", "extent",
                   box.empty() ? fmt::format("all is {}", cb::hex(ground))
                               : fmt::format("{},{} {} x {} is not {}", box.x, box.y, box.width, box.height,
                                             cb::hex(ground)));
    }
    if (arguments.colours) print_colours(image, *arguments.colours);
    if (arguments.histogram) print_histogram(image);
}

void add_pixel_report(nlohmann::ordered_json& report, const cb::Image& image,
                      const InspectArguments& arguments) {
    for (const cb::Point& pixel : arguments.at) {
        nlohmann::ordered_json one = json_of(pixel);
        one["hex"] = cb::hex(image.pixel(pixel));
        one["rgb"] = rgb_text(image.pixel(pixel));
        one["hsl"] = hsl_text(image.pixel(pixel));
        one["bytes"] = bytes_text(image, pixel);
        report["pixels"].push_back(std::move(one));
    }
    if (arguments.part) {
        const cb::Image part = part_of(image, arguments.part);
        report["part"] = json_of(*arguments.part);
        for (std::int32_t y = 0; y < part.height(); ++y) {
            nlohmann::ordered_json row = nlohmann::ordered_json::array();
            for (std::int32_t x = 0; x < part.width(); ++x)
                row.push_back(text_of(part, {x, y}, arguments.notation));
            report["rows"].push_back(std::move(row));
        }
    }
    if (arguments.find) {
        const cb::Region found = cb::pixels_like(image, *arguments.find, arguments.within);
        nlohmann::ordered_json places = nlohmann::ordered_json::array();
        for (const cb::Point& place : first_places(found)) places.push_back(json_of(place));
        report["found"] = {{"colour", cb::hex(*arguments.find)},
                           {"pixels", found.area()},
                           {"bounds", json_of(found.bounds())},
                           {"first", places}};
    }
    if (arguments.extent || arguments.ground) {
        const cb::Colour ground = ground_of(image, arguments);
        report["extent"] = json_of(cb::extent_of_content(image, ground));
        report["ground"] = cb::hex(ground);
    }
    if (arguments.colours) {
        const cb::ColourCounts counts = cb::count_colours(image, *arguments.colours);
        report["colours"] = counts.colours;
        for (const auto& [colour, pixels] : counts.commonest)
            report["commonest"].push_back({{"colour", cb::hex(colour)}, {"pixels", pixels}});
    }
    if (arguments.histogram)
        for (const auto& [name, channel] : channels)
            if (is_told(image, channel))
                report["histogram"][std::string(name)] = cb::histogram(image, channel);
}
