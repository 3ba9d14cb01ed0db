/// @file
/// A sheet that has been read, as it is carried out again and again.
#pragma once

#include "sheet/language/scopes.hpp"
#include "sheet/language/source.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/running/loaded_files.hpp"

#include <cstdint>
#include <deque>
#include <string>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

/// A text and its name, to which places in it refer.
struct OwnSource {
    OwnSource(std::string its_name, std::string its_text)
        : name(std::move(its_name)), text(std::move(its_text)), source{name, text} {}
    OwnSource(const OwnSource&) = delete;
    OwnSource& operator=(const OwnSource&) = delete;
    ~OwnSource() = default;

    std::string name;
    std::string text;
    Source source;
};

/// A statement as others know it by its tag.
struct StatementNote {
    enum class Kind : std::uint8_t { shape, text, image, layer, other };
    Location location;
    Kind kind;
};

struct Program {
    std::deque<OwnSource> sources; ///< the sheet's own, then those that it includes
    std::deque<Motif> motifs;
    Block statements;
    std::vector<StatementNote> notes; ///< of the statements, by their tags
    std::uint32_t size = 0;           ///< how many values of names it keeps
    std::vector<Scopes::Unused> unused;
    mutable LoadedFiles loaded; ///< by carrying it out
};

} // namespace coldbrick::sheet
