/// @file
/// What a stencil has to be.
#pragma once

#include <coldbrick/stencil.hpp>

namespace coldbrick::image {

/// @throws ArgumentError if its coverages are not those of gray8.
void check(const Stencil& stencil);

} // namespace coldbrick::image
