#include "sheet/running/data_rows.hpp"

#include "base/shared_state.hpp"
#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>

#include <csv.h>
#include <fmt/core.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <memory>
#include <string_view>
#include <unordered_map>
#include <unordered_set>
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

/// Memory of which there is so much for a table.
class Memory {
  public:
    explicit Memory(std::size_t bytes) : most_(bytes), left_(bytes) {}

    /// @throws FileError if there is not enough left.
    void take(std::size_t bytes, std::string_view file, std::size_t line) {
        if (bytes > left_)
            throw FileError(
                fmt::format("{}:{}: the table takes more than {} bytes of memory: the limit for data "
                            "can be raised (SheetLimits::data_bytes, MarkReading::most_bytes, --memory)",
                            base::shown(file), line, most_));
        left_ -= bytes;
    }

  private:
    std::size_t most_;
    std::size_t left_;
};

/// What a row takes beside the texts of its values.
std::size_t bytes_of_row(std::size_t values) {
    constexpr std::size_t handles = 64; // of shared memory
    return handles + sizeof(Value) + sizeof(DataRow) + values * sizeof(Value);
}

/// Gathers fields and rows as the parser finds them.
class CsvTable {
  public:
    CsvTable(std::string_view file, std::size_t most_bytes) : memory_(most_bytes) { table_.file = file; }

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
        const std::size_t line = std::exchange(first_line_, lines_ + 1);
        if (!columns_) {
            check_columns(fields, line);
            columns_ = base::share<Columns>(fields);
        } else if (fields.size() != columns_->size()) {
            table_.faults.push_back(fmt::format("{}:{}: the row has {} values, but there are {} columns",
                                                base::shown(table_.file), line, fields.size(),
                                                columns_->size()));
        } else {
            std::vector<Value> values;
            values.reserve(fields.size());
            for (const std::string& field : fields) {
                memory_.take(field.size(), table_.file, line);
                values.push_back(value_of(field));
            }
            memory_.take(bytes_of_row(fields.size()), table_.file, line);
            rows_.emplace_back(base::share<DataRow>(DataRow{columns_, std::move(values)}));
            table_.lines.push_back(line);
        }
    }

    DataTable table() && {
        if (!columns_)
            throw FileError(
                fmt::format("{}: there is no row with the columns' names", base::shown(table_.file)));
        table_.rows = list_of(std::move(rows_));
        return std::move(table_);
    }

  private:
    void check_columns(const Columns& names, std::size_t line) const {
        std::unordered_set<std::string_view> known;
        for (const std::string& name : names)
            if (!known.insert(name).second)
                throw FileError(fmt::format("{}:{}: two columns are called {}", base::shown(table_.file),
                                            line, base::in_quotes(name)));
    }

    Memory memory_;
    detail::SharedState<Columns> columns_;
    Columns fields_;
    std::vector<Value> rows_;
    std::size_t lines_ = 1;      ///< the one that is read
    std::size_t first_line_ = 1; ///< of the row
    DataTable table_;
};

struct CloseParser {
    void operator()(csv_parser* parser) const { csv_free(parser); }
};

DataTable csv_table(std::string_view file, std::string_view text, std::size_t most_bytes) {
    constexpr std::string_view byte_order_mark = "\xEF\xBB\xBF";
    if (text.starts_with(byte_order_mark)) text.remove_prefix(byte_order_mark.size());
    csv_parser state;
    if (csv_init(&state, CSV_STRICT | CSV_STRICT_FINI | CSV_APPEND_NULL) != 0) throw std::bad_alloc();
    const std::unique_ptr<csv_parser, CloseParser> parser(&state);
    CsvTable table(file, most_bytes);
    const auto on_field = [](void* field, std::size_t size, void* to) {
        static_cast<CsvTable*>(to)->add_field({static_cast<const char*>(field), size});
    };
    const auto on_row = [](int, void* to) { static_cast<CsvTable*>(to)->end_row(); };
    std::size_t line = 1;
    const auto fail = [&] {
        throw FileError(
            fmt::format("{}:{}: {}", base::shown(file), line, csv_strerror(csv_error(parser.get()))));
    };
    // A field's memory grows by blocks of one size: a long one must not be moved too often.
    constexpr std::size_t least_block = 128;
    csv_set_blk_size(parser.get(), std::max(text.size() / 16, least_block));
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
    return json.dump();
}

/// Where a place of a text is, as messages say it: file:line:column.
std::string place_in(std::string_view file, std::string_view text, std::size_t at) {
    const std::string_view before = text.substr(0, at);
    const std::size_t line = 1 + static_cast<std::size_t>(std::ranges::count(before, '\n'));
    const std::size_t begin = before.rfind('\n') + 1; // 0 if there is none before
    return fmt::format("{}:{}:{}", base::shown(file), line, at - begin + 1);
}

