#include <coldbrick/version.hpp>

namespace coldbrick {

const char* linked_version() noexcept {
    return COLDBRICK_VERSION;
}

} // namespace coldbrick
