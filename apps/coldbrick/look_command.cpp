#include "commands.hpp"
#include "picture_input.hpp"
#include "terminal.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/resize.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace coldbrick::tool {

namespace {

/// The size in the terminal's half characters: that of the zoom, or what the window has room for.
Size wanted_size(const LookArguments& arguments, const Size& size) {
    const Size window = terminal_size();
    if (arguments.zoom) {
        const std::int64_t width = std::int64_t{size.width} * *arguments.zoom;
        const std::int64_t height = std::int64_t{size.height} * *arguments.zoom;
        constexpr std::int64_t most = 4096;
        if (width > most || height > most)
            throw ArgumentError(
                fmt::format("{} x {} pixels are more than the {} x {} that a terminal is shown: "
                            "give a --part",
                            width, height, most, most));
        return {static_cast<std::int32_t>(width), static_cast<std::int32_t>(height)};
    }
    // The last line is the prompt's.
    const std::int32_t columns = arguments.columns.value_or(window.width);
    const double most_rows = arguments.columns ? 1e9 : 2.0 * std::max(window.height - 1, 1);
    const double scale = std::min({1.0, static_cast<double>(columns) / size.width, most_rows / size.height});
    const auto scaled = [scale](std::int32_t length) {
        return std::max(1, static_cast<std::int32_t>(std::floor(length * scale + 1e-9)));
    };
    return {scaled(size.width), scaled(size.height)};
}

} // namespace

void look(const LookArguments& arguments) {
    Image image = part_of(read_picture(arguments.input, arguments.frame).image, arguments.part);
    const Size size = wanted_size(arguments, image.size());
    const bool grows = size.width > image.width();
    if (size != image.size())
        image = resized(image, size, {.resampling = grows ? Resampling::nearest : Resampling::area});
    fmt::print("{}", terminal_text(image, arguments.colours.value_or(output_colours())));
}

} // namespace coldbrick::tool
