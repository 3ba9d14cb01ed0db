/// @file
/// What expressions amount to.
#pragma once

#include "base/limits.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/running/context.hpp"
#include "sheet/running/value.hpp"

#include <cstdint>
#include <string>
#include <string_view>

namespace coldbrick::sheet {

/// Works an expression out. @throws SheetError where kinds of values do not fit, as all below;
/// FollowsAFault if a name's own statement failed.
Value evaluate(const Expression& expression, const Context& context);

/// The colour that the expression amounts to.
Colour colour_value(const Expression& expression, const Context& context);

/// True or false.
bool truth(const Expression& expression, const Context& context);

/// The number of 0..1.
double share(const Expression& expression, const Context& context, std::string_view what);

/// The number rounded to whole pixels, halves up.
/// @param what the message's name for it.
std::int32_t pixels(const Expression& expression, const Context& context, std::string_view what,
                    std::int32_t low, std::int32_t high = base::last_coordinate);

/// The number as it is.
double number(const Expression& expression, const Context& context, std::string_view what);

/// The text as it is; a number becomes one.
std::string text_value(const Expression& expression, const Context& context);

/// The position as it is.
Position position(const Expression& expression, const Context& context);

/// The position moved by the offset of what is placed.
Position moved_position(const Expression& expression, const Context& context);

/// The same rounded to a pixel, halves to the right and down.
Point pixel(const Expression& expression, const Context& context);
Point pixel(const Location& location, const Position& position);

/// Where the position lies on the sheet, rounded to a pixel.
Point placed_pixel(const Expression& expression, const Context& context);

/// The number rounded to a whole one, halves up, and checked.
std::int32_t whole_number(const Location& location, std::string_view what, double value, std::int32_t low,
                          std::int32_t high = base::last_coordinate);

/// The box, or that of what has been drawn.
RealBox box_value(const Expression& expression, const Context& context);

/// The whole pixels of a box: its corner and its extent, each rounded.
Box whole_box(const Location& location, const RealBox& box);

/// Width and height, both of at least `least`.
Size size_value(const SizeWords& words, const Context& context, std::int32_t least);

} // namespace coldbrick::sheet
