/// @file
/// Why something of a sheet cannot be seen, and what was most likely not meant.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/sheet.hpp>
#include <coldbrick/visibility.hpp>

#include <cstdint>     // the enumeration's underlying type
#include <map>         // what is known of statements
#include <memory>      // the sheet
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
    std::string place; ///< file:line:column
    std::string message;
    std::vector<std::string> hidden_by = {}; ///< places of the statements that paint it over
};

/// The kind as a word with blanks: "painted over".
[[nodiscard]] std::string_view name_of(SheetFinding::Kind kind);

/// Looks at frames of a sheet, which have been read with SheetReading::warns, and finds what can be seen in
/// none of them. What it tells is exact: it draws them, in rgb8 or, on a see-through ground, rgba8.
class SheetCheck {
  public:
    /// Looks at one more frame. Two to three times as long as drawing it.
    /// @throws ArgumentError if the sheet was not read with warnings, or is not the same sheet as those
    /// before; else as Sheet::render().
    void add(const Sheet& frame);

    /// What has been found, in the order of the text.
    [[nodiscard]] std::vector<SheetFinding> findings() const;

  private:
    /// What all items of a statement come to, in all frames.
    struct Statement {
        bool carried_out = false;
        std::int64_t items = 0;
        std::int64_t covered = 0;
        std::int64_t hidden = 0;
        std::int64_t on_top = 0;
        std::int64_t seen = 0;
        std::int64_t letters = 0;       ///< pixels of letters on top
        std::int64_t faint = 0;         ///< those of too little contrast
        std::int64_t outline = 0;       ///< pixels of letters' outlines on top
        std::int64_t faint_outline = 0; ///< those of too little contrast
        int largest_change = 0;
        int largest_alpha = 0; ///< of its paints
        bool simple = true;    ///< all paints are simply laid over what is there
        bool replaces = true;  ///< all of its pixels get one opaque colour
        bool is_layer = false;
        bool is_empty_layer = true;
        bool meets_sheet = false; ///< without clips, where it covers nothing
        bool exists = false;      ///< it has pixels somewhere
        Box outside = {};         ///< where, if that is known
        std::map<std::uint32_t, std::int64_t> hidden_by = {};
    };

    void add_items(const Sheet& frame);
    static void add_text(Statement& statement, const Visibility& item, bool is_outline);
    [[nodiscard]] bool find(const Statement& statement, SheetFinding& finding) const;
    void find_uncovered(const Statement& statement, SheetFinding& finding) const;
    void find_hidden(const Statement& statement, SheetFinding& finding) const;
    static void find_unchanged(const Statement& statement, SheetFinding& finding);
    [[nodiscard]] bool is_doubled(std::size_t tag, std::size_t by) const;

    std::shared_ptr<const sheet::Program> program_;
    std::vector<Statement> statements_; ///< by their tags
    std::vector<SheetWarning> warnings_;
    std::int32_t frames_ = 0; ///< that have been looked at
};

/// What one frame shows.
[[nodiscard]] std::vector<SheetFinding> check(const Sheet& sheet);

} // namespace coldbrick
