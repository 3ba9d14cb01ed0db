/// @file
/// Memory that is zero at first, and of which only the pages that are written take room.
#pragma once

#include <cstddef>
#include <cstdlib>
#include <memory>
#include <new>

namespace coldbrick::drawing {

/// An array of numbers that are zero at first.
template <class T>
class ZeroedMemory {
  public:
    /// @throws std::bad_alloc
    explicit ZeroedMemory(std::size_t count) : values_(static_cast<T*>(std::calloc(count, sizeof(T)))) {
        if (!values_) throw std::bad_alloc();
    }

    [[nodiscard]] T* data() { return values_.get(); }
    [[nodiscard]] const T* data() const { return values_.get(); }

  private:
    struct Free {
        void operator()(T* values) const { std::free(values); }
    };
    std::unique_ptr<T[], Free> values_;
};

} // namespace coldbrick::drawing
