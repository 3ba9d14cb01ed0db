#include "commands.hpp"
#include "failures.hpp"
#include "file_watch.hpp"

#include <filesystem>
#include <vector>

namespace cb = coldbrick;

namespace {

void draw_once(const DrawArguments& arguments, const SheetFile& file) {
    const cb::Sheet sheet = file.read(arguments.frame);
    save_image(sheet.render(format_for(sheet, arguments.output.file_type())), arguments.output);
}

/// Draws and tells what is wrong, if anything is. @returns the files that the sheet is made of
std::vector<std::filesystem::path> draw_and_tell(const DrawArguments& arguments) {
    std::vector<std::filesystem::path> files{arguments.sheet.path};
    (void)done_or_told([&] {
        const SheetFile file(arguments.sheet);
        (void)done_or_told([&] { draw_once(arguments, file); });
        files = file.files();
    });
    return files;
}

} // namespace

void draw(const DrawArguments& arguments) {
    if (!arguments.watch) return draw_once(arguments, SheetFile(arguments.sheet));
    FileWatch watch;
    // What changes while it is drawn is drawn again.
    for (watch.look_at({arguments.sheet.path});; watch.wait()) watch.look_at(draw_and_tell(arguments));
}
