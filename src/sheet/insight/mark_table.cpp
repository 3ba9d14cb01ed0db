#include <coldbrick/mark_table.hpp>

#include "base/limits.hpp"
#include "base/shown_text.hpp"
#include "sheet/running/data_rows.hpp"
#include "sheet/running/value.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <cstdint>
#include <optional>

namespace coldbrick {

namespace {

/// What is wrong with a row.
struct RowFault {
    std::string message;
};

/// One row of a table, whose columns are asked for by name.
class RowReader {
  public:
    RowReader(const sheet::DataRow& row, const MarkReading& reading) : row_(row), reading_(reading) {}

    [[nodiscard]] Mark mark() const {
        const MarkColumns& columns = reading_.columns;
        return {shape(), text(columns.caption), text(columns.group)};
    }

  private:
    [[nodiscard]] const sheet::Value* value(const std::string& column) const {
        const auto found = std::ranges::find(*row_.columns, column);
        if (found == row_.columns->end()) return nullptr;
        const sheet::Value& result = row_.values[static_cast<std::size_t>(found - row_.columns->begin())];
        const auto* const text = std::get_if<std::string>(&result);
        return text != nullptr && text->empty() ? nullptr : &result;
    }

    /// Numbers as a sheet shows them.
    [[nodiscard]] std::string text(const std::string& column) const {
        const sheet::Value* const found = value(column);
        if (found == nullptr) return {};
        if (const auto* const number = std::get_if<double>(found)) return sheet::shortest(*number);
        if (const auto* const truth = std::get_if<bool>(found)) return *truth ? "true" : "false";
        return std::get<std::string>(*found);
    }

    [[nodiscard]] double number(const std::string& column) const {
        const sheet::Value* const found = value(column);
        if (found == nullptr) throw RowFault{fmt::format("there is no {}", base::in_quotes(column))};
        const auto* const result = std::get_if<double>(found);
        if (result == nullptr)
            throw RowFault{fmt::format("{} is no number for {}", base::in_quotes(text(column)),
                                       base::in_quotes(column))};
        return *result;
    }

    /// A number as a place or length, in pixels.
    [[nodiscard]] std::int32_t pixels(double number, const std::string& column, std::int32_t whole) const {
        const double result = std::floor(number * (reading_.fractions ? whole : 1) + 0.5);
        if (!(result >= base::first_coordinate && result <= base::last_coordinate))
            throw RowFault{fmt::format("{} of {} is outside {}..{}", sheet::shortest(number),
                                       base::in_quotes(column), base::first_coordinate,
                                       base::last_coordinate)};
        return static_cast<std::int32_t>(result);
    }
    [[nodiscard]] std::int32_t across(const std::string& column) const {
        return pixels(number(column), column, reading_.picture.width);
    }
    [[nodiscard]] std::int32_t down(const std::string& column) const {
        return pixels(number(column), column, reading_.picture.height);
    }

    [[nodiscard]] decltype(Mark::shape) shape() const {
        const MarkColumns& columns = reading_.columns;
        if (value(columns.points) != nullptr) return polygon(text(columns.points));
        if (value(columns.left) != nullptr || value(columns.right) != nullptr)
            return in_shape(Box::between({across(columns.left), down(columns.top)},
                                         {across(columns.right), down(columns.bottom)}));
        if (value(columns.width) == nullptr && value(columns.height) == nullptr)
            return Point{across(columns.x), down(columns.y)};
        const std::int32_t width = across(columns.width);
        const std::int32_t height = down(columns.height);
        if (width < 1 || height < 1)
            throw RowFault{fmt::format("the size {} x {} is not one of 1 x 1 and more", width, height)};
        return in_shape({across(columns.x), down(columns.y), width, height});
    }

    [[nodiscard]] decltype(Mark::shape) in_shape(const Box& box) const {
        const std::string shape = text(reading_.columns.shape);
        if (shape == "ellipse") return Ellipse{box};
        if (shape.empty() || shape == "box") return box;
        throw RowFault{fmt::format("the shape {} is neither box nor ellipse", base::in_quotes(shape))};
    }

    [[nodiscard]] Polygon polygon(const std::string& text) const {
        constexpr std::string_view between = " \t,;";
        std::vector<double> numbers;
        const char* at = text.data();
        const char* const end = at + text.size();
        while (at != end) {
            if (between.find(*at) != std::string_view::npos) {
                ++at;
                continue;
            }
            double number = 0;
            const auto read = std::from_chars(at, end, number);
            if (read.ec != std::errc() ||
                (read.ptr != end && between.find(*read.ptr) == std::string_view::npos))
                throw RowFault{fmt::format("{} is no list of numbers", base::in_quotes(text))};
            numbers.push_back(number);
            at = read.ptr;
        }
        if (numbers.size() < 6 || numbers.size() % 2 != 0)
            throw RowFault{
                fmt::format("{} numbers make no corners of a polygon: three points or more have two each",
                            numbers.size())};
        std::vector<Point> corners;
        for (std::size_t i = 0; i < numbers.size(); i += 2)
            corners.push_back({pixels(numbers[i], reading_.columns.points, reading_.picture.width),
                               pixels(numbers[i + 1], reading_.columns.points, reading_.picture.height)});
        return Polygon{std::move(corners)};
    }

    const sheet::DataRow& row_;
    const MarkReading& reading_;
};

void check_columns(std::string_view file, const sheet::DataRow& row, const MarkColumns& columns) {
    const auto has = [&row](const std::string& column) {
        return std::ranges::find(*row.columns, column) != row.columns->end();
    };
    const bool is_placed =
        has(columns.points) || (has(columns.x) && has(columns.y)) ||
        (has(columns.left) && has(columns.top) && has(columns.right) && has(columns.bottom));
    if (!is_placed)
        throw FileError(fmt::format(
            "{}: no columns tell where marks lie: neither {}, {}, {} and {}, nor {} and {}, "
            "nor {}. The columns are {}.",
            base::shown(file), columns.left, columns.top, columns.right, columns.bottom, columns.x, columns.y,
            columns.points, base::shown(fmt::format("{}", fmt::join(*row.columns, ", ")), 300)));
}

} // namespace

MarkTable read_marks(std::string_view file, const std::string& text, const MarkReading& reading) {
    sheet::DataTable table = sheet::table_of(file, text, reading.most_bytes);
    MarkTable result{{}, std::move(table.faults)};
    for (std::size_t i = 0; i < table.rows->size(); ++i) {
        const sheet::DataRow& row = *std::get<sheet::Row>((*table.rows)[i]);
        if (i == 0) check_columns(file, row, reading.columns);
        try {
            result.marks.push_back(RowReader(row, reading).mark());
        } catch (const RowFault& fault) {
            result.faults.push_back(fmt::format("{}: {}", table.place(i), fault.message));
        }
    }
    return result;
}

} // namespace coldbrick
