// Quotients that grow step by step against divisions of their own.

#include "raster/areas/incremental_division.hpp"

#include <gtest/gtest.h>

namespace coldbrick::raster {

TEST(IncrementalDivision, IsTheDivisionOfEachStep) {
    const base::Int128 large = base::Int128{1} << 90;
    for (const base::Int128 start :
         {base::Int128{0}, base::Int128{-17}, base::Int128{1000003}, large, -large})
        for (const base::Int128 step : {base::Int128{0}, base::Int128{1}, base::Int128{-1}, base::Int128{7},
                                        base::Int128{-100}, large / 3, -large / 7})
            for (const std::int64_t divisor :
                 {std::int64_t{1}, std::int64_t{2}, std::int64_t{13}, (std::int64_t{1} << 62) - 1}) {
                IncrementalDivision<> quotient(start, step, divisor);
                for (int k = 0; k < 50; ++k, quotient.next())
                    ASSERT_TRUE(quotient.value() == base::floor_div(start + k * step, base::Int128{divisor}))
                        << k << " steps, divisor " << divisor;
            }
}

} // namespace coldbrick::raster
