#include "commands.hpp"
#include "file_watch.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <cstdio>
#include <new>
#include <string>

namespace cb = coldbrick;

namespace {

void draw_once(const DrawArguments& arguments, const SheetFile& file) {
    const cb::Sheet sheet = file.read(arguments.frame);
    save_image(sheet.render(format_for(sheet, arguments.output.file_type())), arguments.output);
}

/// Draws and tells what is wrong, if anything is. @returns the files that the sheet is made of
std::vector<std::filesystem::path> draw_and_tell(const DrawArguments& arguments) {
    std::vector<std::filesystem::path> files{arguments.sheet.path};
    try {
        const SheetFile file(arguments.sheet);
        try {
            draw_once(arguments, file);
        } catch (...) {
            files = file.files();
            throw;
        }
        files = file.files();
    } catch (const cb::Error& error) {
        fmt::print(stderr, "coldbrick: {}\n", error.what());
    } catch (const std::bad_alloc&) {
        fmt::print(stderr, "coldbrick: there is not enough memory\n");
    }
    return files;
}

} // namespace

void draw(const DrawArguments& arguments) {
    if (!arguments.watch) return draw_once(arguments, SheetFile(arguments.sheet));
    FileWatch watch;
    // What changes while it is drawn is drawn again.
    for (watch.look_at({arguments.sheet.path});; watch.wait()) watch.look_at(draw_and_tell(arguments));
}
