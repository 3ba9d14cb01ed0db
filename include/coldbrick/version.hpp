/// @file
/// Which version of Cold Brick this is. The build reads it from here, too.
#pragma once

#define COLDBRICK_VERSION_MAJOR 0
#define COLDBRICK_VERSION_MINOR 1
#define COLDBRICK_VERSION_PATCH 0

/// The version as one number, for comparisons.
#define COLDBRICK_VERSION_NUMBER                                                                             \
    (COLDBRICK_VERSION_MAJOR * 10000 + COLDBRICK_VERSION_MINOR * 100 + COLDBRICK_VERSION_PATCH)

namespace [[gnu::visibility("default")]] coldbrick {

/// The version of the library that is linked, MAJOR.MINOR.PATCH. Another one than that of these headers is a
/// mistake.
[[nodiscard]] const char* linked_version() noexcept;

} // namespace coldbrick
