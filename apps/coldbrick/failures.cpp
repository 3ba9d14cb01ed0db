#include "failures.hpp"

#include "streams.hpp"

#include <fmt/format.h>

#include <exception>
#include <new>

namespace coldbrick::tool {

bool done_or_told(FunctionRef<void()> job) {
    try {
        job();
        return true;
    } catch (const std::bad_alloc&) {
        print_message("coldbrick: there is not enough memory\n");
    } catch (const std::exception& error) {
        print_message(fmt::format("coldbrick: {}\n", error.what()));
    }
    return false;
}

} // namespace coldbrick::tool
