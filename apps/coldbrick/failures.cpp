#include "failures.hpp"

#include <fmt/format.h>

#include <cstdio>
#include <exception>
#include <new>

bool done_or_told(coldbrick::FunctionRef<void()> job) {
    try {
        job();
        return true;
    } catch (const std::bad_alloc&) {
        fmt::print(stderr, "coldbrick: there is not enough memory\n");
    } catch (const std::exception& error) {
        fmt::print(stderr, "coldbrick: {}\n", error.what());
    }
    return false;
}
