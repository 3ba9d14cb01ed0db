#include "commands.hpp"

#include <coldbrick/magnify.hpp>
#include <coldbrick/rulers.hpp>

namespace {

coldbrick::Image drawn(const SheetArguments& arguments, std::int32_t frame, coldbrick::FileType type) {
    const coldbrick::Sheet sheet = SheetFile(arguments).read(frame);
    return sheet.render(format_for(sheet, type));
}

} // namespace

void draw(const DrawArguments& arguments) {
    save_image(drawn(arguments.sheet, arguments.frame, arguments.output.file_type()), arguments.output);
}

void graph(const GraphArguments& arguments) {
    const coldbrick::Image image = drawn(arguments.sheet, arguments.frame, arguments.output.file_type());
    const coldbrick::Magnification magnification{.zoom = arguments.zoom};
    save_image(arguments.rulers ? coldbrick::ruled(image, magnification)
                                : coldbrick::magnified(image, magnification),
               arguments.output);
}
