/// @file
/// What a sheet says, as a tree: statements and their expressions, before anything is worked out.
#pragma once

#include "sheet/language/scopes.hpp"
#include "sheet/language/source.hpp"
#include "sheet/language/words.hpp"
#include "sheet/running/value.hpp"

#include <coldbrick/anchor.hpp>
#include <coldbrick/blend.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/edges.hpp>
#include <coldbrick/fill_rule.hpp>
#include <coldbrick/line_style.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/text_style.hpp>

#include <array>
#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <variant>
#include <vector>

namespace coldbrick::sheet {

struct Expression;
struct Function;
using ExpressionPtr = std::unique_ptr<Expression>;

/// A value that is the same whatever the names stand for.
struct Constant {
    Value value;
};

/// A name that has been given.
struct Name {
    Slot slot;
};

/// What the sheet's size gives.
enum class SheetMeasure : std::uint8_t { box, width, height, centre };

/// (x, y)
struct PointLiteral {
    ExpressionPtr x;
    ExpressionPtr y;
};

/// [VALUE, VALUE, ...]
struct ListLiteral {
    std::vector<ExpressionPtr> values;
};

/// VALUE.NAME: a coordinate of a point, a place of a box, a palette's colour or a row's column
struct Member {
    ExpressionPtr whole;
    std::string name;
};

/// LIST[NUMBER]
struct Item {
    ExpressionPtr list;
    ExpressionPtr number;
};

/// FUNCTION(VALUE, VALUE, ...)
struct Call {
    const Function* function;
    std::vector<ExpressionPtr> arguments;
    std::uint32_t number; ///< of the calls of its statement
};

/// -VALUE or not VALUE
struct UnaryOperation {
    bool is_not;
    ExpressionPtr operand;
};

enum class Operation : std::uint8_t {
    add,
    subtract,
    multiply,
    divide,
    equal,
    unequal,
    below,
    at_most,
    above,
    at_least,
    conjunction,
    disjunction,
};

struct BinaryOperation {
    Operation operation;
    ExpressionPtr left;
    ExpressionPtr right;
};

/// if CONDITION then VALUE else VALUE
struct Alternative {
    ExpressionPtr condition;
    ExpressionPtr then;
    ExpressionPtr otherwise;
};

struct Expression {
    ~Expression(); // compiled once

    Location location; ///< of an operation, its sign
    std::variant<Constant, Name, SheetMeasure, PointLiteral, ListLiteral, Member, Item, Call, UnaryOperation,
                 BinaryOperation, Alternative>
        form;
};

/// WIDTH x HEIGHT, or a point that has the two
struct SizeWords {
    ExpressionPtr width; ///< or both; null if the size is left out
    ExpressionPtr height;

