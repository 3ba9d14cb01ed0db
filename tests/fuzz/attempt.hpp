/// @file
/// Calls that may fail, but only with a message.
#pragma once

#include "fuzz/targets.hpp"

#include <coldbrick/error.hpp>

#include <algorithm>
#include <string_view>

namespace coldbrick::fuzz {

/// Messages go to terminals: no control character but the ends of lines and tabs may be in them.
inline void check_message(const Error& error) {
    const std::string_view text = error.what();
    require(text.size() < 20 * 3000, "messages are not endless"); // a sheet tells 20 faults at once
    require(std::ranges::none_of(
                text, [](char c) { return (c >= 0 && c < ' ' && c != '\n' && c != '\t') || c == 127; }),
            "messages steer no terminal");
}

/// Makes a call that may fail, but only with a message.
template <class Call>
void attempt(Call call) {
    try {
        call();
    } catch (const Error& error) {
        check_message(error);
    }
}

} // namespace coldbrick::fuzz
