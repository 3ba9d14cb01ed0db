/// @file
/// Letters and the marks that follow them.
#pragma once

#include <string>

namespace coldbrick::text {

/// The characters with letters of Latin-1 in place of a letter and a combining mark, as Unicode's canonical
/// composition has them: what cannot combine marks itself draws them right. All others are as they were.
std::u32string with_composed_marks(std::u32string characters);

} // namespace coldbrick::text
