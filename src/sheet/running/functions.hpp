/// @file
/// The functions that sheets may call.
#pragma once

#include "sheet/language/source.hpp"
#include "sheet/running/context.hpp"
#include "sheet/running/value.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/position.hpp>

#include <cstddef>
#include <cstdint>
#include <limits>
#include <span>
#include <string_view>
#include <vector>

namespace coldbrick::sheet {

/// What a call is given.
class Arguments {
  public:
    /// @param call where the call stands
    /// @param places of the values
    /// @param chance that belongs to this call
    Arguments(const Context& context, const Location& call, std::span<const Value> values,
              std::span<const Location> places, std::uint64_t chance)
        : context_(context), call_(call), values_(values), places_(places), chance_(chance) {}

    [[nodiscard]] std::size_t size() const { return values_.size(); }
    [[nodiscard]] const Value& value(std::size_t i) const { return values_[i]; }

    // Of the kind that is named. @throws SheetError at the value if it is of another.
    [[nodiscard]] double number(std::size_t i) const;
    [[nodiscard]] double number(std::size_t i, double otherwise) const; ///< if there are fewer values
    [[nodiscard]] Position position(std::size_t i) const;
    [[nodiscard]] Colour colour(std::size_t i) const;
    [[nodiscard]] RealBox box(std::size_t i) const;
    [[nodiscard]] const std::vector<Value>& list(std::size_t i) const;

    /// The size of the image file that the text names. @throws SheetError if it cannot be loaded.
    [[nodiscard]] Position image_size(std::size_t i) const;

    /// A whole number. @throws SheetError also if it is none of low..high.
    [[nodiscard]] std::size_t count(std::size_t i, std::string_view what, std::size_t low,
                                    std::size_t high) const;

    /// The sheet's own box. @throws SheetError if its size is not known yet.
    [[nodiscard]] Box sheet() const;

    /// 64 random bits. @param which of the call's own
    [[nodiscard]] std::uint64_t random_bits(std::uint64_t which) const;
    /// A random number of 0 up to 1.
    [[nodiscard]] double random(std::uint64_t which = 0) const;
    /// Makes the random values depend on a value as well, if it is there.
    void vary_by(std::size_t i);

    /// Counts what is made against the steps that may be taken.
    void take_steps(std::size_t steps) const { context_.take_steps(steps, call_); }

    [[noreturn]] void fail_at(std::size_t i, std::string_view message) const;
    [[noreturn]] void fail_expecting(std::size_t i, std::string_view kind) const;

  private:
    const Context& context_;
    Location call_;
    std::span<const Value> values_;
    std::span<const Location> places_;
    std::uint64_t chance_;
};

/// A name that a bracket makes a function, how many values it takes, and what it does with them.
struct Function {
    std::string_view name;
    std::size_t least;
    std::size_t most;
    Value (*work)(Arguments& arguments); ///< may throw ArgumentError, too
};

inline constexpr std::size_t any_number = std::numeric_limits<std::size_t>::max();

// The functions by their subjects, each with its documentation in docs/sheets.md.
std::span<const Function> number_functions();
std::span<const Function> colour_functions();
std::span<const Function> text_functions();
std::span<const Function> place_functions();
std::span<const Function> list_functions();
std::span<const Function> chance_functions();

/// The function with this name, or null.
const Function* function_of(std::string_view name);

/// All names.
std::vector<std::string_view> function_names();

} // namespace coldbrick::sheet
