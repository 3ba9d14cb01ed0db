#include "commands.hpp"
#include "failures.hpp"
#include "file_watch.hpp"
#include "streams.hpp"

#include <coldbrick/row_files.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <cstdint>
#include <filesystem>
#include <vector>

namespace coldbrick::tool {

namespace {

/// True if the file is written row by row while it is drawn: of types that are stored so and hold the format
/// as it is, if nothing must be known of all pixels before.
bool is_written_by_rows(const ImageOutput& output, PixelFormat format) {
    if (output.options.smallest) return false;
    switch (output.file_type()) {
    case FileType::png:
    case FileType::pam:
    case FileType::pnm: return true;
    case FileType::ppm: return format == PixelFormat::rgb8;
    case FileType::pgm: return format == PixelFormat::gray8;
    default: return false;
    }
}

/// How many rows are drawn at a time.
std::int32_t band_height(const Sheet& sheet, PixelFormat format) {
    constexpr std::int64_t band_bytes = std::int64_t{8} << 20;
    const std::int64_t row = std::int64_t{sheet.size.width} * layout(format).bytes;
    return static_cast<std::int32_t>(std::clamp<std::int64_t>(band_bytes / row, 1, sheet.size.height));
}

/// Tells in one line that something cannot be seen at all, since that is a slip as a rule.
void tell_of_outside(const Sheet& sheet) {
    const auto is_outside = [](const SheetWarning& warning) {
        return warning.kind == SheetWarning::Kind::outside;
    };
    const auto first = std::ranges::find_if(sheet.warnings, is_outside);
    const auto count = std::ranges::count_if(sheet.warnings, is_outside);
    if (count == 0) return;
    print_message(count == 1
                      ? fmt::format("coldbrick: {}: {}\n", first->place.text(), first->message)
                      : fmt::format("coldbrick: {} statements draw outside of the sheet, the first at {}\n",
                                    count, first->place.text()));
}

void draw_once(const DrawArguments& arguments, const SheetFile& file) {
    const Sheet sheet = file.read(arguments.frame);
    if (!arguments.quiet && !arguments.sheet.warns) tell_of_outside(sheet);
    const PixelFormat format = format_for(sheet, arguments.output.file_type());
    refuse_to_replace(arguments.output.path, file.files());
    if (!is_written_by_rows(arguments.output, format))
        return save_image(sheet.render(format), arguments.output);
    RowWriter writer = row_writer(arguments.output, sheet.size, format);
    sheet.render_bands(format, band_height(sheet, format),
                       [&](const ConstImageView& rows, std::int32_t) { writer.write(rows); });
    writer.finish();
}

/// Draws and tells what is wrong, if anything is. @returns the files that the sheet is made of
std::vector<std::filesystem::path> draw_and_tell(const DrawArguments& arguments) {
    std::vector<std::filesystem::path> files{arguments.sheet.path};
    (void)done_or_told([&] {
        const SheetFile file(arguments.sheet, !arguments.quiet);
        (void)done_or_told([&] { draw_once(arguments, file); });
        files = file.files();
    });
    return files;
}

} // namespace

void draw(const DrawArguments& arguments) {
    if (!arguments.watch) return draw_once(arguments, SheetFile(arguments.sheet, !arguments.quiet));
    FileWatch watch;
    // What changes while it is drawn is drawn again.
    for ((void)watch.look_at({arguments.sheet.path});; watch.wait())
        while (watch.look_at(draw_and_tell(arguments))) {
        }
}

} // namespace coldbrick::tool
