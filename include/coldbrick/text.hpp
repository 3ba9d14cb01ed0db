/// @file
/// Words in pictures.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/path.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/shared.hpp>
#include <coldbrick/text_style.hpp>

#include <cstddef>     // lengths of texts
#include <cstdint>     // distances of 64 bits
#include <limits>      // all pixels
#include <string>      // characters that are missing
#include <string_view> // texts

namespace coldbrick::text {
struct Layout;
}

namespace [[gnu::visibility("default")]] coldbrick {

/// What a text comes to, before it is drawn. Boxes are those of the text as it lies, or of the turned one.
struct TextMeasure {
    Box ink;   ///< the tight box of the pixels that the letters paint; empty if there are none
    Box lines; ///< of all lines: as wide as the widest, from the first one's top to the last one's bottom
    double advance = 0; ///< the width of the widest line, before any turn
    double size = 0;    ///< of the letters, which may have been made smaller to fit
    std::int32_t line_count = 0;
    bool cut = false;         ///< true if text was left out for an ellipsis
    std::u32string missing;   ///< the characters, each once, that no face has; each is shown as an empty box
    std::size_t replaced = 0; ///< how many stretches of bytes were no UTF-8, each shown as U+FFFD
};

/// Letters as paths.
struct LetterPaths {
    Path outlines;           ///< to be filled with FillRule::non_zero and FillExtent::tiling
    Path middle_lines;       ///< of faces that are made of strokes: to be stroked with round caps and joins
    double stroke_width = 1; ///< and with this width
};

/// Words with the style that they are set in, and where. The letters are laid out when it is made, which
/// takes a time of the order of the text's length; copies share that. Letters of level text up to 256 pixels
/// stand on whole rows, smooth ones on quarters of columns and crisp ones on whole columns, so that their
/// coverages can be kept and used again; larger and turned ones stand exactly where they belong. Letters that
/// overlap cover what they have in common once. Many threads may use one text at once.
class Text {
  public:
    /// @param text UTF-8. What is none is shown as U+FFFD. A line ends at \\n, \\r\\n or U+2028. At most
    /// most_bytes.
    /// @param at the pixel that the style's anchor lies on.
    /// @throws ArgumentError if a value is outside its range, or if a turned text, or one whose letters are
    /// larger than 256 pixels, has more than 65536 of them.
    Text(std::string_view text, Point at, const TextStyle& style = {});

    static constexpr std::size_t most_bytes = std::size_t{1} << 20;

    [[nodiscard]] TextMeasure measure() const;

    /// The tight box of the pixels that the letters paint.
    [[nodiscard]] Box bounds() const;

    /// True if the letters paint the pixel at all.
    [[nodiscard]] bool contains(Point pixel) const;

    /// The text moved to the right by dx and down by dy.
    /// @throws ArgumentError if its point would leave the 32-bit coordinates.
    [[nodiscard]] Text moved(std::int64_t dx, std::int64_t dy) const;

    /// The text moved so that the anchor of its bounds lies on `position`. @throws ArgumentError as moved().
    [[nodiscard]] Text placed(Anchor anchor, Point position) const;

    /// The letters as paths, at exactly the places where they are drawn.
    [[nodiscard]] LetterPaths paths() const;

    /// The box of a plate: the lines' box, or the ink's where that reaches further, with the padding; of a
    /// turned text, whose plate is turned with it, the box about the lines with the padding, turned.
    [[nodiscard]] Box plate_box(const TextPlate& plate) const;

    [[nodiscard]] Point at() const { return at_; }

    // For the library's own use.
    [[nodiscard]] const text::Layout& layout() const { return *layout_; }

  private:
    detail::SharedState<text::Layout> layout_;
    Point at_;
};

/// What a text comes to with its anchor on pixel (0, 0). @throws ArgumentError as Text.
[[nodiscard]] TextMeasure measure(std::string_view text, const TextStyle& style = {});

/// The box of all 32-bit coordinates.
constexpr Box all_pixels{std::numeric_limits<std::int32_t>::min(), std::numeric_limits<std::int32_t>::min(),
                         std::int64_t{1} << 32, std::int64_t{1} << 32};

/// Paints a text, cut to the view's clip. Each pixel is painted at most once by the letters, once by their
/// outline and once by the plate.
/// @throws ArgumentError if a value is outside its range; nothing is painted then.
void draw(const ImageView& view, const Text& text, const TextPaint& paint);
void draw(const ImageView& view, const Text& text, const Paint& paint, const Blending& blending = {});

/// Adds a text to a drawing, which keeps the coverages of its letters, and of their outline: a byte for each
/// pixel of their bounds that lies in a box. @param within what will be seen of the drawing
/// @throws ArgumentError as draw(), and if that is more than most_bytes.
void add(Drawing& drawing, const Text& text, const TextPaint& paint, const Box& within = all_pixels,
         std::size_t most_bytes = std::size_t{1} << 28);

/// The pixels that the letters paint. @throws ArgumentError if one lies outside the 32-bit coordinates.
[[nodiscard]] Region region(const Text& text);

} // namespace coldbrick
