/// @file
/// Values that copies share.
#pragma once

#include <cstddef> // counts

namespace [[gnu::visibility("default")]] coldbrick {

namespace detail {

/// How many handles a value has. Counted atomically, in the library, so that this header needs little.
class HandleCount {
  public:
    void add() noexcept;

    /// True if that was the last one.
    [[nodiscard]] bool remove() noexcept;

  private:
    std::size_t count_ = 1;
};

/// A pointer to what its copies share and the last of them destroys; or to nothing.
/// @tparam Counted has a HandleCount `handles` and destroys itself by destroy()
template <class Counted>
class CountedPointer {
  public:
    explicit CountedPointer(Counted* counted) : counted_(counted) {}

    CountedPointer(const CountedPointer& other) noexcept : counted_(other.counted_) {
        if (counted_ != nullptr) counted_->handles.add();
    }
    CountedPointer(CountedPointer&& other) noexcept : counted_(other.counted_) { other.counted_ = nullptr; }
    CountedPointer& operator=(const CountedPointer& other) noexcept {
        if (this != &other) *this = CountedPointer(other);
        return *this;
    }
    CountedPointer& operator=(CountedPointer&& other) noexcept {
        Counted* const mine = counted_;
        counted_ = other.counted_;
        other.counted_ = mine;
        return *this;
    }
    ~CountedPointer() {
        if (counted_ != nullptr && counted_->handles.remove()) counted_->destroy();
    }

    [[nodiscard]] Counted* get() const { return counted_; }

  private:
    Counted* counted_;
};

/// State and how many share it. What makes it knows its type.
template <class State>
struct CountedState {
    const State* state;
    void (*destroy_both)(CountedState*);
    HandleCount handles = {};

    void destroy() { destroy_both(this); }
};

/// State that does not change, that copies share, and whose type only its source knows; or none. Copies
/// compare equal.
template <class State>
class SharedState {
  public:
    SharedState() : counted_(nullptr) {}
    explicit SharedState(CountedState<State>* counted) : counted_(counted) {}

    [[nodiscard]] explicit operator bool() const { return counted_.get() != nullptr; }
    [[nodiscard]] const State& operator*() const { return *counted_.get()->state; }
    [[nodiscard]] const State* operator->() const { return counted_.get()->state; }

    friend bool operator==(const SharedState& a, const SharedState& b) {
        return a.counted_.get() == b.counted_.get();
    }

  private:
    CountedPointer<CountedState<State>> counted_;
};

} // namespace detail

/// A value that does not change and that all copies of this handle share. There is always one, but for a
/// moved-from handle, which may only be assigned to. Handles may be copied and read from many threads at
/// once, each handle by one of them.
template <class T>
class Shared {
  public:
    Shared(T value) : counted_(new Counted{static_cast<T&&>(value), {}}) {}

    [[nodiscard]] const T& operator*() const { return counted_.get()->value; }
    [[nodiscard]] const T* operator->() const { return &counted_.get()->value; }

    /// True if the values are equal.
    friend bool operator==(const Shared& a, const Shared& b) {
        return a.counted_.get() == b.counted_.get() || *a == *b;
    }

  private:
    struct Counted {
        T value;
        detail::HandleCount handles;

        void destroy() { delete this; }
    };

    detail::CountedPointer<Counted> counted_;
};

} // namespace coldbrick
