/// @file
/// What expressions amount to.
#pragma once

#include "base/limits.hpp"
#include "sheet/source.hpp"
#include "sheet/syntax.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/position.hpp>
#include <coldbrick/shared.hpp>

#include <cstdint>
#include <map>
#include <string>
#include <string_view>
#include <variant>

namespace coldbrick::sheet {

using Value = std::variant<double, Position, Colour, Shared<Palette>, std::string>;

/// A name's value and where it was defined.
struct Definition {
    Value value;
    Location location;
};

using Definitions = std::map<std::string, Definition, std::less<>>;

/// Works an expression out. @throws SheetError where names are unknown or kinds of values do not fit.
Value evaluate(const Expression& expression, const Definitions& names);

/// The colour that the expression amounts to. @throws SheetError if it is none.
Colour colour_value(const Expression& expression, const Definitions& names);

/// The number of 0..1. @throws SheetError if it is none or outside of that.
double share(const Expression& expression, const Definitions& names, std::string_view what);

/// The number rounded to whole pixels, halves up.
/// @param what the message's name for it.
/// @throws SheetError if it is no number or rounds to one outside low..high.
std::int32_t pixels(const Expression& expression, const Definitions& names, std::string_view what,
                    std::int32_t low, std::int32_t high = base::last_coordinate);

/// The number as it is. @throws SheetError if it is none.
double number(const Expression& expression, const Definitions& names, std::string_view what);

/// The text as it is; a number becomes one. @throws SheetError if it is neither.
std::string text_value(const Expression& expression, const Definitions& names);

/// The position as it is. @throws SheetError if it is no point.
Position position(const Expression& expression, const Definitions& names);

/// The position rounded to a pixel, halves to the right and down.
/// @throws SheetError if it is no point or lies outside the 32-bit coordinates.
Point pixel(const Expression& expression, const Definitions& names);

} // namespace coldbrick::sheet
