/// @file
/// Other files that a sheet is made of.
#pragma once

#include "sheet/language/program.hpp"
#include "sheet/language/syntax.hpp"

#include <coldbrick/sheet.hpp>

#include <string>

namespace coldbrick::sheet {

struct ParsedSheet;

/// The file's name as counted from the sheet's own folder, where `from` names a file of it.
/// @throws SheetError at the file if that is outside the folder and must not be.
std::string resolved(const FileName& file, const std::string& from, bool leaves_folder);

/// Loads a sheet that another includes, and opens it: the last of open_files is its name.
/// @throws SheetError at the file if it cannot be loaded or includes itself.
const OwnSource& included(const FileName& file, ParsedSheet& sheet);

} // namespace coldbrick::sheet
