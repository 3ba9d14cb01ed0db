#include "sheet/language/included_files.hpp"

#include "base/shown_text.hpp"
#include "sheet/language/statement_parser.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <filesystem>

namespace coldbrick::sheet {

std::string resolved(const FileName& file, const std::string& from, bool leaves_folder) {
    const std::filesystem::path path =
        (std::filesystem::path(from).parent_path() / file.text).lexically_normal();
    const bool outside = path.is_absolute() || (!path.empty() && *path.begin() == "..");
    if (outside && !leaves_folder)
        fail(file.location, fmt::format("{} is outside the sheet's folder", base::in_quotes(file.text)));
    return path.generic_string();
}

const OwnSource& included(const FileName& file, ParsedSheet& sheet) {
    const SheetReading& reading = sheet.reading;
    if (!reading.load_text) fail(file.location, "other files cannot be opened here");
    const std::string name = resolved(file, sheet.open_files.back(), reading.leaves_folder);
    if (std::ranges::find(sheet.open_files, name) != sheet.open_files.end()) {
        std::string chain;
        for (const std::string& open : sheet.open_files)
            if (!open.empty()) chain += open + ", ";
        fail(file.location,
             fmt::format("the sheet includes itself: {}{}", base::shown(chain), base::shown(name)));
    }
    if (++sheet.included > reading.limits.files)
        fail(file.location, fmt::format("the sheet includes more than {} files", reading.limits.files));
    try {
        const OwnSource& result =
            sheet.program.sources.emplace_back(name, reading.load_text(name, reading.limits.text_bytes));
        sheet.open_files.push_back(name);
        return result;
    } catch (const SheetError&) {
        throw;
    } catch (const Error& error) { // of any kind: the loader is somebody else's
        fail(file.location, error.what());
    }
}

} // namespace coldbrick::sheet
