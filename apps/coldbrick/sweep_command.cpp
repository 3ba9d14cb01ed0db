#include "commands.hpp"
#include "progress_bar.hpp"

#include <coldbrick/picture_table.hpp>

namespace coldbrick::tool {

void sweep(const SweepArguments& arguments) {
    const SheetFile file(arguments.sheet);
    const Sheet sheet = file.read(arguments.frame);
    refuse_to_replace(arguments.output.path, file.files());
    ProgressBar bar;
    const auto show = [&bar](std::int64_t done, std::int64_t all) { bar.show(done, all); };
    const auto pictures = file.with_reading(arguments.frame, [&](const SheetReading& reading) {
        return sweep(sheet, arguments.sweep, reading, show);
    });
    save_image(picture_table(pictures, {.columns = arguments.columns}), arguments.output);
}

} // namespace coldbrick::tool
