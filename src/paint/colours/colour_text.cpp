#include <coldbrick/colour_text.hpp>

#include "base/shown_text.hpp"
#include "paint/colours/colour_names.hpp"
#include "paint/formats/channel_depth.hpp"

#include <coldbrick/colour_space.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <charconv>

namespace coldbrick {

namespace {

constexpr char lower(char c) {
    return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
}

std::string lowered(std::string_view text) {
    std::string result(text);
    std::ranges::transform(result, result.begin(), lower);
    return result;
}

/// The value of a hexadecimal digit, or -1.
constexpr int digit_value(char c) {
    if (c >= '0' && c <= '9') return c - '0';
    const char letter = lower(c);
    return letter >= 'a' && letter <= 'f' ? letter - 'a' + 10 : -1;
}

/// The colour of the digits after the `#`, if they are 3, 4, 6 or 8 hexadecimal ones.
std::optional<Colour> hex_colour(std::string_view digits) {
    const bool doubled = digits.size() == 3 || digits.size() == 4;
    if (!doubled && digits.size() != 6 && digits.size() != 8) return std::nullopt;
    if (std::ranges::any_of(digits, [](char c) { return digit_value(c) < 0; })) return std::nullopt;
    std::array<int, 4> channels{0, 0, 0, 255};
    const std::size_t digits_a_channel = doubled ? 1 : 2;
    for (std::size_t i = 0; i * digits_a_channel < digits.size(); ++i) {
        const int high = digit_value(digits[i * digits_a_channel]);
        const int low = digit_value(digits[i * digits_a_channel + digits_a_channel - 1]);
        channels[i] = 16 * high + low;
    }
    return Colour(channels[0], channels[1], channels[2], channels[3]);
}

/// Reads the arguments of a colour function, such as `(120, 50%, 40%, 0.5)` or `(120 50% 40% / 50%)`.
class Arguments {
  public:
    explicit Arguments(std::string_view text) : rest_(text) {}

    [[nodiscard]] bool take(char wanted) {
        skip_blanks();
        if (rest_.empty() || rest_.front() != wanted) return false;
        rest_.remove_prefix(1);
        return true;
    }

    /// Between two arguments.
    void take_separator() { (void)(take(',') || take('/')); }

    struct Number {
        double value;
        bool percent;
    };
    [[nodiscard]] std::optional<Number> number() {
        skip_blanks();
        double value = 0;
        const auto [end, error] = std::from_chars(rest_.data(), rest_.data() + rest_.size(), value);
        if (error != std::errc()) return std::nullopt;
        rest_.remove_prefix(static_cast<std::size_t>(end - rest_.data()));
        const bool percent = rest_.starts_with('%');
        if (percent) rest_.remove_prefix(1);
        if (rest_.starts_with("deg")) rest_.remove_prefix(3);
        return Number{value, percent};
    }

    [[nodiscard]] bool at_end() const { return rest_.empty(); }

  private:
    void skip_blanks() { rest_.remove_prefix(std::min(rest_.find_first_not_of(' '), rest_.size())); }

    std::string_view rest_;
};

/// A number of 0..most, or a percentage of it, as a share of 0..1. @throws ArgumentError outside of it.
double share(const char* name, const Arguments::Number& number, double most) {
    const double whole = number.percent ? 100 : most;
    if (!(number.value >= 0 && number.value <= whole))
        throw ArgumentError(fmt::format("colour channel {} {}{} is outside 0..{}{}", name, number.value,
                                        number.percent ? "%" : "", whole, number.percent ? "%" : ""));
    return number.value / whole;
}

/// The colour of rgb(...), rgba(...), hsl(...) or hsla(...), if the text is of that form.
std::optional<Colour> function_colour(std::string_view text) {
    const std::size_t open = text.find('(');
    if (open == std::string_view::npos) return std::nullopt;
    const std::string name = lowered(text.substr(0, open));
    const bool is_rgb = name == "rgb" || name == "rgba";
    if (!is_rgb && name != "hsl" && name != "hsla") return std::nullopt;
    Arguments rest(text.substr(open));
    if (!rest.take('(')) return std::nullopt;
    std::array<Arguments::Number, 4> numbers{{{}, {}, {}, {1, false}}};
    std::size_t count = 0;
    for (; count < 4 && !rest.take(')'); ++count) {
        const auto number = rest.number();
        if (!number) return std::nullopt;
        numbers[count] = *number;
        rest.take_separator();
    }
    if (count < 3 || (count == 4 && !rest.take(')')) || !rest.at_end()) return std::nullopt;
    const auto alpha = paint::from_real<Colour>(share("alpha", numbers[3], 1));
    if (!is_rgb)
        return colour(Hsl{degrees(numbers[0].value), share("saturation", numbers[1], 100),
                          share("lightness", numbers[2], 100), alpha});
    return Colour(paint::from_real<Colour>(share("red", numbers[0], 255)),
                  paint::from_real<Colour>(share("green", numbers[1], 255)),
                  paint::from_real<Colour>(share("blue", numbers[2], 255)), alpha);
}

} // namespace

std::optional<Colour> css_colour(std::string_view name) {
    const std::string wanted = lowered(name);
    const auto names = paint::named_colours();
    const auto found = std::ranges::lower_bound(names, wanted, {}, &paint::NamedColour::name);
    if (found == names.end() || found->name != wanted) return std::nullopt;
    return found->colour;
}

std::vector<std::string_view> css_colour_names() {
    std::vector<std::string_view> result;
    result.reserve(paint::named_colours().size());
    for (const paint::NamedColour& named : paint::named_colours()) result.push_back(named.name);
    return result;
}

Colour colour(std::string_view text) {
    std::optional<Colour> found = text.starts_with('#') ? hex_colour(text.substr(1)) : function_colour(text);
    if (!found) found = css_colour(text);
    if (!found)
        throw ArgumentError(fmt::format("{} is not a colour: write # and 3, 4, 6 or 8 hexadecimal digits, "
                                        "rgb(...), hsl(...) or a CSS colour name",
                                        base::in_quotes(text)));
    return *found;
}

std::string hex(const Colour& colour) {
    const std::string opaque = fmt::format("#{:02x}{:02x}{:02x}", colour.red, colour.green, colour.blue);
    return colour.alpha == 255 ? opaque : fmt::format("{}{:02x}", opaque, colour.alpha);
}

} // namespace coldbrick
