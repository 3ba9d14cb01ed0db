#include "sheet/read_program.hpp"

#include "sheet/faults.hpp"
#include "sheet/statement_parser.hpp"

#include <filesystem>
#include <string>

namespace coldbrick::sheet {

std::shared_ptr<const Program> read_program(std::string_view text, std::string_view name,
                                            const SheetReading& reading) {
    auto program = std::make_shared<Program>();
    const Source& source = program->sources.emplace_back(std::string(name), std::string(text)).source;
    Scopes names;
    Faults faults;
    ParsedSheet sheet{reading, *program, names, faults, {}, {std::filesystem::path(name).filename().string()},
                      0};
    StatementParser(source, sheet).read_all(program->statements);
    faults.tell();
    program->size = names.size();
    program->unused = names.unused();
    for (const Motif& motif : program->motifs)
        if (!motif.used) program->unused.push_back({motif.name, motif.location});
    return program;
}

} // namespace coldbrick::sheet
