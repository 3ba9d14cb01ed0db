/// @file
/// Values in the texts of {fmt}, as streams print them: for programs that use it. coldbrick.hpp leaves this
/// out.
#pragma once

#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/point.hpp>

#include <fmt/ostream.h>

template <>
struct fmt::formatter<coldbrick::Point> : fmt::ostream_formatter {};
template <>
struct fmt::formatter<coldbrick::Size> : fmt::ostream_formatter {};
template <>
struct fmt::formatter<coldbrick::Box> : fmt::ostream_formatter {};
template <>
struct fmt::formatter<coldbrick::Colour> : fmt::ostream_formatter {};
template <>
struct fmt::formatter<coldbrick::Angle> : fmt::ostream_formatter {};
