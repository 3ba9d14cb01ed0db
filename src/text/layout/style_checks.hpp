/// @file
/// Checks of texts' values, each with the message that its failure carries.
#pragma once

#include <coldbrick/text_style.hpp>

#include <string_view>

namespace coldbrick {

// Exported, since components other than this one use it, too.
namespace [[gnu::visibility("default")]] text {

/// @throws ArgumentError unless all values lie in the ranges that TextStyle and Text document.
void check(std::string_view text, const TextStyle& style);

/// @throws ArgumentError unless all values lie in the ranges that TextPaint documents.
void check(const TextPaint& paint);

/// @throws ArgumentError unless all values lie in the ranges that TextPlate documents.
void check(const TextPlate& plate);

} // namespace text

} // namespace coldbrick
