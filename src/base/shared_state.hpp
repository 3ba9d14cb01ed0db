/// @file
/// Making of state that copies share.
#pragma once

#include <coldbrick/shared.hpp>

#include <utility>

namespace coldbrick::base {

/// @tparam Made the state's own type, if it derives from the one that is known
template <class State, class Made = State, class... Arguments>
detail::SharedState<State> share(Arguments&&... arguments) {
    using Counted = detail::CountedState<State>;
    struct Holder : Counted {
        explicit Holder(Arguments&&... from)
            : Counted{nullptr, [](Counted* counted) { delete static_cast<Holder*>(counted); }},
              value(std::forward<Arguments>(from)...) {
            this->state = &value;
        }
        Made value;
    };
    return detail::SharedState<State>(new Holder(std::forward<Arguments>(arguments)...));
}

} // namespace coldbrick::base
