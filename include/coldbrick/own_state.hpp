/// @file
/// State of objects whose type only their source knows.
#pragma once

namespace [[gnu::visibility("default")]] coldbrick {

namespace detail {

/// @throws ArgumentError: an object is used after it was moved from.
[[noreturn]] void throw_moved_from();

/// Owns a value of a type that is not defined where this is destroyed. After it was moved from, it may only
/// be assigned to and destroyed.
template <class State>
class OwnState {
  public:
    /// @param destroy deletes the state
    OwnState(State* state, void (*destroy)(State*)) : state_(state), destroy_(destroy) {}

    OwnState(OwnState&& other) noexcept : state_(other.state_), destroy_(other.destroy_) {
        other.state_ = nullptr;
    }
    OwnState& operator=(OwnState&& other) noexcept {
        State* const mine = state_;
        state_ = other.state_;
        other.state_ = mine;
        return *this;
    }
    ~OwnState() {
        if (state_ != nullptr) destroy_(state_);
    }

    /// @throws ArgumentError if it was moved from.
    [[nodiscard]] State* operator->() const {
        if (state_ == nullptr) throw_moved_from();
        return state_;
    }
    [[nodiscard]] State& operator*() const { return *operator->(); }

  private:
    State* state_;
    void (*destroy_)(State*);
};

} // namespace detail

} // namespace coldbrick
