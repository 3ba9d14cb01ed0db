#include "sheet/language/other_words.hpp"

#include "base/nearest_word.hpp"

#include <algorithm>
#include <array>

namespace coldbrick::sheet {

namespace {

struct Advice {
    std::string_view words; ///< with blanks between them and around them
    std::string_view advice;
};

constexpr std::array table{
    Advice{" rectangle rect square bar ", "a rectangle is a box: box at (10, 10) size 60 x 40 fill navy"},
    Advice{" triangle ", "a triangle is a polygon: polygon (10, 40), (30, 10), (50, 40) fill navy"},
    Advice{" polyline lines ",
           "lines from point to point are a path: path (10, 40), (30, 10), (50, 40) stroke navy"},
    Advice{" spline bezier curve_to ",
           "curves are parts of a path: path (10, 40) curve (30, 10) to (50, 40) stroke navy"},
    Advice{" point points pixel pixels dot ", "single pixels are dots: dots (10, 10), (12, 10) stroke navy"},
    Advice{" oval ", "it is an ellipse: ellipse at (60, 40) radii 30 x 20 fill navy"},
    Advice{" pie wedge ", "it is a sector: sector at (60, 40) radius 30 from 0 sweep 90 fill navy"},
    Advice{" label write print string caption ", "words are a text: text \"quay\" at (10, 30) fill navy"},
    Advice{" picture photo bitmap sprite ",
           "a picture from a file is an image: image \"quay.png\" at (10, 10)"},
    Advice{" background ground canvas page ",
           "the ground is given with the sheet's size: sheet 320 x 200 on white"},
    Advice{" outline border pen edge contour ",
           "an edge is a stroke, with its colour and width: stroke navy 3"},
    Advice{" thickness width linewidth line_width stroke_width ",
           "a width follows the stroke's colour: stroke navy 3"},
    Advice{" brush interior filled ", "an inside is painted by a fill: fill navy"},
    Advice{" dash dashed dotted ",
           "dashes are lengths that are painted and left out: stroke navy 3 dashes 6, 4"},
    Advice{" alpha transparency transparent ",
           "what shows through is an opacity of 0 to 1: fill navy opacity 0.5"},
    Advice{" antialias antialiased aa ", "edges are smooth by the word smooth: fill navy smooth"},
    Advice{" gradient ", "a gradient is a paint: fill along (0, 0) to (0, 99) navy, white"},
    Advice{" center ", "here it is written centre"},
    Advice{" color ", "a colour stands by itself, as in fill navy or fill #ffcc00"},
    Advice{" grey ", "a gray of 0 to 255 is gray(128)"},
    Advice{" font ", "letters have a face: text \"quay\" at (10, 30) face \"stroke\" size 18 fill navy"},
    Advice{" bold ", "a face of a font file has a weight: face \"DejaVu Sans\" weight 700"},
    Advice{" italic oblique ", "a face of a font file can be slanted: face \"DejaVu Sans\" slanted"},
    Advice{" for foreach while loop ",
           "what is done more than once is repeated: repeat i from 1 to 5 ... end"},
    Advice{" function func def fn macro sub group symbol use ",
           "what is drawn more than once is a motif: motif boat(colour) ... end, and place boat(navy)"},
    Advice{" var const set define ", "values have names by let: let r = 4"},
    Advice{" seed ", "chance begins from the sheet's seed: sheet 320 x 200 on white seed 7"},
    Advice{" with ",
           "what lies on a point is an anchor: box at (60, 40) size 30 x 20 anchor centre fill navy"},
    Advice{" rate ", "it belongs to the frames: frames 50 rate 25"},
    Advice{" import load ", "another sheet's text is included: include \"marks.brick\""},
    Advice{" rotate rotated rotation angle ", "a turn is given in degrees: turned 30"},
    Advice{" elif elsif elseif ", "other cases are an if within else: else, and if ... end below it"},
    Advice{" rand ", "a number by chance is random(0, 10)"},
    Advice{" pow ", "a square is r * r"},
    Advice{" len length ", "how many a list has is count(list)"},
    Advice{" rgba ", "rgb has an opacity, too: rgb(255, 204, 0, 0.5)"},
    Advice{" hsla hsv ", "hsl has an opacity, too: hsl(210, 60, 45, 0.5)"},
    Advice{" lerp interpolate blend_colours ", "what lies between two colours is mix(navy, white, 0.5)"}};

} // namespace

std::string_view advice_for(std::string_view word) {
    const auto* const row =
        std::ranges::find_if(table, [&](const Advice& one) { return base::has_word(one.words, word); });
    return row == table.end() ? std::string_view() : row->advice;
}

} // namespace coldbrick::sheet
