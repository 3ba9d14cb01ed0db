/// @file
/// Makes the state of objects.
#pragma once

#include <coldbrick/own_state.hpp>

#include <memory>

namespace coldbrick::base {

template <class State>
detail::OwnState<State> owned(std::unique_ptr<State> state) {
    return {state.release(), [](State* old) { delete old; }};
}

} // namespace coldbrick::base
