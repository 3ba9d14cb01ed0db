/// @file
/// The table of CSS colour names.
#pragma once

#include <coldbrick/colour.hpp>

#include <span>
#include <string_view>

namespace coldbrick::paint {

struct NamedColour {
    std::string_view name;
    Colour colour;
};

/// All CSS colour names in lower case, in alphabetical order.
std::span<const NamedColour> named_colours();

} // namespace coldbrick::paint
