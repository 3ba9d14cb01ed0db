// Turns the wide vector code off where COLDBRICK_TEST_NARROW is set, so that the tests of the layer run once
// more with the code that processors without wide registers use.

#include "paint/writers/cpu_features.hpp"

#include <gtest/gtest.h>

#include <cstdlib>

namespace coldbrick::paint {

namespace {

class NarrowVectors : public testing::Environment {
  public:
    void SetUp() override {
        if (std::getenv("COLDBRICK_TEST_NARROW") != nullptr) wide_vectors() = false;
    }
};

const auto* const narrow_vectors = testing::AddGlobalTestEnvironment(new NarrowVectors);

} // namespace

} // namespace coldbrick::paint