    explicit operator bool() const { return width != nullptr; }
};

/// A file that is named between double quotes.
struct FileName {
    std::string text;
    Location location;
};

/// sheet WIDTH x HEIGHT, or sheet from "FILE", [on COLOUR] [smooth] [seed NUMBER]
struct SheetStatement {
    SizeWords size;
    std::optional<FileName> picture; ///< that has the size, and lies on the ground
    ExpressionPtr ground;            ///< null if it is left out
    Edges edges = Edges::crisp;
    ExpressionPtr seed; ///< null if it is left out
};

/// frames COUNT [rate NUMBER]
struct FramesStatement {
    ExpressionPtr count;
    ExpressionPtr rate; ///< null if it is left out
    Slot frame;
    Slot time;
};

/// let NAME = VALUE [from LOW to HIGH [by STEP]]
struct LetStatement {
    std::string name;
    Location name_location;
    Slot slot;
    bool can_be_set; ///< from outside: those of the sheet's own blocks and motifs cannot
    ExpressionPtr value;
    ExpressionPtr low; ///< null if it is left out, like those below
    ExpressionPtr high;
    ExpressionPtr step;
};

/// line FROM to TO
struct LineForm {
    ExpressionPtr from;
    ExpressionPtr to;
};

/// CORNER to OPPOSITE, or CORNER size SIZE, or BOX
struct Frame {
    ExpressionPtr corner;   ///< or the box, if there is nothing else
    ExpressionPtr opposite; ///< null if it is left out
    SizeWords size;
};

/// box FRAME [rounded RADIUS]
struct BoxForm {
    Frame frame;
    ExpressionPtr radius; ///< null if it is left out
};

/// circle at CENTRE radius RADIUS, or diameter WIDTH
struct CircleForm {
    ExpressionPtr centre;
    ExpressionPtr radius; ///< null if the diameter is told
    ExpressionPtr diameter;
};

/// at CENTRE radii ACROSS x DOWN [turned ANGLE], at CENTRE size WIDTH x HEIGHT, or FRAME; of arcs at CENTRE
/// radius RADIUS, too
struct OvalForm {
    ExpressionPtr centre; ///< null if there is a frame
    ExpressionPtr radius; ///< null if there are radii
    SizeWords radii;
    Frame frame;        ///< or its size alone, about the centre
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

/// stipple "ROWS" COLOUR [on COLOUR]
struct StippleWords {
    std::array<std::uint8_t, 8> rows;
    ExpressionPtr colour;
    ExpressionPtr ground; ///< null if it is left out
};

/// texture "FILE"
struct TextureWords {
    FileName file;
};

/// What shapes are painted with: one colour, or a pattern.
using PaintWords =
    std::variant<ExpressionPtr, AlongWords, AroundWords, HatchWords, StippleWords, TextureWords>;

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

/// at POINT anchor ANCHOR, or at above/below/left_of/right_of BOX [gap NUMBER]
struct PlacingWords {
    enum class Side : std::uint8_t { none, above, below, left_of, right_of };
    Location location;
    Side side = Side::none;
    Anchor anchor = Anchor::centre; ///< of the shape's bounds, if it lies on no side
    ExpressionPtr to;               ///< the point or the box
    ExpressionPtr gap;              ///< null if it is left out
};

/// What "at" tells: one of both.
struct PlaceWords {
    ExpressionPtr point;
    std::unique_ptr<PlacingWords> beside;
};

/// named NAME
struct NameGiven {
    std::string name;
    Location location;
    Slot slot;
};

/// [like STYLE] [FILL] [STROKE]
struct StyleWords {
    ExpressionPtr base; ///< null if it is left out, like those below
    std::unique_ptr<FillWords> fill;
    std::unique_ptr<StrokeWords> stroke;

