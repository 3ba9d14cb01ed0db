#include "commands.hpp"
#include "image_files.hpp"
#include "json_output.hpp"
#include "pixel_report.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/image_info.hpp>

#include <fmt/format.h>

#include <string>
#include <utility>

namespace coldbrick::tool {

namespace {

std::string_view type_name(FileType type) {
    return extension(type).substr(1);
}

std::string orientation_text(const Orientation& orientation) {
    std::string turn = orientation.quarters == 0
                           ? ""
                           : fmt::format("turned {} degrees clockwise", 90 * orientation.quarters);
    if (!orientation.mirrored) return turn;
    return turn.empty() ? "mirrored" : "mirrored, then " + turn;
}

double seconds(const Duration& duration) {
    return static_cast<double>(duration.microseconds) / 1e6;
}

std::string repeats_text(std::int32_t repeats) {
    return repeats == 0 ? "for ever" : repeats == 1 ? "once" : fmt::format("{} times", repeats);
}

void print_line(std::string_view key, const std::string& value) {
    fmt::print("  {:<14} {}\n", key, value);
}

void print_text(const std::string& file, const ImageInfo& info) {
    fmt::print("{}\n", base::shown(file, 300));
    print_line("type", std::string(type_name(info.type)));
    print_line("size", fmt::format("{} x {}", info.size.width, info.size.height));
    print_line("stored", fmt::format("{} channel{} of {} bit{}", info.channels, info.channels == 1 ? "" : "s",
                                     info.bits, info.bits == 1 ? "" : "s"));
    print_line("read as", std::string(layout(info.format).name));
    if (info.frames != 1)
        print_line("frames", fmt::format("{}, {:.6g} s in all, {}", info.frames, seconds(info.duration),
                                         repeats_text(info.repeats)));
    if (info.orientation != Orientation{}) print_line("orientation", orientation_text(info.orientation));
    if (info.resolution)
        print_line("resolution", fmt::format("{:.4g} x {:.4g} pixels an inch", info.resolution->across,
                                             info.resolution->down));
    if (!info.colour_profile.empty()) print_line("colour profile", base::shown(info.colour_profile));
    for (const FileText& text : info.texts)
        print_line("text", fmt::format("{}: {}", base::shown(text.keyword), base::shown(text.text, 200)));
}

Json json_of(const std::string& file, const ImageInfo& info) {
    Json result{{"file", file},
                {"type", type_name(info.type)},
                {"width", info.size.width},
                {"height", info.size.height},
                {"channels", info.channels},
                {"bits", info.bits},
                {"format", layout(info.format).name},
                {"frames", info.frames},
                {"seconds", seconds(info.duration)},
                {"repeats", info.repeats},
                {"mirrored", info.orientation.mirrored},
                {"turned", 90 * info.orientation.quarters}};
    if (info.resolution)
        result.set("pixels_per_inch", Json::list(std::array{info.resolution->across, info.resolution->down}));
    if (!info.colour_profile.empty()) result.set("colour_profile", info.colour_profile);
    for (const FileText& text : info.texts)
        result.add_to("texts", {{"keyword", text.keyword}, {"text", text.text}});
    return result;
}

} // namespace

void inspect(const InspectArguments& arguments) {
    Json all = Json::list();
    for (const std::string& file : arguments.files) {
        const ImageInput input(file);
        Json one = json_of(file, input.info());
        if (!arguments.json) print_text(file, input.info());
        if (arguments.asks_for_pixels()) {
            const Image image = input.image();
            if (arguments.json)
                add_pixel_report(one, image, arguments);
            else
                print_pixel_report(image, arguments);
        }
        all.add(one);
    }
    if (arguments.json) print_json(all);
}

} // namespace coldbrick::tool
