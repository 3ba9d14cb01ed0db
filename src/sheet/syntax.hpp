/// @file
/// What a sheet says, as a tree: statements and their expressions, before anything is worked out.
#pragma once

#include "sheet/source.hpp"

#include <coldbrick/anchor.hpp>
#include <coldbrick/blend.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/edges.hpp>
#include <coldbrick/fill_rule.hpp>
#include <coldbrick/line_style.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/text_style.hpp>

#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <variant>
#include <vector>

namespace coldbrick::sheet {

struct Expression;
using ExpressionPtr = std::unique_ptr<Expression>;

struct NumberLiteral {
    double value;
};

struct ColourLiteral {
    Colour value;
};

struct TextLiteral {
    std::string value;
};

/// A name that `let` defines, or else a CSS colour.
struct Name {
    std::string text;
};

/// (x, y)
struct PointLiteral {
    ExpressionPtr x;
    ExpressionPtr y;
};

/// A coordinate of a point, point.x or point.y, or a palette's colour, PALETTE.NAME
struct Member {
    ExpressionPtr whole;
    std::string name;
};

/// FUNCTION(VALUE, VALUE, ...)
struct Call {
    std::string function;
    std::vector<ExpressionPtr> arguments;
};

struct Negation {
    ExpressionPtr operand;
};

struct BinaryOperation {
    char operation; ///< one of + - * /
    ExpressionPtr left;
    ExpressionPtr right;
};

struct Expression {
    Location location; ///< of an operation, its sign
    std::variant<NumberLiteral, ColourLiteral, TextLiteral, Name, PointLiteral, Member, Call, Negation,
                 BinaryOperation>
        form;
};

/// sheet WIDTH x HEIGHT [on COLOUR] [smooth]
struct SheetStatement {
    ExpressionPtr width;
    ExpressionPtr height;
    ExpressionPtr ground; ///< null if it is left out
    Edges edges = Edges::crisp;
};

/// frames COUNT [rate NUMBER]
struct FramesStatement {
    ExpressionPtr count;
    ExpressionPtr rate; ///< null if it is left out
};

/// let NAME = VALUE
struct LetStatement {
    std::string name;
    Location name_location;
    ExpressionPtr value;
};

/// line FROM to TO
struct LineForm {
    ExpressionPtr from;
    ExpressionPtr to;
};

/// CORNER to OPPOSITE, or CORNER size WIDTH x HEIGHT
struct Frame {
    ExpressionPtr corner;
    ExpressionPtr opposite; ///< null if width and height are given
    ExpressionPtr width;
    ExpressionPtr height;
};

/// box FRAME [rounded RADIUS]
struct BoxForm {
    Frame frame;
    ExpressionPtr radius; ///< null if it is left out
};

/// circle at CENTRE radius RADIUS
struct CircleForm {
    ExpressionPtr centre;
    ExpressionPtr radius;
};

/// at CENTRE radii ACROSS x DOWN [turned ANGLE], or FRAME [turned ANGLE]; of arcs at CENTRE radius RADIUS,
/// too
struct OvalForm {
    ExpressionPtr centre; ///< null if there is a frame
    ExpressionPtr across;
    ExpressionPtr down; ///< null for a circle
    Frame frame;
    ExpressionPtr turn; ///< null if it is left out
};

/// ellipse OVAL
struct EllipseForm {
    OvalForm oval;
};

/// arc OVAL from ANGLE sweep ANGLE; sectors and segments likewise
struct ArcForm {
    enum class Kind : std::uint8_t { arc, sector, segment } kind;
    OvalForm oval;
    ExpressionPtr start;
    ExpressionPtr sweep;
};

/// dots POINT, POINT, ...
struct DotsForm {
    std::vector<ExpressionPtr> points;
};

/// polygon at CENTRE radius RADIUS corners COUNT [turned ANGLE], or
/// star at CENTRE radius RADIUS notch RADIUS tips COUNT [turned ANGLE]
struct RegularForm {
    ExpressionPtr centre;
    ExpressionPtr radius;
    ExpressionPtr notch; ///< null for a polygon
    ExpressionPtr count;
    ExpressionPtr turn; ///< null if it is left out
};

/// curve POINT[, POINT] to END, or around CENTRE sweep ANGLE, and then lines to further points
struct CurveWords {
    Location location;
    std::vector<ExpressionPtr> controls; ///< one or two; none for part of a circle
    ExpressionPtr end;
    ExpressionPtr centre;
    ExpressionPtr sweep;
    std::vector<ExpressionPtr> points;
};

/// POINT, POINT, ... CURVES
struct ContourWords {
    std::vector<ExpressionPtr> points;
    std::vector<CurveWords> curves;
};

/// path CONTOUR [ring CONTOUR]... [closed]
struct PathForm {
    std::vector<ContourWords> contours;
    bool closed = false;
};

/// path "PATH DATA" [at POINT]
struct PathTextForm {
    std::string text;
    Location location;
    ExpressionPtr at; ///< null if it is left out
};

/// polygon POINT, POINT, ... [ring POINT, POINT, ...]...
struct PolygonForm {
    std::vector<std::vector<ExpressionPtr>> rings;
};

/// COLOUR [at PLACE]
struct StopWords {
    ExpressionPtr colour;
    ExpressionPtr place; ///< null if it is left out
};

/// along POINT to POINT STOP, STOP, ...
struct AlongWords {
    ExpressionPtr from;
    ExpressionPtr to;
    std::vector<StopWords> stops;
};

/// around POINT radius RADIUS STOP, STOP, ...
struct AroundWords {
    ExpressionPtr centre;
    ExpressionPtr radius;
    std::vector<StopWords> stops;
};

/// hatch DIRECTION COLOUR [spacing NUMBER] [wide NUMBER] [on COLOUR]
struct HatchWords {
    Hatch::Direction direction;
    ExpressionPtr colour;
    ExpressionPtr spacing; ///< null if it is left out, like those below
    ExpressionPtr width;
    ExpressionPtr ground;
};

/// What shapes are painted with: one colour, or a pattern.
using PaintWords = std::variant<ExpressionPtr, AlongWords, AroundWords, HatchWords>;

/// [opacity NUMBER] [blend MODE] [linear]
struct BlendingWords {
    ExpressionPtr opacity; ///< null if it is left out
    BlendMode mode = BlendMode::source_over;
    BlendSpace space = BlendSpace::encoded;
};

/// fill PAINT [nonzero] [tiling] [smooth] [crisp] BLENDING
struct FillWords {
    Location location;
    PaintWords paint;
    BlendingWords blending = {};
    FillRule rule = FillRule::even_odd;
    FillExtent extent = FillExtent::whole;
    std::optional<Edges> edges = {}; ///< the sheet's if it is left out
};

/// stroke PAINT [WIDTH] [cap CAP] [join JOIN] [limit NUMBER] [inside] [outside] [dashes NUMBER, ... [offset
/// NUMBER]] [smooth] [crisp] BLENDING
struct StrokeWords {
    Location location;
    PaintWords paint;
    BlendingWords blending;
    ExpressionPtr width; ///< null if it is left out
    Cap cap = Cap::butt;
    Join join = Join::mitre;
    ExpressionPtr limit; ///< null if it is left out
    Alignment alignment = Alignment::centred;
    std::vector<ExpressionPtr> dashes;
    ExpressionPtr offset;            ///< null if it is left out
    std::optional<Edges> edges = {}; ///< the sheet's if it is left out
};

/// A shape as it is written.
using ShapeForm = std::variant<DotsForm, LineForm, PathForm, PathTextForm, BoxForm, CircleForm, EllipseForm,
                               ArcForm, PolygonForm, RegularForm>;

/// A shape and its style.
struct ShapeStatement {
    ShapeForm form;
    std::optional<FillWords> fill;
    std::optional<StrokeWords> stroke;
};

/// palette NAME ENTRY COLOUR, ENTRY COLOUR, ...
struct PaletteStatement {
    struct Entry {
        std::string name;
        ExpressionPtr colour;
    };
    std::string name;
    Location name_location;
    std::vector<Entry> entries;
};

/// image "FILE" at POINT [anchor ANCHOR] [size WIDTH x HEIGHT [contain] [cover]] [mirrored] [turned ANGLE]
/// [key COLOUR] BLENDING
struct ImageStatement {
    std::string file;
    Location file_location;
    ExpressionPtr at;
    Anchor anchor = Anchor::top_left;
    ExpressionPtr width; ///< null if it is left out, like those below
    ExpressionPtr height;
    Fit fit = Fit::exact;
    bool mirrored = false;
    ExpressionPtr turn;
    ExpressionPtr key;
    BlendingWords blending;
};

/// "NAME", "NAME", ... [weight NUMBER] [slanted] [axis "TAG" NUMBER]...
struct FaceWords {
    struct Name {
        std::string text;
        Location location;
    };
    struct Axis {
        std::string tag;
        ExpressionPtr value;
    };
    std::vector<Name> names; ///< those after the first have what it lacks
    ExpressionPtr weight;    ///< null if it is left out
    bool slanted = false;
    std::vector<Axis> axes;
};

/// plate PAINT [padding NUMBER] [rounded NUMBER] [border PAINT]
struct PlateWords {
    PaintWords paint;
    ExpressionPtr padding; ///< null if it is left out, like those below
    ExpressionPtr radius;
    std::optional<PaintWords> border;
};

/// text TEXT at POINT fill PAINT [stroke PAINT [WIDTH]] [PLATE] [face FACE] [size NUMBER [capitals]] [anchor
/// COLUMN ROW] [aligned COLUMN] [spacing NUMBER] [leading NUMBER] [within WIDTH] [lines COUNT] [fit WIDTH x
/// HEIGHT] [turned ANGLE] [thick NUMBER] [smooth] [crisp] BLENDING
struct TextStatement {
    ExpressionPtr text;
    ExpressionPtr at;
    std::optional<PaintWords> paint;
    std::optional<PaintWords> outline;
    ExpressionPtr outline_width; ///< null if it is left out
    std::optional<PlateWords> plate;
    std::optional<FaceWords> face;
    SizeOf size_of = SizeOf::em;
    TextAnchor anchor = {};
    std::optional<TextColumn> alignment;
    ExpressionPtr size; ///< null if it is left out, like those below
    ExpressionPtr spacing;
    ExpressionPtr leading;
    ExpressionPtr width;
    ExpressionPtr lines;
    ExpressionPtr fit_width;
    ExpressionPtr fit_height;
    ExpressionPtr turn;
    ExpressionPtr thickness;
    std::optional<Edges> edges; ///< smooth if it is left out
    BlendingWords blending;
};

using StatementForm = std::variant<SheetStatement, FramesStatement, LetStatement, PaletteStatement,
                                   ImageStatement, TextStatement, ShapeStatement>;

struct Statement {
    Location location; ///< of its first word
    StatementForm form;
};

} // namespace coldbrick::sheet
