/// @file
/// How words are set and painted.
#pragma once

#include <coldbrick/angle.hpp>
#include <coldbrick/blend.hpp>
#include <coldbrick/edges.hpp>
#include <coldbrick/face.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/point.hpp>

#include <cstdint>  // numbers of lines
#include <limits>   // no limit of lines
#include <optional> // what need not be said
#include <vector>   // faces for missing characters

namespace [[gnu::visibility("default")]] coldbrick {

/// What a text's size tells.
enum class SizeOf : std::uint8_t {
    em,      ///< the face's own unit: of the built-in ones, from the top of capitals to the foot of a p
    capitals ///< the height of capitals
};

/// Which column of a text lies on its point: the first or the last of its widest line, or the middle.
enum class TextColumn : std::uint8_t { left, centre, right };

/// Which row of a text lies on its point.
enum class TextRow : std::uint8_t {
    baseline,   ///< the row that the first line's letters stand on
    top,        ///< the first row of the first line, with room for accents
    cap_height, ///< the row that the first line's capitals reach up to
    middle,     ///< midway between the first line's cap height and the last one's baseline
    bottom,     ///< the last row of the last line, with room for what hangs below
};

/// Where a text's point lies in it.
struct TextAnchor {
    TextColumn column = TextColumn::left;
    TextRow row = TextRow::baseline;

    friend constexpr bool operator==(const TextAnchor&, const TextAnchor&) = default;
};

/// Which way a paragraph runs.
enum class Direction : std::uint8_t {
    by_text, ///< as its first letter that has a direction
    left_to_right,
    right_to_left,
};

/// How words are set. Lengths are in pixels; they and the numbers need not be whole.
struct TextStyle {
    Face face = Face::stroke();
    std::vector<Face> fallbacks = {}; ///< asked in turn for characters that the face lacks
    double size = 18;                 ///< 1..32767
    SizeOf size_of = SizeOf::em;
    TextAnchor anchor = {};
    /// Of lines among each other: as the anchor's column unless told, but lines that run from right to left
    /// end at the right where the anchor is on the left.
    std::optional<TextColumn> alignment = {};
    double letter_spacing = 0;        ///< between letters, added to the face's own; -32767..32767
    double line_spacing = 1;          ///< from line to line, in the face's own distances; 0.5..100
    std::optional<double> width = {}; ///< lines are broken so as not to be wider, 1 and up
    std::int32_t most_lines = std::numeric_limits<std::int32_t>::max(); ///< further text is left out for an
                                                                        ///< ellipsis, 1 and up
    std::optional<Size> fit = {}; ///< a box that the text is made smaller for, and broken, if it is larger
    double smallest_size = 6;     ///< made no smaller than this; what does not fit then is left out
    Angle turn = {};              ///< of the whole about its point
    Direction direction = Direction::by_text;
    std::optional<double> stroke_width = {}; ///< of faces that are made of strokes
    Edges edges = Edges::smooth;
};

/// A stroke round letters, under them.
struct TextOutline {
    Paint paint;
    double width = 1; ///< how far it reaches beyond the letters, above 0

    friend bool operator==(const TextOutline&, const TextOutline&) = default;
};

/// A filled box behind a text.
struct TextPlate {
    Paint paint;
    std::int32_t padding = 4;         ///< in pixels on all sides, 0..32767
    std::int32_t radius = 3;          ///< of its corners, 0..32767
    std::optional<Paint> border = {}; ///< of a line of one pixel along its edge, inside

    friend bool operator==(const TextPlate&, const TextPlate&) = default;
};

/// What a text is painted with: the plate first, the outline over it, then the letters.
struct TextPaint {
    Paint paint;
    Blending blending = {}; ///< of each of the three
    std::optional<TextOutline> outline = {};
    std::optional<TextPlate> plate = {};

    friend bool operator==(const TextPaint&, const TextPaint&) = default;
};

} // namespace coldbrick
