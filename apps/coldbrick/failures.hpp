/// @file
/// Jobs that may fail.
#pragma once

#include <coldbrick/function_ref.hpp>

/// Does a job. What is wrong with it goes to standard error. @returns whether it was done
bool done_or_told(coldbrick::FunctionRef<void()> job);
