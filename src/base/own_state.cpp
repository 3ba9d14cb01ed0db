#include <coldbrick/own_state.hpp>

#include <coldbrick/error.hpp>

namespace coldbrick::detail {

void throw_moved_from() {
    throw ArgumentError("an object is used after it was moved from");
}

} // namespace coldbrick::detail
