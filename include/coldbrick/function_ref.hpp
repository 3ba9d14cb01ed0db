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

/// True of a null pointer to a function and of objects that say themselves that they hold none.
template <class Function>
bool is_null(const Function& function) {
    if constexpr (!std::is_function_v<Function> && std::is_constructible_v<bool, const Function&>)
        return !static_cast<bool>(function);
    else
        return false;
}

} // namespace detail

template <class Signature>
class FunctionRef;

/// Any function, lambda or object that can be called with the arguments. It refers to what it is made from,
/// which must outlive the call that it is passed to; what keeps a function takes a Callback. One made from
/// nothing, a null pointer or an empty Callback is false and must not be called.
template <class Result, class... Arguments>
class FunctionRef<Result(Arguments...)> {
  public:
    FunctionRef() = default;

    // NOLINTBEGIN(bugprone-forwarding-reference-overload): FunctionRefs themselves are left out
    template <detail::CallableButNot<FunctionRef<Result(Arguments...)>, Result, Arguments...> Function>
    FunctionRef(Function&& function) {
        if (detail::is_null(function)) return;
        if constexpr (std::is_function_v<std::remove_reference_t<Function>>) {
            function_ = reinterpret_cast<AnyFunction>(&function);
            call_ = call_function<std::remove_reference_t<Function>>;
        } else {
            object_ = const_cast<void*>(static_cast<const void*>(&function));
            call_ = call_object<std::remove_reference_t<Function>>;
        }
    }
    // NOLINTEND(bugprone-forwarding-reference-overload)

    [[nodiscard]] explicit operator bool() const { return call_ != nullptr; }
    Result operator()(Arguments... arguments) const {
        return call_(*this, static_cast<Arguments&&>(arguments)...);
    }

  private:
    using AnyFunction = void (*)();

    template <class Function>
    static Result call_object(const FunctionRef& self, Arguments... arguments) {
        return static_cast<Result>(
            (*static_cast<Function*>(self.object_))(static_cast<Arguments&&>(arguments)...));
    }
    template <class Function>
    static Result call_function(const FunctionRef& self, Arguments... arguments) {
        return static_cast<Result>(
            reinterpret_cast<Function*>(self.function_)(static_cast<Arguments&&>(arguments)...));
    }

    union {
        void* object_ = nullptr;
        AnyFunction function_;
    };
    Result (*call_)(const FunctionRef&, Arguments...) = nullptr;
};

} // namespace coldbrick
