/// @file
/// Tables of calls that must fail, with their messages.
#pragma once

#include <coldbrick/error.hpp>

#include <gtest/gtest.h>

#include <functional>
#include <initializer_list>
#include <string>
#include <typeinfo>

namespace coldbrick::test {

struct FailingCall {
    std::function<void()> call;
    std::string message;
};

/// Fails the test unless each call throws exactly this type with this message.
template <class Exception>
void expect_errors(std::initializer_list<FailingCall> calls) {
    for (const FailingCall& failing : calls) {
        try {
            failing.call();
            ADD_FAILURE() << "nothing is thrown, instead of: " << failing.message;
        } catch (const Error& error) {
            EXPECT_EQ(error.what(), failing.message);
            EXPECT_EQ(typeid(error), typeid(Exception)) << failing.message;
        }
    }
}

} // namespace coldbrick::test
