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

namespace coldbrick::tool {

namespace {

constexpr std::size_t most_places = 6;

std::string rgb_text(const Colour& colour) {
    if (colour.alpha == 255) return fmt::format("rgb({}, {}, {})", colour.red, colour.green, colour.blue);
    return fmt::format("rgb({}, {}, {}, {:.3g})", colour.red, colour.green, colour.blue,
                       colour.alpha / 255.0);
}

std::string hsl_text(const Colour& colour) {
    const Hsl hsl = coldbrick::hsl(colour);
    const std::string alpha = colour.alpha == 255 ? "" : fmt::format(", {:.3g}", colour.alpha / 255.0);
    return fmt::format("hsl({:.4g}, {:.4g}%, {:.4g}%{})", hsl.hue.in_degrees(), 100 * hsl.saturation,
                       100 * hsl.lightness, alpha);
}

/// The pixel's bytes as they lie in memory, in hexadecimal digits.
std::string bytes_text(const Image& image, Point pixel) {
    const auto bytes = static_cast<std::size_t>(layout(image.format()).bytes);
    std::string result;
    for (const std::byte byte :
         image.view().row(pixel.y).subspan(static_cast<std::size_t>(pixel.x) * bytes, bytes))
        result += fmt::format("{}{:02x}", result.empty() ? "" : " ", std::to_integer<unsigned>(byte));
    return result;
}

std::string text_of(const Image& image, Point pixel, Notation notation) {
    switch (notation) {
    case Notation::rgb: return rgb_text(image.pixel(pixel));
    case Notation::hsl: return hsl_text(image.pixel(pixel));
    case Notation::bytes: return bytes_text(image, pixel);
    default: return hex(image.pixel(pixel));
    }
}

std::string with_swatch(const Colour& colour, const std::string& text) {
    const std::string swatch = terminal_swatch(colour, output_colours());
    return swatch.empty() ? text : swatch + " " + text;
}

Colour ground_of(const Image& image, const InspectArguments& arguments) {
    return arguments.ground.value_or(image.pixel({0, 0}));
}

/// The first pixels of a region, row by row.
std::vector<Point> first_places(const Region& region) {
    std::vector<Point> result;
    for (const Span& span : region.spans())
        for (std::int64_t x = span.x_begin; x < span.x_end && result.size() < most_places; ++x)
            result.push_back({static_cast<std::int32_t>(x), span.y});
    return result;
}

constexpr std::array<std::pair<std::string_view, Channel>, 5> channels{{{"red", Channel::red},
                                                                        {"green", Channel::green},
                                                                        {"blue", Channel::blue},
                                                                        {"alpha", Channel::alpha},
                                                                        {"gray", Channel::gray}}};

bool is_told(const Image& image, Channel channel) {
    return channel != Channel::alpha || layout(image.format()).has_alpha();
}

void print_part(const Image& image, const InspectArguments& arguments) {
    const Image part = part_of(image, arguments.part);
    for (std::int32_t y = 0; y < part.height(); ++y) {
        fmt::print("  row {:<10}", arguments.part->y + y);
        for (std::int32_t x = 0; x < part.width(); ++x)
            fmt::print(" {}", with_swatch(part.pixel({x, y}), text_of(part, {x, y}, arguments.notation)));
        fmt::print("\n");
    }
}

void print_found(const Image& image, const InspectArguments& arguments) {
    const Region found = pixels_like(image, *arguments.find, arguments.within);
    const Box bounds = found.bounds();
    fmt::print("  {:<14} {} pixels", hex(*arguments.find), found.area());
    if (!found.empty())
        fmt::print(" within {},{} {} x {}, first", bounds.x, bounds.y, bounds.width, bounds.height);
    for (const Point& place : first_places(found)) fmt::print(" {},{}", place.x, place.y);
    fmt::print("\n");
}

void print_histogram(const Image& image) {
    fmt::print("  {:<14}", "histogram");
    for (const auto& [name, channel] : channels)
        if (is_told(image, channel)) fmt::print(" {:>9}", name);
    fmt::print("\n");
    std::array<std::array<std::int64_t, 256>, channels.size()> counts{};
    for (std::size_t i = 0; i < channels.size(); ++i) counts[i] = histogram(image, channels[i].second);
    for (std::size_t value = 0; value < 256; ++value) {
        const auto has = [value](const auto& of_channel) { return of_channel[value] > 0; };
        if (std::ranges::none_of(counts, has)) continue;
        fmt::print("  {:>14}", value);
        for (std::size_t i = 0; i < channels.size(); ++i)
            if (is_told(image, channels[i].second)) fmt::print(" {:>9}", counts[i][value]);
        fmt::print("\n");
    }
}

void print_colours(const Image& image, std::size_t most) {
    const ColourCounts counts = count_colours(image, most);
    fmt::print("  {:<14} {}\n", "colours", counts.colours);
    for (const auto& [colour, pixels] : counts.commonest)
        fmt::print("  {:>14} {}\n", pixels, with_swatch(colour, hex(colour)));
}

} // namespace

void print_pixel_report(const Image& image, const InspectArguments& arguments) {
    for (const Point& pixel : arguments.at) {
        const Colour colour = image.pixel(pixel);
        fmt::print("  {:<14} {}   {}   {}   bytes {}\n", fmt::format("{},{}", pixel.x, pixel.y),
                   with_swatch(colour, hex(colour)), rgb_text(colour), hsl_text(colour),
                   bytes_text(image, pixel));
    }
    if (arguments.part) print_part(image, arguments);
    if (arguments.find) print_found(image, arguments);
    if (arguments.extent || arguments.ground) {
        const Colour ground = ground_of(image, arguments);
        const Box box = extent_of_content(image, ground);
        fmt::print("  {:<14} {}\n", "extent",
                   box.empty() ? fmt::format("all is {}", hex(ground))
                               : fmt::format("{},{} {} x {} is not {}", box.x, box.y, box.width, box.height,
                                             hex(ground)));
    }
    if (arguments.colours) print_colours(image, *arguments.colours);
    if (arguments.histogram) print_histogram(image);
}

void add_pixel_report(Json& report, const Image& image, const InspectArguments& arguments) {
    for (const Point& pixel : arguments.at) {
        Json one = pixel;
        one.set("hex", hex(image.pixel(pixel)));
        one.set("rgb", rgb_text(image.pixel(pixel)));
        one.set("hsl", hsl_text(image.pixel(pixel)));
        one.set("bytes", bytes_text(image, pixel));
        report.add_to("pixels", one);
    }
    if (arguments.part) {
        const Image part = part_of(image, arguments.part);
        report.set("part", *arguments.part);
        for (std::int32_t y = 0; y < part.height(); ++y) {
            Json row = Json::list();
            for (std::int32_t x = 0; x < part.width(); ++x)
                row.add(text_of(part, {x, y}, arguments.notation));
            report.add_to("rows", row);
        }
    }
    if (arguments.find) {
        const Region found = pixels_like(image, *arguments.find, arguments.within);
        Json places = Json::list();
        for (const Point& place : first_places(found)) places.add(place);
        report.set("found", {{"colour", hex(*arguments.find)},
                             {"pixels", found.area()},
                             {"bounds", found.bounds()},
                             {"first", places}});
    }
    if (arguments.extent || arguments.ground) {
        const Colour ground = ground_of(image, arguments);
        report.set("extent", extent_of_content(image, ground));
        report.set("ground", hex(ground));
    }
    if (arguments.colours) {
        const ColourCounts counts = count_colours(image, *arguments.colours);
        report.set("colours", counts.colours);
        for (const auto& [colour, pixels] : counts.commonest)
            report.add_to("commonest", {{"colour", hex(colour)}, {"pixels", pixels}});
    }
    if (arguments.histogram) {
        Json values({});
        for (const auto& [name, channel] : channels)
            if (is_told(image, channel)) values.set(name, Json::list(histogram(image, channel)));
        report.set("histogram", values);
    }
}

} // namespace coldbrick::tool
