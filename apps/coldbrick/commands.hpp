/// @file
/// The tool's commands.
#pragma once

#include <CLI/CLI.hpp>

// Each adds one command with its options to the tool; the command does its work when the arguments are
// parsed, and throws coldbrick::Error if the work fails.

void add_draw_command(CLI::App& tool);
void add_graph_command(CLI::App& tool);
void add_convert_command(CLI::App& tool);
void add_colours_command(CLI::App& tool);
void add_demo_command(CLI::App& tool);
