#include "commands.hpp"
#include "progress_bar.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/sheet.hpp>

#include <fmt/format.h>

#include <iostream>

namespace coldbrick::tool {

namespace {

/// The last frame that is asked for. @throws FileError if the sheet has not so many.
std::int32_t last_frame(const ReelArguments& arguments, const Sheet& sheet) {
    const std::int32_t last = arguments.to.value_or(sheet.frames - 1);
    if (last >= sheet.frames || arguments.from > last)
        throw FileError(fmt::format("the frames {} to {} are not among the sheet's 0 to {}", arguments.from,
                                    last, sheet.frames - 1));
    return last;
}

} // namespace

ReelType ReelArguments::reel_type() const {
    if (type) return *type;
    if (is_standard_stream(output)) throw FileError("standard output has no extension: give a --type");
    return coldbrick::reel_type(output);
}

void reel(const ReelArguments& arguments) {
    const ReelType type = arguments.reel_type();
    const SheetFile file(arguments.sheet);
    const Sheet sheet = file.read(0);
    const std::int32_t last = last_frame(arguments, sheet);
    refuse_to_replace(arguments.output, file.files());
    ReelOptions options = arguments.options;
    options.type = arguments.type;
    options.rate = arguments.rate.value_or(sheet.rate);
    const bool has_alpha = sheet.ground.alpha != 255;
    const auto frame = [&](std::int32_t number) {
        return file.read(number).render(has_alpha ? PixelFormat::rgba8 : PixelFormat::rgb8);
    };
    ProgressBar bar;
    const auto show = [&bar](std::int64_t done, std::int64_t all) { bar.show(done, all); };
    if (is_standard_stream(arguments.output))
        write_reel(std::cout, type, arguments.from, last, frame, options, show);
    else
        write_reel(arguments.output, arguments.from, last, frame, options, show);
}

} // namespace coldbrick::tool
