#include "sheet/language/read_program.hpp"

#include "base/shared_state.hpp"
#include "sheet/language/faults.hpp"
#include "sheet/language/statement_parser.hpp"

#include <algorithm>
#include <filesystem>
#include <iterator>
#include <string>
#include <vector>

namespace coldbrick::sheet {

detail::SharedState<Program> read_program(std::string_view text, std::string_view name,
                                          const SheetReading& reading) {
    Program program;
    const Source& source = program.sources.emplace_back(std::string(name), std::string(text)).source;
    Scopes names;
    Faults faults;
    ParsedSheet sheet{reading, program, names, faults, {}, {std::filesystem::path(name).filename().string()},
                      0};
    StatementParser(source, sheet).read_all(program.statements);
    faults.tell();
    program.size = names.size();
    std::vector<Scopes::Unused> unused = names.unused();
    for (const Motif& motif : program.motifs)
        if (!motif.used) unused.push_back({motif.name, motif.location});
    // What a sheet includes is often for others as well.
    const auto is_own = [&source](const Scopes::Unused& one) { return one.location.source == &source; };
    std::ranges::copy_if(unused, std::back_inserter(program.unused), is_own);
    return base::share<Program>(std::move(program)); // whose parts stay where they are
}

} // namespace coldbrick::sheet
