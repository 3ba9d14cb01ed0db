#include "command_options.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <charconv>
#include <cstddef>
#include <system_error>

namespace coldbrick::tool {

namespace {

/// The types by their extensions without dots.
std::map<std::string, FileType> types_by_name() {
    std::map<std::string, FileType> result{{"jpeg", FileType::jpeg}};
    for (int i = 0; i <= static_cast<int>(FileType::pnm); ++i) {
        const auto type = static_cast<FileType>(i);
        result.emplace(extension(type).substr(1), type);
    }
    return result;
}

/// Takes one number from the beginning of a text that goes on with `next` or ends. @returns whether it did
template <class Number>
bool take_number(std::string_view& text, Number& number, char next) {
    const char* const end = text.data() + text.size();
    const auto read = std::from_chars(text.data(), end, number);
    const bool ends_well = next == '\0' ? read.ptr == end : read.ptr != end && *read.ptr == next;
    if (read.ec != std::errc() || !ends_well) return false;
    text.remove_prefix(static_cast<std::size_t>(read.ptr - text.data()) + (next == '\0' ? 0 : 1));
    return true;
}

[[noreturn]] void refuse(const char* name, const std::string& text, const char* form) {
    throw WrongCall(name, fmt::format("{} is not of the form {}", base::in_quotes(text), form));
}

/// NAME=VALUE
std::string setting_of(const char* name, const std::string& text) {
    const std::size_t sign = text.find('=');
    if (sign == std::string::npos || sign == 0 || sign + 1 == text.size()) refuse(name, text, "NAME=VALUE");
    return text;
}

/// Adds the type of an image file, told apart from its name.
void add_image_type(const Command& command, std::optional<FileType>& type) {
    add_choice(command, "--type", "The type of file instead of what the extension tells, such as png",
               types_by_name(), type);
}

void add_encoding(const Command& command, EncodeOptions& options) {
    add_number(command, "--quality", options.quality, 1, 100,
               "jpg and webp: 1..100, more is better; webp loses nothing without it");
    add_number(command, "--compression", options.compression, 0, 9, "png and webp: 0..9, from fast to small");
    add_choice<ChromaSubsampling>(command, "--subsampling",
                                  "jpg: how pixels share colour differences; both if left out",
                                  {{"none", ChromaSubsampling::none},
                                   {"across", ChromaSubsampling::across},
                                   {"both", ChromaSubsampling::both}},
                                  options.subsampling);
    command.add_flag("--progressive", "jpg: coarse at first, then finer", options.progressive);
    command.add_flag("--smallest",
                     "png: the smallest colour type that holds the pixels; jpg: codes made for them",
                     options.smallest);
    command.add_flag("--plain-text", "pbm, pgm, ppm: numbers as text", options.plain_text);
    add_colour(command, "--background", options.background,
               "What see-through pixels are laid on where there is no alpha");
    command.add_value("--resolution", "NUMBER", "png, jpg and bmp: pixels an inch, 1..65535",
                      [&options](const std::string& text) {
                          const double pixels = number_of("--resolution", text, 1, 65535);
                          options.resolution = Resolution{pixels, pixels};
                      });
    command.add_flag("--allow-loss", "Round depths, colours and alpha to what the type holds",
                     options.allow_loss);
    command.add_flag("--no-dithering", "gif: nearest colours only", [&options] { options.dithered = false; });
}

} // namespace

std::string with_heading(const std::array<const char*, 2>& examples) {
    std::string result = "Examples, in the folder that `coldbrick demo` makes:";
    for (const char* const example : examples) result.append("\n  coldbrick ").append(example);
    return result;
}

template <class Number>
Number number_of(const char* name, const std::string& text, Number low, Number high) {
    const char* const end = text.data() + text.size();
    Number value{};
    const auto read = std::from_chars(text.data(), end, value);
    if (read.ec != std::errc() || read.ptr != end || value < low || value > high)
        throw WrongCall(name,
                        fmt::format("{} is not a whole number of {}..{}", base::in_quotes(text), low, high));
    return value;
}
template int number_of(const char*, const std::string&, int, int);
template std::uint64_t number_of(const char*, const std::string&, std::uint64_t, std::uint64_t);

std::size_t place_of_word(const char* name, const std::string& word, const std::vector<std::string>& words) {
    const auto found = std::ranges::find(words, word);
    if (found == words.end())
        throw WrongCall(name, fmt::format("{} is none of {}", base::in_quotes(word), fmt::join(words, ", ")));
    return static_cast<std::size_t>(found - words.begin());
}

void check_output(const ImageOutput& output) {
    if (output.path.empty()) throw WrongCall::missing("--output");
    check_option("--output", [&] { (void)output.file_type(); });
}

Size size_of(const char* name, const std::string& text) {
    if (text == "a4" || text == "A4") return a4;
    Size result;
    const std::size_t times = text.find('X');
    std::string lower = text;
    if (times != std::string::npos) lower[times] = 'x';
    std::string_view rest = lower;
    if (!take_number(rest, result.width, 'x') || !take_number(rest, result.height, '\0') ||
        result.width < 1 || result.height < 1)
        refuse(name, text, "WIDTHxHEIGHT, such as 100x50, each of 1..2147483647");
    return result;
}

Point point_of(const char* name, const std::string& text) {
    Point result;
    std::string_view rest = text;
    if (!take_number(rest, result.x, ',') || !take_number(rest, result.y, '\0'))
        refuse(name, text, "X,Y with whole numbers");
    return result;
}

Box box_of(const char* name, const std::string& text) {
    const std::size_t comma = text.find(',', text.find(',') + 1);
    Point corner;
    Size size;
    std::string_view rest = text;
    if (comma == std::string::npos || !take_number(rest, corner.x, ',') ||
        !take_number(rest, corner.y, ',') || !take_number(rest, size.width, 'x') ||
        !take_number(rest, size.height, '\0') || size.width < 1 || size.height < 1)
        refuse(name, text, "X,Y,WIDTHxHEIGHT with whole numbers, as 10,20,64x48");
    return {corner.x, corner.y, size.width, size.height};
}

Colour colour_of(const char* name, const std::string& text) {
    try {
        return colour(text);
    } catch (const ArgumentError& error) {
        throw WrongCall(name, error.what());
    }
}

Option add_sheet(const Command& command, SheetArguments& arguments, const char* input,
                 const char* description) {
    const Option result = command.add_text(input, "TEXT", description, arguments.path);
    add_read(command, "--set", "NAME=VALUE", "Give a name of the sheet another value; may be repeated",
             arguments.settings, setting_of);
    command.add_flag("--leave-folder", "Let the sheet include files outside of its folder",
                     arguments.leaves_folder);
    add_number(command, "--memory", arguments.memory_mib, std::size_t{1}, std::size_t{1} << 20U,
               "How many MiB the drawing and each table of data may take");
    return result;
}

void add_warnings(const Command& command, SheetArguments& arguments) {
    command.add_flag("--warnings", "Tell what is not wrong, but most likely not meant", arguments.warns);
}

Option add_json(const Command& command, bool& json) {
    return command.add_flag("--json", "Print it in JSON", json);
}

Option add_colour(const Command& command, const char* name, std::optional<Colour>& target,
                  const char* description) {
    return add_read(command, name, "COLOUR", description, target, colour_of);
}

void add_image_output(const Command& command, ImageOutput& output) {
    add_file(command, "-o,--output",
             "The image file: .png, .jpg, .webp, .gif, .bmp, .qoi, .pbm, .pgm, .ppm, .pam or .pnm; - for "
             "standard output",
             output.path);
    add_image_type(command, output.type);
    add_encoding(command, output.options);
}

} // namespace coldbrick::tool
