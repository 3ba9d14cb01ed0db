#include "commands.hpp"
#include "text_file.hpp"

#include <coldbrick/files.hpp>

void convert(const ConvertArguments& arguments) {
    namespace cb = coldbrick;
    cb::Image image = cb::load(arguments.input);
    if (arguments.size) image = cb::resized(image, *arguments.size, arguments.resizing);
    if (arguments.orientation != cb::Orientation{}) image = cb::oriented(image, arguments.orientation);
    if (!arguments.palette.empty()) {
        const cb::Palette palette = read_palette_file(arguments.palette);
        image = cb::converted(image, cb::PixelFormat::indexed8, arguments.gray_rule, &palette);
    } else if (arguments.format) {
        image = cb::converted(image, *arguments.format, arguments.gray_rule);
    }
    cb::save(image, arguments.output);
}
