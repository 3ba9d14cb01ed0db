/// @file
/// Functions that a call is handed and that it keeps no longer.
#pragma once

#include <concepts>    // what can be called
#include <type_traits> // and by what

namespace [[gnu::visibility("default")]] coldbrick {

template <class Signature>
class FunctionRef;

/// Any function, lambda or object that can be called so. It refers to what it is made from, which must
/// outlive the call that it is handed to. One made from nothing is false and must not be called.
template <class Result, class... Arguments>
class FunctionRef<Result(Arguments...)> {
  public:
    FunctionRef() = default;

    template <class Function>
    requires(!std::same_as<std::remove_cvref_t<Function>, FunctionRef>) &&
        std::is_invocable_r_v<Result, Function&, Arguments...> FunctionRef(Function&& function)
        : object_(const_cast<void*>(static_cast<const void*>(&function))),
    call_([](void* object, Arguments... arguments) -> Result {
        return (*static_cast<std::remove_reference_t<Function>*>(object))(
            static_cast<Arguments&&>(arguments)...);
    }) {}

    [[nodiscard]] explicit operator bool() const { return call_ != nullptr; }
    Result operator()(Arguments... arguments) const {
        return call_(object_, static_cast<Arguments&&>(arguments)...);
    }

  private:
    void* object_ = nullptr;
    Result (*call_)(void*, Arguments...) = nullptr;
};

} // namespace coldbrick