/// Taking deep JSON apart must not use up the stack.
void check_depth(std::string_view file, std::string_view text) {
    constexpr int deepest = 64;
    int depth = 0;
    bool in_text = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (in_text && c == '\\') ++i;
        if (c == '"') in_text = !in_text;
        if (in_text) continue;
        if (c == '[' || c == '{') ++depth;
        if (c == ']' || c == '}') --depth;
        if (depth > deepest)
            throw FileError(fmt::format("{}: arrays and objects lie more than {} deep within each other",
                                        place_in(file, text, i), deepest));
    }
}

/// The objects of an array. @throws FileError if it is none, or if an object has a name twice.
nlohmann::json objects_of(std::string_view file, const std::string& text) {
    check_depth(file, text);
    std::unordered_set<std::string> names; // of the present object
    std::size_t objects = 0;
    const auto note = [&](int depth, nlohmann::json::parse_event_t event, const nlohmann::json& parsed) {
        if (event == nlohmann::json::parse_event_t::object_start && depth == 1) {
            names.clear();
            ++objects;
        }
        if (event == nlohmann::json::parse_event_t::key && depth == 2 &&
            !names.insert(parsed.get<std::string>()).second)
            throw FileError(fmt::format("{}: object {} has {} twice", base::shown(file), objects,
                                        base::in_quotes(parsed.get<std::string>())));
        return true;
    };
    try {
        nlohmann::json result = nlohmann::json::parse(text, note);
        const auto is_object = [](const nlohmann::json& one) { return one.is_object(); };
        if (result.is_array() && std::ranges::all_of(result, is_object)) return result;
    } catch (const nlohmann::json::parse_error& error) {
        throw FileError(
            fmt::format("{}: this is not JSON", place_in(file, text, error.byte == 0 ? 0 : error.byte - 1)));
    } catch (const nlohmann::json::exception&) { // a number without bounds, among others
        throw FileError(fmt::format("{}: a value is outside its range", base::shown(file)));
    }
    throw FileError(fmt::format("{}: data are a JSON array of objects", base::shown(file)));
}

/// The columns are all names that any of the objects has; what one lacks is an empty text.
DataTable json_table(std::string_view file, const std::string& text, std::size_t most_bytes) {
    const nlohmann::json json = objects_of(file, text);
    Columns names;
    std::unordered_map<std::string_view, std::size_t> numbers;
    for (const nlohmann::json& object : json)
        for (const auto& [name, value] : object.get_ref<const nlohmann::json::object_t&>())
            if (numbers.emplace(name, names.size()).second) names.push_back(name);
    const auto columns = base::share<Columns>(std::move(names));
    Memory memory(most_bytes);
    std::vector<Value> rows;
    DataTable table{.file = std::string(file), .rows = {}, .lines = {}, .is_json = true, .faults = {}};
    std::size_t number = 0;
    for (const nlohmann::json& object : json) {
        ++number;
        memory.take(bytes_of_row(columns->size()), file, number);
        std::vector<Value> values(columns->size(), Value(std::string()));
        std::string null;
        for (const auto& [name, value] : object.get_ref<const nlohmann::json::object_t&>()) {
            if (value.is_null()) null = name;
            Value& kept = values[numbers.at(name)];
            kept = value_of(value);
            if (const auto* const own = std::get_if<std::string>(&kept))
                memory.take(own->size(), file, number);
        }
        if (!null.empty()) {
            table.faults.push_back(fmt::format("{}: object {}: {} is null: leave it out, or give it a value",
                                               base::shown(file), number, base::in_quotes(null)));
            continue;
        }
        rows.emplace_back(base::share<DataRow>(DataRow{columns, std::move(values)}));
        table.lines.push_back(number);
    }
    table.rows = list_of(std::move(rows));
    return table;
}

} // namespace

std::string DataTable::place(std::size_t row) const {
    return fmt::format("{}:{}{}", base::shown(file), is_json ? " object " : "", lines[row]);
}

DataTable table_of(std::string_view file, const std::string& text, std::size_t most_bytes) {
    return file.ends_with(".json") ? json_table(file, text, most_bytes) : csv_table(file, text, most_bytes);
}

List rows_of(std::string_view file, const std::string& text, std::size_t most_bytes) {
    DataTable table = table_of(file, text, most_bytes);
    if (!table.faults.empty()) throw FileError(table.faults.front());
    return std::move(table.rows);
}

} // namespace coldbrick::sheet
