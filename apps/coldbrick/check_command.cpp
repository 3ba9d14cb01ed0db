#include "commands.hpp"
#include "json_output.hpp"
#include "progress_bar.hpp"

#include <coldbrick/sheet_check.hpp>

#include <fmt/format.h>

#include <vector>

namespace coldbrick::tool {

namespace {

std::vector<SheetFinding> findings_of(const CheckArguments& arguments) {
    SheetArguments quiet = arguments.sheet;
    quiet.warns = false; // they are among the findings
    const SheetFile file(quiet, true);
    SheetCheck check;
    const std::int32_t first = arguments.frame.value_or(0);
    const Sheet sheet = file.read(first);
    const std::int32_t end = arguments.frame ? first + 1 : sheet.frames;
    ProgressBar bar;
    for (std::int32_t frame = first; frame < end; ++frame) {
        check.add(frame == first ? sheet : file.read(frame));
        if (end - first > 1) bar.show(frame - first + 1, end - first);
    }
    return check.findings();
}

void print_as_json(const std::vector<SheetFinding>& findings) {
    Json list = Json::list();
    for (const SheetFinding& finding : findings) {
        Json hidden_by = Json::list();
        for (const SheetPlace& place : finding.hidden_by) hidden_by.add(place.text());
        list.add({{"place", finding.place.text()},
                  {"kind", name_of(finding.kind)},
                  {"message", finding.message},
                  {"hidden_by", hidden_by}});
    }
    print_json(list);
}

} // namespace

int check_sheet(const CheckArguments& arguments) {
    const std::vector<SheetFinding> findings = findings_of(arguments);
    if (arguments.json)
        print_as_json(findings);
    else
        for (const SheetFinding& finding : findings)
            fmt::print("{}: {}: {}\n", finding.place.text(), name_of(finding.kind), finding.message);
    return findings.empty() ? 0 : 1;
}

} // namespace coldbrick::tool
