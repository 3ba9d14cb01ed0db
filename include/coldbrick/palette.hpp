/// @file
/// Named lists of colours.
#pragma once

#include <coldbrick/colour.hpp>

#include <cstddef>     // numbers of entries
#include <optional>    // a name may be no entry's
#include <string>      // entries have names
#include <string_view> // palettes are read from text
#include <vector>      // the entries

namespace [[gnu::visibility("default")]] coldbrick {

/// A list of 1 to 256 colours, which may have names. Buffers of the format indexed8 hold the entries'
/// numbers.
class Palette {
  public:
    struct Entry {
        Colour colour;
        std::string name = {}; ///< without blanks; empty if it has none

        friend bool operator==(const Entry&, const Entry&) = default;
    };

    static constexpr std::size_t largest = 256;

    /// @throws ArgumentError unless there are 1..256 entries, with names of letters, digits, - and _ that are
    /// all different.
    explicit Palette(std::vector<Entry> entries);

    [[nodiscard]] std::size_t size() const { return entries_.size(); }
    [[nodiscard]] const std::vector<Entry>& entries() const { return entries_; }

    /// The colour of an entry. @throws ArgumentError if the number is not below size().
    [[nodiscard]] const Colour& at(std::size_t number) const;

    /// The colour with a name, if there is one.
    [[nodiscard]] std::optional<Colour> find(std::string_view name) const;

    /// The number of the entry nearest to a colour: with the least sum of the squared differences of red,
    /// green, blue and alpha; of several the first.
    [[nodiscard]] std::size_t nearest(const Colour& colour) const;

    friend bool operator==(const Palette&, const Palette&) = default;

  private:
    std::vector<Entry> entries_;
};

/// The palette that is used where none is given: 16 colours of a harbour, by day and by night.
[[nodiscard]] const Palette& default_palette();

/// The palette that a text defines: a line for each entry, its colour as colour() reads it, then perhaps its
/// name. Blank lines and what follows `//` do not matter.
/// @throws ArgumentError naming the line if it is not of that form.
[[nodiscard]] Palette read_palette(std::string_view text);

/// The palette as text, which read_palette() reads back.
[[nodiscard]] std::string palette_text(const Palette& palette);

} // namespace coldbrick
