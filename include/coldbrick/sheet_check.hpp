/// @file
/// Why something of a sheet cannot be seen, and what was most likely not meant.
#pragma once

#include <coldbrick/own_state.hpp>
#include <coldbrick/sheet.hpp>
#include <coldbrick/visibility.hpp>

#include <cstdint>     // the enumeration's underlying type
#include <string>      // messages
#include <string_view> // names of kinds
#include <vector>      // findings

namespace [[gnu::visibility("default")]] coldbrick {

/// What was found about a statement of a sheet.
struct SheetFinding {
    enum class Kind : std::uint8_t {
        // It cannot be seen:
        outside,      ///< it lies outside of the sheet
        clipped,      ///< a clip leaves none of its pixels
        empty,        ///< it has no pixels
        painted_over, ///< others hide all of it
        hidden_layer, ///< the layer that it is drawn in does not show
        same_colour,  ///< it has the colour of what it covers
        see_through,  ///< its paint is so transparent that nothing changes
        no_change,    ///< it changes no pixel for another reason, such as its blend mode
        not_drawn,    ///< no frame carries it out
        // It can hardly be seen:
        nearly_same_colour, ///< its colour is a level or two off what it covers
        low_contrast,       ///< of a text: below 3:1 on most of its pixels
        cut_text,           ///< an edge of the sheet cuts it off
        // It is most likely not meant:
        corner, ///< a box's opposite corner lies above and to the left of its corner
        radius, ///< a circle is larger than the sheet
        unused  ///< nothing uses a name or motif
    };
    Kind kind;
    SheetPlace place;
    std::string message;
    std::vector<SheetPlace> hidden_by = {}; ///< places of the statements that paint it over
};

/// The kind as a word with blanks: "painted over".
[[nodiscard]] std::string_view name_of(SheetFinding::Kind kind);

/// Looks at frames of a sheet, which have been read with SheetReading::warns, and finds what can be seen in
/// none of them. What it tells is exact: it draws them, in rgb8 or, on a see-through ground, rgba8.
class SheetCheck {
  public:
    SheetCheck();

    /// Looks at one more frame. Two to three times as long as drawing it.
    /// @throws ArgumentError if the sheet was not read with warnings, or is not the same sheet as those
    /// before; else as Sheet::render().
    void add(const Sheet& frame);

    /// What has been found, in the order of the text.
    [[nodiscard]] std::vector<SheetFinding> findings() const;

  private:
    class State;
    detail::OwnState<State> state_;
};

/// What one frame shows.
[[nodiscard]] std::vector<SheetFinding> check(const Sheet& sheet);

} // namespace coldbrick
