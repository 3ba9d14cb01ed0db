/// @file
/// Whether work shall end early.
#pragma once

#include <coldbrick/callback.hpp>

#include <concepts> // what tells it

namespace [[gnu::visibility("default")]] coldbrick {

/// Tells running work to stop. Made from a std::stop_token, or from any function that returns true once the
/// work shall end; one made from nothing never does. It may be asked by several threads at once.
class StopSignal {
  public:
    StopSignal() = default;

    template <class Token>
    requires requires(const Token& token) {
        { token.stop_requested() } -> std::same_as<bool>;
    }
    StopSignal(const Token& token) : asked_([token] { return token.stop_requested(); }) {}

    template <detail::CallableButNot<StopSignal, bool> Function>
    StopSignal(const Function& function) : asked_(function) {}

    [[nodiscard]] bool stop_requested() const { return asked_ && asked_(); }
    /// False if it never stops.
    [[nodiscard]] bool stop_possible() const { return static_cast<bool>(asked_); }

  private:
    Callback<bool()> asked_;
};

} // namespace coldbrick
