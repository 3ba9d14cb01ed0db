#include "commands.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/sheet.hpp>

#include <fmt/format.h>

#include <span>
#include <string>

namespace coldbrick::tool {

void tidy(const TidyArguments& arguments) {
    const std::string text = sheet_text(arguments.path);
    const std::string tidied = tidied_sheet(text, arguments.path);
    if (!arguments.replace) return fmt::print("{}", tidied);
    if (arguments.path == "-") throw FileError("standard input cannot be replaced");
    if (tidied != text) write_file(arguments.path, std::as_bytes(std::span(tidied)));
}

} // namespace coldbrick::tool
