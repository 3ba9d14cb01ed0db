/// @file
/// The kinds of values that sheets work with.
#pragma once

#include "sheet/language/source.hpp"

#include <coldbrick/anchor.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/position.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/shared.hpp>
#include <coldbrick/stroke.hpp>
#include <coldbrick/text_style.hpp>

#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace coldbrick::sheet {

/// A box as it is worked with: a top-left pixel and an extent, which need not be whole.
struct RealBox {
    double x = 0;
    double y = 0;
    double width = 0;
    double height = 0;

    static RealBox of(const Box& box) {
        return {static_cast<double>(box.x), static_cast<double>(box.y), static_cast<double>(box.width),
                static_cast<double>(box.height)};
    }

    /// A place within: (0, 0) is the top-left pixel and (1, 1) the bottom-right one.
    [[nodiscard]] Position at(double across, double down) const {
        return {x + across * (width - 1), y + down * (height - 1)};
    }

    [[nodiscard]] Position at(Anchor anchor) const {
        const auto number = static_cast<unsigned>(anchor); // in three rows of three columns
        const unsigned row = number / 3;
        return at((number % 3) * 0.5, row * 0.5);
    }

    friend bool operator==(const RealBox&, const RealBox&) = default;
};

struct Value;

/// Values in a row.
struct ListValues;
using List = detail::SharedState<ListValues>;

/// A row of data: a value for each column.
struct DataRow {
    detail::SharedState<std::vector<std::string>> columns;
    std::vector<Value> values;
};
using Row = detail::SharedState<DataRow>;

/// What has been drawn and given a name: its bounds and, of a shape, its pixels.
struct DrawnItem {
    RealBox bounds;
    std::optional<Shape> shape; ///< none of texts and pictures
    Position offset = {};       ///< by which the shape lies further on the sheet than the bounds tell
};
using Drawn = detail::SharedState<DrawnItem>;

/// A style with a name, for shapes.
struct ShapeStyle {
    std::optional<Fill> fill;
    std::optional<Stroke> stroke;
};

/// A style with a name, for texts. What has no paint cannot be drawn before it has been given one.
struct LetterStyle {
    TextStyle style;
    TextPaint paint;
    bool has_paint = false;
};

using Style = detail::SharedState<std::variant<ShapeStyle, LetterStyle>>;

/// A name has no value after its statement has failed.
using Missing = std::monostate;

struct Value : std::variant<Missing, double, bool, Position, Colour, RealBox, Shared<Palette>, std::string,
                            List, Row, Drawn, Style> {
    using variant::variant;

    // Compiled once, not wherever values are passed on.
    Value();
    Value(const Value& other);
    Value(Value&& other) noexcept;
    Value& operator=(const Value& other);
    Value& operator=(Value&& other) noexcept;
    ~Value();
};

struct ListValues : std::vector<Value> {
    explicit ListValues(std::vector<Value> values);

    int depth = 1; ///< how many lists lie within each other
};

List list_of(std::vector<Value> values);

/// The kind with its article, for messages.
std::string_view kind_name(const Value& value);

/// A number with as many digits as it has.
std::string shortest(double number);

/// The value as `+` joins it to a text, or nothing if it cannot be.
std::optional<std::string> written(const Value& value);

/// The box of a box or of what has been drawn.
std::optional<RealBox> box_of(const Value& value);

} // namespace coldbrick::sheet
