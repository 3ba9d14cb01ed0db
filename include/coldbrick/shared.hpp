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

} // namespace detail

/// A value that does not change and that all copies of this handle share. There is always one, but for a
/// moved-from handle, which may only be assigned to. Handles may be copied and read from many threads at
/// once, each handle by one of them.
template <class T>
class Shared {
  public:
    Shared(T value) : shared_(new Counted{static_cast<T&&>(value), {}}) {}

    Shared(const Shared& other) noexcept : shared_(other.shared_) {
        if (shared_ != nullptr) shared_->handles.add();
    }
    Shared(Shared&& other) noexcept : shared_(other.shared_) { other.shared_ = nullptr; }
    Shared& operator=(const Shared& other) noexcept {
        if (this != &other) *this = Shared(other);
        return *this;
    }
    Shared& operator=(Shared&& other) noexcept {
        Counted* const mine = shared_;
        shared_ = other.shared_;
        other.shared_ = mine;
        return *this;
    }
    ~Shared() {
        if (shared_ != nullptr && shared_->handles.remove()) delete shared_;
    }

    [[nodiscard]] const T& operator*() const { return shared_->value; }
    [[nodiscard]] const T* operator->() const { return &shared_->value; }

    /// True if the values are equal.
    friend bool operator==(const Shared& a, const Shared& b) { return a.shared_ == b.shared_ || *a == *b; }

  private:
    struct Counted {
        T value;
        detail::HandleCount handles;
    };

    Counted* shared_;
};

} // namespace coldbrick
