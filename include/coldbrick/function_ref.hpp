/// @file
/// Functions that a call is handed and that it keeps no longer.
#pragma once

#include <concepts>    // what can be called
#include <type_traits> // and by what

namespace [[gnu::visibility("default")]] coldbrick {

namespace detail {

template <class Function, class Other, class Result, class... Arguments>
concept CallableButNot = !std::same_as<std::remove_cvref_t<Function>, Other> &&
                         std::is_invocable_r_v<Result, Function&, Arguments...>;

} // namespace detail

template <class Signature>
class FunctionRef;

/// Any function, lambda or object that can be called so. It refers to what it is made from, which must
/// outlive the call that it is handed to. One made from nothing is false and must not be called.
template <class Result, class... Arguments>
class FunctionRef<Result(Arguments...)> {
  public:
    FunctionRef() = default;

    // NOLINTBEGIN(bugprone-forwarding-reference-overload): FunctionRefs themselves are left out
    template <detail::CallableButNot<FunctionRef<Result(Arguments...)>, Result, Arguments...> Function>
    FunctionRef(Function&& function)
        : object_(const_cast<void*>(static_cast<const void*>(&function))), call_(call<Function>) {}
    // NOLINTEND(bugprone-forwarding-reference-overload)

    [[nodiscard]] explicit operator bool() const { return call_ != nullptr; }
    Result operator()(Arguments... arguments) const {
        return call_(object_, static_cast<Arguments&&>(arguments)...);
    }

  private:
    template <class Function>
    static Result call(void* object, Arguments... arguments) {
        return (*static_cast<std::remove_reference_t<Function>*>(object))(
            static_cast<Arguments&&>(arguments)...);
    }

    void* object_ = nullptr;
    Result (*call_)(void*, Arguments...) = nullptr;
};

} // namespace coldbrick
