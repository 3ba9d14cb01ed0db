/// @file
/// Functions that are kept to be called later.
#pragma once

#include <coldbrick/function_ref.hpp>

#include <concepts>    // what can be called
#include <type_traits> // and by what

namespace [[gnu::visibility("default")]] coldbrick {

template <class Signature>
class Callback;

/// A copy of any function, lambda or object that can be called with the arguments, for options that keep one.
/// An empty one is false and must not be called. Copies call copies of the object.
template <class Result, class... Arguments>
class Callback<Result(Arguments...)> {
  public:
    Callback() = default;

    // NOLINTBEGIN(bugprone-forwarding-reference-overload): Callbacks themselves are left out
    template <detail::CallableButNot<Callback<Result(Arguments...)>, Result, Arguments...> Function>
    requires std::copy_constructible<std::decay_t<Function>> Callback(Function&& function) {
        if (detail::is_null(function)) return;
        kept_ = new Kept<std::decay_t<Function>>(static_cast<Function&&>(function));
    }
    // NOLINTEND(bugprone-forwarding-reference-overload)

    Callback(const Callback& other) : kept_(other.kept_ == nullptr ? nullptr : other.kept_->copy()) {}
    Callback(Callback&& other) noexcept : kept_(other.kept_) { other.kept_ = nullptr; }
    Callback& operator=(const Callback& other) {
        if (this != &other) *this = Callback(other);
        return *this;
    }
    Callback& operator=(Callback&& other) noexcept {
        AnyKept* const mine = kept_;
        kept_ = other.kept_;
        other.kept_ = mine;
        return *this;
    }
    ~Callback() { delete kept_; }

    [[nodiscard]] explicit operator bool() const { return kept_ != nullptr; }
    Result operator()(Arguments... arguments) const {
        return kept_->call(static_cast<Arguments&&>(arguments)...);
    }

  private:
    struct AnyKept {
        AnyKept() = default;
        AnyKept(const AnyKept&) = delete;
        AnyKept& operator=(const AnyKept&) = delete;
        virtual ~AnyKept() = default;
        virtual AnyKept* copy() const = 0;
        virtual Result call(Arguments... arguments) = 0;
    };
    template <class Function>
    struct Kept final : AnyKept {
        explicit Kept(const Function& from) : function(from) {}
        explicit Kept(Function&& from) : function(static_cast<Function&&>(from)) {}
        AnyKept* copy() const override { return new Kept(function); }
        Result call(Arguments... arguments) override {
            return static_cast<Result>(function(static_cast<Arguments&&>(arguments)...));
        }
        Function function;
    };

    AnyKept* kept_ = nullptr;
};

} // namespace coldbrick
