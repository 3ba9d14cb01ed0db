/// @file
/// Sheets read from files, as the commands take them.
#pragma once

#include <coldbrick/sheet.hpp>

#include <CLI/CLI.hpp>

#include <string>
#include <vector>

/// The arguments of every command that reads a sheet.
struct SheetArguments {
    std::string path;
    std::vector<std::string> settings; ///< NAME=VALUE each
};

/// Adds the sheet's path and --set to a command.
void add_sheet_arguments(CLI::App& command, SheetArguments& arguments);

/// Reads the sheet. @throws coldbrick::Error if the file cannot be read or the sheet has a fault.
coldbrick::Sheet read_sheet_file(const SheetArguments& arguments);
