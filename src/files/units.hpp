/// @file
/// Units in which files tell their resolution.
#pragma once

namespace coldbrick::files {

constexpr double inches_per_metre = 1 / 0.0254;

} // namespace coldbrick::files
