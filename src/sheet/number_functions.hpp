/// @file
/// The functions of numbers that sheets may call.
#pragma once

#include <span>
#include <string>
#include <string_view>

namespace coldbrick::sheet {

/// The function's value, of as many values as the table of words says.
/// - sin, cos: of an angle in degrees, exact at quarter turns
/// - mod: what is left of the first number by the second, from 0 up to it
/// - bounce: a number that goes on and on, turned back at both of two ends
/// - chance: a number of 0 up to 1 that the two numbers, a seed and which one, decide alone: their bits mixed
/// by
///   SplitMix64 (Steele, Lea, Flood, "Fast splittable pseudorandom number generators", OOPSLA 2014)
/// @throws ArgumentError if a value is outside its range.
double number_function(std::string_view name, std::span<const double> values);

/// A number written with some digits after the point and at least some before it.
/// - digits: with a sign only where it is below 0
/// - signed: always with one
/// @param values the number, how many digits after the point, and how many at least before it, if that is
/// told
/// @throws ArgumentError as above.
std::string number_text(std::string_view name, std::span<const double> values);

} // namespace coldbrick::sheet
