/// @file
/// Several faults that are told at once.
#pragma once

#include <coldbrick/error.hpp>

#include <string>
#include <string_view>

namespace coldbrick::sheet {

class Faults {
  public:
    /// @throws SheetError with all faults so far if they are as many as are told at once.
    void add(std::string_view message) {
        constexpr int most = 20;
        if (count_++ > 0) text_ += '\n';
        text_ += message;
        if (count_ == most) throw SheetError(text_ + "\nfurther faults are not told");
    }

    /// @throws SheetError if there are any.
    void tell() const {
        if (count_ > 0) throw SheetError(text_);
    }

    [[nodiscard]] bool empty() const { return count_ == 0; }

  private:
    std::string text_;
    int count_ = 0;
};

} // namespace coldbrick::sheet
