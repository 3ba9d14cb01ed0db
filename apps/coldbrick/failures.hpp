/// @file
/// Jobs that may fail.
#pragma once

#include <coldbrick/function_ref.hpp>

namespace coldbrick::tool {

/// Does a job. What is wrong with it goes to standard error. @returns whether it was done
bool done_or_told(FunctionRef<void()> job);

} // namespace coldbrick::tool
