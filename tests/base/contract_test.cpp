// Contracts: what a broken one does, and that those of the raster layer are seen.

#include "base/contract.hpp"
#include "raster/areas/incremental_division.hpp"
#include "raster/areas/real_half_planes.hpp"
#include "raster/ellipse/circle_rows.hpp"
#include "raster/spans/row_runs.hpp"
#include "raster/stroke/dash_pattern.hpp"
#include "support/errors.hpp"

#include <gtest/gtest.h>

#include <cstring>
#include <functional>

namespace coldbrick::base {

namespace {

struct Broken {
    const char* contract;
};

} // namespace

TEST(Contract, ABrokenOneIsALogicErrorUnlessToldOtherwise) {
    try {
        COLDBRICK_ENSURE(1 + 1 == 3);
        FAIL();
    } catch (const std::logic_error& error) {
        EXPECT_NE(std::strstr(error.what(), "a mistake in Cold Brick: not (1 + 1 == 3), contract_test.cpp:"),
                  nullptr)
            << error.what();
    }
    const ContractHandler usual =
        set_contract_handler([](const char* contract, const char*, int) { throw Broken{contract}; });
    EXPECT_THROW(COLDBRICK_ENSURE(false), Broken);
    EXPECT_NO_THROW(COLDBRICK_ENSURE(true));
    set_contract_handler(usual);
}

TEST(Contract, ThoseOfTheRasterLayerAreChecked) {
    const std::function<void()> breaches[] = {
        [] { (void)raster::IncrementalDivision<>(1, 1, 0); },
        [] { (void)raster::IncrementalDivision<>(1, 1, std::int64_t{1} << 62); },
        [] { (void)raster::OpenDisc<true>(raster::OpenDisc<true>::largest_small + 1, 0); },
        [] { (void)raster::DashPattern({}, 0).at(1); },
        [] {
            raster::RowRuns runs;
            for (std::int64_t x = 0; x <= static_cast<std::int64_t>(raster::RowRuns::capacity); ++x)
                runs.unite({2 * x, 2 * x + 1});
        },
        [] {
            raster::RealHalfPlanes area;
            for (int i = 0; i < 7; ++i) area.keep_right_of({0, 0}, {1, 0});
        },
    };
    for (const auto& breach : breaches) EXPECT_THROW(breach(), std::logic_error);
}

} // namespace coldbrick::base
