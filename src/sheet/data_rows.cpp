#include "sheet/data_rows.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>

#include <csv.h>
#include <fmt/core.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <memory>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

using Columns = std::vector<std::string>;

/// A number if all of the text is one; an empty text stays a text.
Value value_of(const std::string& text) {
    double number = 0;
    const char* const end = text.data() + text.size();
    const auto [stopped, error] = std::from_chars(text.data(), end, number);
    if (!text.empty() && error == std::errc() && stopped == end && std::isfinite(number)) return number;
    return text;
}

/// Gathers fields and rows as the parser finds them.
class CsvTable {
  public:
    explicit CsvTable(std::string_view file) : file_(file) {}

    void add_field(std::string_view field) { fields_.emplace_back(field); }

    /// One more line has been read.
    void end_line(std::string_view line) {
        ++lines_;
        // An empty line between rows is none.
        const bool is_empty = line == "\n" || line == "\r\n";
        if (is_empty && first_line_ + 1 == lines_) first_line_ = lines_;
    }

    void end_row() {
        const std::vector<std::string> fields = std::exchange(fields_, {});
        const std::string place =
            fmt::format("{}:{}", base::shown(file_), std::exchange(first_line_, lines_ + 1));
        if (!columns_) {
            columns_ = std::make_shared<const Columns>(fields);
        } else if (fields.size() != columns_->size()) {
            table_.faults.push_back(fmt::format("{}: the row has {} values, but there are {} columns", place,
                                                fields.size(), columns_->size()));
        } else {
            std::vector<Value> values;
            values.reserve(fields.size());
            for (const std::string& field : fields) values.push_back(value_of(field));
            rows_.emplace_back(std::make_shared<const DataRow>(DataRow{columns_, std::move(values)}));
            table_.places.push_back(place);
        }
    }

    DataTable table() && {
        if (!columns_)
            throw FileError(fmt::format("{}: there is no row with the columns' names", base::shown(file_)));
        table_.rows = list_of(std::move(rows_));
        return std::move(table_);
    }

  private:
    std::string_view file_;
    std::shared_ptr<const Columns> columns_;
    Columns fields_;
    std::vector<Value> rows_;
    std::size_t lines_ = 1;      ///< the one that is read
    std::size_t first_line_ = 1; ///< of the row
    DataTable table_;
};

struct CloseParser {
    void operator()(csv_parser* parser) const { csv_free(parser); }
};

DataTable csv_table(std::string_view file, std::string_view text) {
    constexpr std::string_view byte_order_mark = "\xEF\xBB\xBF";
    if (text.starts_with(byte_order_mark)) text.remove_prefix(byte_order_mark.size());
    csv_parser state;
    if (csv_init(&state, CSV_STRICT | CSV_STRICT_FINI | CSV_APPEND_NULL) != 0) throw std::bad_alloc();
    const std::unique_ptr<csv_parser, CloseParser> parser(&state);
    CsvTable table(file);
    const auto on_field = [](void* field, std::size_t size, void* to) {
        static_cast<CsvTable*>(to)->add_field({static_cast<const char*>(field), size});
    };
    const auto on_row = [](int, void* to) { static_cast<CsvTable*>(to)->end_row(); };
    std::size_t line = 1;
    const auto fail = [&] {
        throw FileError(
            fmt::format("{}:{}: {}", base::shown(file), line, csv_strerror(csv_error(parser.get()))));
    };
    // Line by line, so that rows know their own.
    while (!text.empty()) {
        const std::string_view part = text.substr(0, text.find('\n') + 1);
        const std::string_view one = part.empty() ? text : part;
        if (csv_parse(parser.get(), one.data(), one.size(), on_field, on_row, &table) != one.size()) fail();
        text.remove_prefix(one.size());
        if (text.empty()) break;
        table.end_line(one);
        ++line;
    }
    if (csv_fini(parser.get(), on_field, on_row, &table) != 0) fail();
    return std::move(table).table();
}

Value value_of(const nlohmann::json& json) {
    if (json.is_number()) return json.get<double>();
    if (json.is_boolean()) return json.get<bool>();
    if (json.is_string()) return json.get<std::string>();
    if (json.is_null()) return std::string();
    return json.dump();
}

/// The columns are all names that any of the objects has; what one lacks is an empty text.
DataTable json_table(std::string_view file, const std::string& text) {
    const nlohmann::json json = nlohmann::json::parse(text, nullptr, false);
    const auto is_object = [](const nlohmann::json& one) { return one.is_object(); };
    if (json.is_discarded() || !json.is_array() || !std::ranges::all_of(json, is_object))
        throw FileError(fmt::format("{}: data are a JSON array of objects", base::shown(file)));
    Columns names;
    for (const nlohmann::json& object : json)
        for (const auto& [name, value] : object.items())
            if (std::ranges::find(names, name) == names.end()) names.push_back(name);
    const auto columns = std::make_shared<const Columns>(std::move(names));
    std::vector<Value> rows;
    DataTable table;
    for (const nlohmann::json& object : json) {
        std::vector<Value> values;
        for (const std::string& name : *columns) {
            const auto found = object.find(name);
            values.push_back(found == object.end() ? Value(std::string()) : value_of(*found));
        }
        rows.emplace_back(std::make_shared<const DataRow>(DataRow{columns, std::move(values)}));
        table.places.push_back(fmt::format("{}: object {}", base::shown(file), rows.size()));
    }
    table.rows = list_of(std::move(rows));
    return table;
}

} // namespace

DataTable table_of(std::string_view file, const std::string& text) {
    return file.ends_with(".json") ? json_table(file, text) : csv_table(file, text);
}

List rows_of(std::string_view file, const std::string& text) {
    DataTable table = table_of(file, text);
    if (!table.faults.empty()) throw FileError(table.faults.front());
    return std::move(table.rows);
}

} // namespace coldbrick::sheet
