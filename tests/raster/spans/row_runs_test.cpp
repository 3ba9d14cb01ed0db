// Sets of columns against sets of numbers.

#include "raster/spans/row_runs.hpp"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <set>
#include <vector>

namespace coldbrick::raster {

namespace {

using Columns = std::set<std::int64_t>;

Columns columns_of(const RowRuns& runs) {
    Columns result;
    std::int64_t before = -1000;
    for (const Run& run : runs) {
        RC_ASSERT(run.begin < run.end);
        RC_ASSERT(run.begin > before); // in order, and neither overlapping nor touching
        for (std::int64_t x = run.begin; x < run.end; ++x) result.insert(x);
        before = run.end;
    }
    return result;
}

struct Both {
    RowRuns runs;
    Columns columns;
};

Both some_columns() {
    Both result;
    for (int i = *rc::gen::inRange(0, 8); i > 0; --i) {
        const auto begin = *rc::gen::inRange<std::int64_t>(-30, 30);
        const auto end = begin + *rc::gen::inRange<std::int64_t>(-2, 9);
        result.runs.unite({begin, end});
        for (std::int64_t x = begin; x < end; ++x) result.columns.insert(x);
    }
    return result;
}

} // namespace

RC_GTEST_PROP(RowRuns, AreSets, ()) {
    const Both a = some_columns();
    const Both b = some_columns();
    RC_ASSERT(columns_of(a.runs) == a.columns);
    RowRuns united = a.runs;
    united.unite(b.runs);
    Columns either = a.columns;
    either.insert(b.columns.begin(), b.columns.end());
    Columns both;
    Columns first_only;
    for (const std::int64_t x : a.columns) (b.columns.contains(x) ? both : first_only).insert(x);
    RC_ASSERT(columns_of(united) == either);
    RC_ASSERT(columns_of(a.runs.intersection(b.runs)) == both);
    RC_ASSERT(columns_of(a.runs.without(b.runs)) == first_only);
}

} // namespace coldbrick::raster