    /// Whether a shape with them is painted; else it only has a name.
    [[nodiscard]] bool draws() const { return base || fill || stroke; }
};

/// SHAPE [PLACING] [named NAME] STYLE
struct ShapeStatement {
    ShapeForm form;
    std::unique_ptr<PlacingWords> placing; ///< null if it is left out, like those below
    std::unique_ptr<NameGiven> named;
    StyleWords style;
};

/// palette NAME ENTRY COLOUR, ENTRY COLOUR, ...
struct PaletteStatement {
    struct Entry {
        std::string name;
        ExpressionPtr colour;
    };
    std::string name;
    Location name_location;
    Slot slot;
    std::vector<Entry> entries;
};

/// image "FILE" at PLACE [anchor ANCHOR] [size SIZE [contain] [cover]] [mirrored] [turned ANGLE] [key COLOUR]
/// [mask "FILE"] [named NAME] BLENDING
struct ImageStatement {
    FileName file;
    PlaceWords at;
    Anchor anchor = Anchor::top_left;
    SizeWords size;
    Fit fit = Fit::exact;
    bool mirrored = false;
    ExpressionPtr turn; ///< null if it is left out, like those below
    ExpressionPtr key;
    std::optional<FileName> mask;
    std::unique_ptr<NameGiven> named;
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

/// [like STYLE] [fill PAINT] [stroke PAINT [WIDTH]] [PLATE] [face FACE] [size NUMBER [capitals]] [anchor
/// COLUMN ROW] [aligned COLUMN] [spacing NUMBER] [leading NUMBER] [within WIDTH] [lines COUNT] [fit SIZE]
/// [turned ANGLE] [thick NUMBER] [smooth] [crisp] BLENDING
struct LetterWords {
    ExpressionPtr base; ///< null if it is left out, like those below
    std::optional<PaintWords> paint;
    std::optional<PaintWords> outline;
    ExpressionPtr outline_width;
    std::optional<PlateWords> plate;
    std::optional<FaceWords> face;
    std::optional<TextAnchor> anchor;
    std::optional<TextColumn> alignment;
    ExpressionPtr size;
    bool size_of_capitals = false;
    ExpressionPtr spacing;
    ExpressionPtr leading;
    ExpressionPtr width;
    ExpressionPtr lines;
    SizeWords fit;
    ExpressionPtr turn;
    ExpressionPtr thickness;
    std::optional<Edges> edges;
    std::optional<BlendingWords> blending;
};

/// text TEXT at PLACE [named NAME] LETTERS
struct TextStatement {
    ExpressionPtr text;
    PlaceWords at;
    std::unique_ptr<NameGiven> named; ///< null if it is left out
    LetterWords words;
};

/// style NAME STYLE, or style NAME text LETTERS
struct StyleStatement {
    Slot slot;
    std::variant<StyleWords, LetterWords> words;
};

struct Statement;
using Block = std::vector<Statement>;

/// if CONDITION, BLOCK, [else if CONDITION, BLOCK,]... [else BLOCK] end
struct IfStatement {
    struct Branch {
        ExpressionPtr condition; ///< null of the last one if it is else
        Block block;
    };
    std::vector<Branch> branches;
};

/// repeat COUNT, or repeat NAME from FIRST to LAST [by STEP], or repeat NAME in LIST; BLOCK end
struct RepeatStatement {
    std::optional<Slot> slot; ///< none if a count is given
    ExpressionPtr count;      ///< or the first number, or the list
    ExpressionPtr last;       ///< null of a count and of a list
    ExpressionPtr step;       ///< null if it is left out
    Block block;
};

/// motif NAME [(PARAMETER [= VALUE], ...)] BLOCK end
struct Motif {
    struct Parameter {
        std::string name;
        Slot slot;
        ExpressionPtr value; ///< null if it has to be given
    };
    std::string name;
    Location location;
    std::vector<Parameter> parameters;
    std::uint32_t size = 0; ///< how many values it keeps
    Block block;
    bool used = false;
};

/// place NAME [(VALUE, ..., PARAMETER = VALUE, ...)] [at POINT] [turned ANGLE] [scaled NUMBER] [mirrored]
struct PlaceStatement {
    const Motif* motif;
    std::vector<ExpressionPtr> arguments; ///< one a parameter; null if it is left out
    ExpressionPtr at;                     ///< or a list of points; null if it is left out, like those below
    ExpressionPtr turn;
    ExpressionPtr scale;
    bool mirrored = false;
};

/// layer BLENDING BLOCK end
struct LayerStatement {
    BlendingWords blending;
    Block block;
};

/// clip SHAPE BLOCK end, or clip VALUE BLOCK end
struct ClipStatement {
    std::optional<ShapeForm> shape;
    std::unique_ptr<PlacingWords> placing; ///< of the shape; null if it has its own place
    ExpressionPtr value;                   ///< null if there is a shape
    Block block;
};

/// data NAME from "FILE"
struct DataStatement {
    Slot slot;
    FileName file;
};

/// All by pointers, so that a list of statements is small.
template <class... Forms>
using OneOf = std::variant<std::unique_ptr<Forms>...>;
using StatementForm = OneOf<SheetStatement, FramesStatement, LetStatement, PaletteStatement, StyleStatement,
                            ImageStatement, TextStatement, ShapeStatement, IfStatement, RepeatStatement,
                            PlaceStatement, LayerStatement, ClipStatement, DataStatement>;

struct Statement {
    // Compiled once.
    Statement(const Location& at, std::uint32_t its_tag, std::uint64_t its_key, StatementForm its_form);
    Statement(Statement&& other) noexcept;
    Statement& operator=(Statement&& other) noexcept;
    ~Statement();

    Location location; ///< of its first word
    std::uint32_t tag; ///< its number, of all statements
    std::uint64_t key; ///< by which chance knows it, within its block
    StatementForm form;
};

} // namespace coldbrick::sheet
