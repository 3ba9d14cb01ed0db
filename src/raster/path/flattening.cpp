#include "raster/path/flattening.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

namespace coldbrick::raster {

void Flattening::throw_too_many() const {
    throw ArgumentError(
        fmt::format("a path comes to more than {} straight lines: its limit is {}", most_, most_));
}

} // namespace coldbrick::raster
