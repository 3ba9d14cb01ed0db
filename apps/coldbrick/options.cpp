#include "options.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>

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

} // namespace

CLI::Option* add_image_type(CLI::App& command, std::optional<cb::FileType>& type) {
    return add_choice(command, "--type", "The type of file instead of what the extension tells, such as png",
                      types_by_name(), type);
}

CLI::Option* add_colour(CLI::App& command, const char* name, std::optional<cb::Colour>& target,
                        const char* description) {
    const auto take = [name, &target](const std::string& text) {
        try {
            target = cb::colour(text);
        } catch (const cb::ArgumentError& error) {
            throw CLI::ValidationError(name, error.what());
        }
    };
    return command.add_option_function<std::string>(name, take, description)->type_name("COLOUR");
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

void add_image_output(CLI::App& command, ImageOutput& output) {
    add_file(command, "-o,--output", output.path,
             "The image file: .png, .jpg, .webp, .gif, .bmp, .qoi, .pbm, .pgm, .ppm, .pam or .pnm; - for "
             "standard output");
    add_image_type(command, output.type);
    add_encoding(command, output.options);
}
