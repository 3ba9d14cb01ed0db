// One target as a program of libFuzzer's.

#include "fuzz/targets.hpp"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) { // NOLINT: its own name
    coldbrick::fuzz::COLDBRICK_FUZZ_TARGET({data, size});
    return 0;
}
