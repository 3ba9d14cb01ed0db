// Functions that are handed over or kept, durations, and objects that were moved from.

#include "base/own_state.hpp"

#include <coldbrick/callback.hpp>
#include <coldbrick/duration.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/function_ref.hpp>

#include <gtest/gtest.h>

#include <chrono>
#include <functional>
#include <limits>
#include <memory>
#include <utility>

namespace coldbrick::test {

namespace {

using namespace std::chrono_literals;

int doubled(int number) {
    return 2 * number;
}

struct Adder {
    int sum = 0;
    int operator()(int number) { return sum += number; }
};

int called(FunctionRef<int(int)> function, int number) {
    return function ? function(number) : -1;
}

} // namespace

TEST(FunctionRef, RefersToAnythingThatCanBeCalled) {
    Adder adder;
    int (*const pointer)(int) = doubled;
    EXPECT_EQ(called(doubled, 4), 8);
    EXPECT_EQ(called(pointer, 4), 8);
    EXPECT_EQ(called([](int number) { return number + 1; }, 4), 5);
    EXPECT_EQ(called(adder, 4), 4);
    EXPECT_EQ(called(adder, 5), 9);                               // the object itself, not a copy
    FunctionRef<void(int)>([](int number) { return number; })(3); // results may be dropped
}

TEST(FunctionRef, IsFalseOfNothing) {
    EXPECT_EQ(called({}, 4), -1);
    EXPECT_EQ(called(static_cast<int (*)(int)>(nullptr), 4), -1);
    EXPECT_EQ(called(Callback<int(int)>(), 4), -1);
    EXPECT_EQ(called(std::function<int(int)>(), 4), -1);
}

TEST(Callback, KeepsACopy) {
    Callback<int(int)> kept;
    EXPECT_FALSE(kept);
    {
        Adder adder;
        kept = adder;
        kept(5);
        EXPECT_EQ(adder.sum, 0);
    }
    Callback<int(int)> copy = kept;
    EXPECT_EQ(kept(1), 6);
    EXPECT_EQ(copy(2), 7); // of its own from then on
    const Callback<int(int)> moved = std::move(copy);
    EXPECT_EQ(moved(1), 8);
    EXPECT_EQ(called(moved, 1), 9);
    kept = doubled;
    EXPECT_EQ(kept(4), 8);
    kept = {};
    EXPECT_FALSE(kept);
    EXPECT_FALSE(Callback<int(int)>(std::function<int(int)>()));
}

TEST(Duration, IsRoundedDownAndNeverOverflows) {
    constexpr std::int64_t longest = std::numeric_limits<std::int64_t>::max();
    using Sixtieths = std::chrono::duration<std::int64_t, std::ratio<1, 60>>;
    EXPECT_EQ(Duration(40ms).microseconds, 40'000);
    EXPECT_EQ(Duration(std::chrono::nanoseconds(3h)).microseconds, 10'800'000'000);
    EXPECT_EQ(Duration(std::chrono::nanoseconds(-1)).microseconds, -1);
    EXPECT_EQ(Duration(1999ns).microseconds, 1);
    EXPECT_EQ(Duration(Sixtieths(1)).microseconds, 16'666);
    EXPECT_EQ(Duration(Sixtieths(-1)).microseconds, -16'667);
    EXPECT_EQ(Duration(std::chrono::hours(longest)).microseconds, longest);
    EXPECT_EQ(Duration(std::chrono::hours(-longest)).microseconds, std::numeric_limits<std::int64_t>::min());
    EXPECT_EQ(Duration(std::chrono::duration<double>(-1e-7)).microseconds, -1);
    EXPECT_EQ(Duration(std::chrono::duration<double>(1e300)).microseconds, longest);
    static_assert(Duration(2s).microseconds == 2'000'000);
}

TEST(OwnState, IsAnErrorAfterItWasMovedFrom) {
    auto first = base::owned(std::make_unique<int>(4));
    auto second = std::move(first);
    EXPECT_EQ(*second, 4);
    EXPECT_THROW((void)*first, ArgumentError); // NOLINT(bugprone-use-after-move)
    first = std::move(second);
    EXPECT_EQ(*first, 4);
}

} // namespace coldbrick::test
