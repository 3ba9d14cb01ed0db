#include "commands.hpp"
#include "failures.hpp"
#include "json_output.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/picture_table.hpp>
#include <coldbrick/reel.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::tool {

namespace {

constexpr int same = 0;
constexpr int different = 1;
constexpr int not_compared = 2;

constexpr std::array<std::string_view, 4> channels{"red", "green", "blue", "alpha"};
constexpr std::size_t most_parts = 5;

std::string shown(const Box& box) {
    return fmt::format("{},{} {} x {}", box.x, box.y, box.width, box.height);
}

void print_text(const Difference& difference, const std::vector<Region>& parts) {
    if (difference.largest == 0) return fmt::print("equal: {} pixels\n", difference.compared);
    fmt::print("{} of {} pixels differ, {:.4g} %\n", difference.pixels, difference.compared,
               100.0 * static_cast<double>(difference.pixels) / static_cast<double>(difference.compared));
    for (std::size_t i = 0; i < channels.size(); ++i)
        if (difference.largest_of[i] > 0)
            fmt::print("  {:<9} by {} at most, {:.4g} in the mean\n", channels[i], difference.largest_of[i],
                       difference.mean_of[i]);
    if (difference.pixels == 0) return;
    fmt::print("  within    {}\n", shown(difference.bounds));
    fmt::print("  regions   {}\n", parts.size());
    for (std::size_t i = 0; i < std::min(parts.size(), most_parts); ++i)
        fmt::print("    {}: {} pixels\n", shown(parts[i].bounds()), parts[i].area());
}

void print_json_of(const Difference& difference, const std::vector<Region>& parts) {
    Json largest = Json::list();
    for (std::size_t i = 0; i < std::min(parts.size(), most_parts); ++i)
        largest.add({{"box", parts[i].bounds()}, {"pixels", parts[i].area()}});
    print_json({{"pixels", difference.pixels},
                {"compared", difference.compared},
                {"largest", Json::list(difference.largest_of)},
                {"mean", Json::list(difference.mean_of)},
                {"bounds", difference.bounds},
                {"regions", parts.size()},
                {"largest_regions", largest}});
}

/// A reel that shows the two images in turns.
void write_blinking(const DifferArguments& arguments, const Image& first, const Image& second) {
    const auto frame = [&](std::int32_t number) { return number == 0 ? first : second; };
    const ReelOptions options{.rate = {2, 1}};
    if (is_standard_stream(arguments.output.path))
        throw FileError("a reel that blinks is written into a file, not to standard output");
    write_reel(arguments.output.path, 0, 1, frame, options);
}

void write_picture(const DifferArguments& arguments, const Image& first, const Image& second,
                   const Difference& difference) {
    if (arguments.blinks) return write_blinking(arguments, first, second);
    const std::vector<CaptionedPicture> pictures{{first, arguments.first},
                                                 {second, arguments.second},
                                                 {amplified(difference.picture, arguments.amplify),
                                                  fmt::format("difference x {}", arguments.amplify)}};
    save_image(picture_table(pictures, {.columns = 3}), arguments.output);
}

int compare(const DifferArguments& arguments) {
    refuse_to_replace(arguments.output.path, {arguments.first, arguments.second});
    const Image first = ImageInput(arguments.first).image();
    const Image second = ImageInput(arguments.second).image();
    if (first.size() != second.size())
        throw FileError(fmt::format("the images differ in size: {} has {} x {} pixels, {} has {} x {}",
                                    base::shown(arguments.first), first.width(), first.height(),
                                    base::shown(arguments.second), second.width(), second.height()));
    const Difference difference = coldbrick::difference(
        first, second, {.tolerance = arguments.tolerance, .ignored = arguments.ignored});
    const std::vector<Region> parts = coldbrick::parts(difference.region);
    if (!arguments.output.path.empty()) write_picture(arguments, first, second, difference);
    if (!is_standard_stream(arguments.output.path)) {
        if (arguments.json)
            print_json_of(difference, parts);
        else
            print_text(difference, parts);
    }
    return difference.pixels == 0 ? same : different;
}

} // namespace

int differ(const DifferArguments& arguments) {
    int result = not_compared;
    (void)done_or_told([&] { result = compare(arguments); });
    return result;
}

} // namespace coldbrick::tool
