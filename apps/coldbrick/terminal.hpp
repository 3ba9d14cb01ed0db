/// @file
/// What the terminal is like that the tool writes to.
#pragma once

#include <coldbrick/point.hpp>
#include <coldbrick/terminal_text.hpp>

namespace coldbrick::tool {

/// The colours that standard output shows: none where it is no terminal, or where NO_COLOR is set and not
/// empty (the convention of no-color.org); else as many as COLORTERM and TERM tell.
TerminalColours output_colours();

/// The window's columns and rows; 80 x 24 where there is none.
Size terminal_size();

} // namespace coldbrick::tool
