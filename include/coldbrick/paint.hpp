/// @file
/// What shapes are painted with.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/deep_colour.hpp>
#include <coldbrick/pattern.hpp>
#include <coldbrick/shared.hpp>

#include <concepts> // the kinds of patterns
#include <variant>  // colours and patterns

namespace [[gnu::visibility("default")]] coldbrick {

/// A colour of any depth or a pattern. Copying it copies no pattern.
class Paint {
  public:
    /// Opaque black.
    constexpr Paint() = default;

    /// One colour everywhere.
    constexpr Paint(const Colour& colour) : kind_(colour) {}
    constexpr Paint(const Colour16& colour) : kind_(colour) {}

    /// @throws ArgumentError if a channel is not a number in 0..1.
    Paint(const RealColour& colour);

    /// A pattern, or one of its kinds.
    /// @throws ArgumentError if a value is outside its range: no stops, stops out of order or outside 0..1,
    /// a gradient from a point to itself, a radius, spacing or width below 1, a texture without pixels.
    Paint(Pattern pattern);
    template <class Kind>
    requires(!std::same_as<Kind, Pattern> && !std::convertible_to<Kind, Colour> &&
             std::convertible_to<Kind, Pattern>) Paint(const Kind& kind)
        : Paint(Pattern(kind)) {}

    /// The pattern, or null if the paint is one colour.
    [[nodiscard]] const Pattern* pattern() const {
        const auto* const shared = std::get_if<Shared<Pattern>>(&kind_);
        return shared == nullptr ? nullptr : &**shared;
    }

    /// The colour, if the paint is one of this type: Colour, Colour16 or RealColour; else null.
    template <class C>
    [[nodiscard]] const C* colour() const {
        return std::get_if<C>(&kind_);
    }

    friend bool operator==(const Paint&, const Paint&) = default;

  private:
    std::variant<Colour, Colour16, RealColour, Shared<Pattern>> kind_;
};

} // namespace coldbrick
