#include <coldbrick/terminal_text.hpp>

#include "base/range_checks.hpp"
#include "image/reading/pixel_reader.hpp"

#include <coldbrick/colour_mixing.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdlib>
#include <iterator>
#include <string_view>
#include <vector>

namespace coldbrick {

namespace {

int squared_gap(const Colour& a, const Colour& b) {
    const int red = a.red - b.red;
    const int green = a.green - b.green;
    const int blue = a.blue - b.blue;
    return red * red + green * green + blue * blue;
}

/// The sixteen colours as most terminals show them, in the order of their codes.
constexpr std::array<Colour, 16> basic_colours{
    Colour(0, 0, 0),       Colour(205, 0, 0),   Colour(0, 205, 0),   Colour(205, 205, 0),
    Colour(0, 0, 238),     Colour(205, 0, 205), Colour(0, 205, 205), Colour(229, 229, 229),
    Colour(127, 127, 127), Colour(255, 0, 0),   Colour(0, 255, 0),   Colour(255, 255, 0),
    Colour(92, 92, 255),   Colour(255, 0, 255), Colour(0, 255, 255), Colour(255, 255, 255)};

std::size_t nearest_basic(const Colour& colour) {
    const auto* const nearest = std::ranges::min_element(
        basic_colours, {}, [&colour](const Colour& basic) { return squared_gap(basic, colour); });
    return static_cast<std::size_t>(nearest - basic_colours.begin());
}

/// The number of one of 256 colours: from 16 on the cube, from 232 on greys.
int nearest_of_many(const Colour& colour) {
    constexpr std::array<int, 6> levels{0, 95, 135, 175, 215, 255};
    const auto level = [&levels](int channel) {
        const auto* const nearest =
            std::ranges::min_element(levels, {}, [channel](int value) { return std::abs(value - channel); });
        return static_cast<int>(nearest - levels.begin());
    };
    const auto channel = [&levels](int index) { return levels[static_cast<std::size_t>(index)]; };
    const int red = level(colour.red);
    const int green = level(colour.green);
    const int blue = level(colour.blue);
    const int grey = std::clamp((colour.red + colour.green + colour.blue - 3 * 3) / 30, 0, 23);
    const Colour of_cube(channel(red), channel(green), channel(blue));
    const Colour of_greys(8 + 10 * grey, 8 + 10 * grey, 8 + 10 * grey);
    return squared_gap(of_greys, colour) < squared_gap(of_cube, colour) ? 232 + grey
                                                                        : 16 + 36 * red + 6 * green + blue;
}

/// The parameters of select graphic rendition for a colour of letters or of what is behind them.
std::string rendition(const Colour& colour, TerminalColours colours, bool behind) {
    switch (colours) {
    case TerminalColours::all:
        return fmt::format("{};2;{};{};{}", behind ? 48 : 38, colour.red, colour.green, colour.blue);
    case TerminalColours::many: return fmt::format("{};5;{}", behind ? 48 : 38, nearest_of_many(colour));
    default: break;
    }
    const std::size_t number = nearest_basic(colour);
    return std::to_string((number < 8 ? 30 : 90 - 8) + number + (behind ? 10 : 0));
}

constexpr std::string_view own_colours = "\x1b[0m";

/// From dark to light.
constexpr std::array<std::string_view, 5> shades{" ", "\u2591", "\u2592", "\u2593", "\u2588"};

std::string_view shade_of(const Colour& upper, const Colour& lower) {
    // Equal steps of lightness rather than of light.
    const double lightness = std::cbrt((luminance(upper) + luminance(lower)) / 2);
    return shades[static_cast<std::size_t>(std::lround(lightness * (shades.size() - 1)))];
}

Colour laid_on(const Colour& pixel, const Colour& ground) {
    const Colour opaque(pixel.red, pixel.green, pixel.blue);
    return pixel.alpha == 255 ? opaque : mix(ground, opaque, pixel.alpha / 255.0);
}

/// Writes rows of characters, changing colours only where they change.
class RowWriter {
  public:
    RowWriter(std::string& text, TerminalColours colours) : text_(text), colours_(colours) {}

    void add(const Colour& upper, const Colour& lower) {
        if (colours_ == TerminalColours::none) {
            text_ += shade_of(upper, lower);
            return;
        }
        std::string front = rendition(upper, colours_, false);
        std::string back = rendition(lower, colours_, true);
        if (front != front_ || back != back_) {
            const bool both = front != front_ && back != back_;
            fmt::format_to(std::back_inserter(text_), "\x1b[{}{}{}m", front != front_ ? front : "",
                           both ? ";" : "", back != back_ ? back : "");
            front_ = std::move(front);
            back_ = std::move(back);
        }
        text_ += "\u2580";
    }

    void end_row() {
        if (colours_ != TerminalColours::none) text_ += own_colours;
        text_ += '\n';
        front_.clear();
        back_.clear();
    }

  private:
    std::string& text_;
    TerminalColours colours_;
    std::string front_;
    std::string back_;
};

} // namespace

std::string terminal_text(const ConstImageView& image, TerminalColours colours, const Colour& ground) {
    base::check_choice("colours of a terminal", colours, TerminalColours::all);
    image::check_palette(image);
    const image::PixelReader<Colour> reader(image);
    std::string result;
    RowWriter rows(result, colours);
    std::vector<Colour> upper(static_cast<std::size_t>(image.width()));
    std::vector<Colour> lower(upper.size());
    for (std::int32_t y = 0; y < image.height(); y += 2) {
        reader.row(0, y, upper);
        const bool has_lower = y + 1 < image.height();
        if (has_lower) reader.row(0, y + 1, lower);
        for (std::size_t x = 0; x < upper.size(); ++x)
            rows.add(laid_on(upper[x], ground), has_lower ? laid_on(lower[x], ground) : ground);
        rows.end_row();
    }
    return result;
}

std::string terminal_swatch(const Colour& colour, TerminalColours colours) {
    if (colours == TerminalColours::none) return {};
    const Colour shown = laid_on(colour, Colour(0, 0, 0));
    return fmt::format("\x1b[{}m  {}", rendition(shown, colours, true), own_colours);
}

} // namespace coldbrick
