#include "command_options.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>

#include <cstddef>

namespace cb = coldbrick;

namespace {

/// The types by their extensions without dots.
std::map<std::string, cb::FileType> types_by_name() {
    std::map<std::string, cb::FileType> result{{"jpeg", cb::FileType::jpeg}};
    for (int i = 0; i <= static_cast<int>(cb::FileType::pnm); ++i) {
        const auto type = static_cast<cb::FileType>(i);
        result.emplace(cb::extension(type).substr(1), type);
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
    throw CLI::ValidationError(name,
                               fmt::format("{} is not of the form {}", cb::base::in_quotes(text), form));
}

/// Accepts NAME=VALUE.
std::string check_setting(const std::string& text) {
    const std::size_t sign = text.find('=');
    if (sign == std::string::npos || sign == 0 || sign + 1 == text.size())
        return fmt::format("{} is not of the form NAME=VALUE", cb::base::in_quotes(text));
    return {};
}

/// Adds the type of an image file, told apart from its name.
void add_image_type(CLI::App& command, std::optional<cb::FileType>& type) {
    add_choice(command, "--type", "The type of file instead of what the extension tells, such as png",
               types_by_name(), type);
}

void add_encoding(CLI::App& command, cb::EncodeOptions& options) {
    add_number(command, "--quality", options.quality, 1, 100,
               "jpg and webp: 1..100, more is better; webp loses nothing without it");
    add_number(command, "--compression", options.compression, 0, 9, "png and webp: 0..9, from fast to small");
    add_choice<cb::ChromaSubsampling>(command, "--subsampling",
                                      "jpg: how pixels share colour differences; both if left out",
                                      {{"none", cb::ChromaSubsampling::none},
                                       {"across", cb::ChromaSubsampling::across},
                                       {"both", cb::ChromaSubsampling::both}},
                                      options.subsampling);
    command.add_flag("--progressive", options.progressive, "jpg: coarse at first, then finer");
    command.add_flag("--smallest", options.smallest,
                     "png: the smallest colour type that holds the pixels; jpg: codes made for them");
    command.add_flag("--plain-text", options.plain_text, "pbm, pgm, ppm: numbers as text");
    add_colour(command, "--background", options.background,
               "What see-through pixels are laid on where there is no alpha");
    command
        .add_option_function<std::string>(
            "--resolution",
            [&options](const std::string& text) {
                const int pixels = number_of("--resolution", text, 1, 65535);
                options.resolution = cb::Resolution{static_cast<double>(pixels), static_cast<double>(pixels)};
            },
            "png, jpg and bmp: pixels an inch, 1..65535")
        ->type_name("NUMBER");
    command.add_flag("--allow-loss", options.allow_loss,
                     "Round depths, colours and alpha to what the type holds");
    command.add_flag_callback(
        "--no-dithering", [&options] { options.dithered = false; }, "gif: nearest colours only");
}

} // namespace

void check_output(const ImageOutput& output) {
    if (output.path.empty()) throw CLI::RequiredError("--output");
    check_option("--output", [&] { (void)output.file_type(); });
}

cb::Size size_of(const char* name, const std::string& text) {
    cb::Size result;
    std::string_view rest = text;
    if (!take_number(rest, result.width, 'x') || !take_number(rest, result.height, '\0') ||
        result.width < 1 || result.height < 1)
        refuse(name, text, "WIDTHxHEIGHT, each of 1..2147483647");
    return result;
}

cb::Point point_of(const char* name, const std::string& text) {
    cb::Point result;
    std::string_view rest = text;
    if (!take_number(rest, result.x, ',') || !take_number(rest, result.y, '\0'))
        refuse(name, text, "X,Y with whole numbers");
    return result;
}

cb::Box box_of(const char* name, const std::string& text) {
    const std::size_t comma = text.find(',', text.find(',') + 1);
    cb::Point corner;
    cb::Size size;
    std::string_view rest = text;
    if (comma == std::string::npos || !take_number(rest, corner.x, ',') ||
        !take_number(rest, corner.y, ',') || !take_number(rest, size.width, 'x') ||
        !take_number(rest, size.height, '\0') || size.width < 1 || size.height < 1)
        refuse(name, text, "X,Y,WIDTHxHEIGHT with whole numbers, as 10,20,64x48");
    return {corner.x, corner.y, size.width, size.height};
}

cb::Colour colour_of(const char* name, const std::string& text) {
    try {
        return cb::colour(text);
    } catch (const cb::ArgumentError& error) {
        throw CLI::ValidationError(name, error.what());
    }
}

CLI::Option* add_sheet(CLI::App& command, SheetArguments& arguments, const char* input,
                       const char* description) {
    CLI::Option* const result = command.add_option(input, arguments.path, description);
    command
        .add_option("--set", arguments.settings, "Give a name of the sheet another value; may be repeated")
        ->type_name("NAME=VALUE")
        ->allow_extra_args(false)
        ->check(CLI::Validator(check_setting, "", "setting"));
    command.add_flag("--leave-folder", arguments.leaves_folder,
                     "Let the sheet include files outside of its folder");
    add_number(command, "--memory", arguments.memory_mib, std::size_t{1}, std::size_t{1} << 20U,
               "How many MiB the drawing and each table of data may take");
    return result;
}

void add_warnings(CLI::App& command, SheetArguments& arguments) {
    command.add_flag("--warnings", arguments.warns, "Tell what is not wrong, but most likely not meant");
}

CLI::Option* add_json(CLI::App& command, bool& json) {
    return command.add_flag("--json", json, "Print it in JSON");
}

CLI::Option* add_colour(CLI::App& command, const char* name, std::optional<cb::Colour>& target,
                        const char* description) {
    return add_text(command, name, "COLOUR", description, target, colour_of);
}

void add_image_output(CLI::App& command, ImageOutput& output) {
    add_file(command, "-o,--output", output.path,
             "The image file: .png, .jpg, .webp, .gif, .bmp, .qoi, .pbm, .pgm, .ppm, .pam or .pnm; - for "
             "standard output");
    add_image_type(command, output.type);
    add_encoding(command, output.options);
}
