/// @file
/// Marks round what was found in a picture.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/line_width.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/polygon.hpp>

#include <span>    // many marks
#include <string>  // captions
#include <variant> // shapes of marks
#include <vector>  // colours

namespace [[gnu::visibility("default")]] coldbrick {

/// A thing that was found, and what is written beside it.
struct Mark {
    std::variant<Box, Ellipse, Polygon, Point> shape;
    std::string caption = {}; ///< UTF-8; nothing is written if it is empty
    std::string group = {};   ///< those of one group have one colour
};

/// How marks look.
struct MarkStyle {
    std::vector<Colour> colours = {}; ///< of the groups in the order in which they appear, again from the
                                      ///< first one where there are more; distinct ones if it is empty
    LineWidth width = 2;              ///< of outlines
    double text_size = 14;            ///< 1..32767
    bool legend =
        false; ///< whether a list of the groups lies in that corner where it covers the fewest marks
};

/// Draws marks smooth onto a picture: outlines, points as rings, captions that stay inside and keep clear of
/// each other and of the marks as far as there is room.
/// @throws ArgumentError if a value is outside its range, as draw() and place_captions().
void draw(const ImageView& view, std::span<const Mark> marks, const MarkStyle& style = {});

/// The groups of marks in the order in which they appear, and the colours that they have.
struct MarkGroup {
    std::string name;
    Colour colour;
};
[[nodiscard]] std::vector<MarkGroup> groups_of(std::span<const Mark> marks, const MarkStyle& style = {});

} // namespace coldbrick
