/// @file
/// Output in JSON.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <nlohmann/json_fwd.hpp>

#include <concepts>
#include <cstdint>
#include <initializer_list>
#include <memory>
#include <string>
#include <string_view>

namespace coldbrick::tool {

/// A value that is printed in JSON.
class Json {
  public:
    struct Member;

    Json(bool value);                                               // NOLINT(google-explicit-constructor)
    Json(double value);                                             // NOLINT(google-explicit-constructor)
    Json(std::int64_t value);                                       // NOLINT(google-explicit-constructor)
    Json(std::string_view text);                                    // NOLINT(google-explicit-constructor)
    Json(const Point& point);                                       // NOLINT(google-explicit-constructor)
    Json(const Box& box);                                           // NOLINT(google-explicit-constructor)
    Json(const char* text) : Json(std::string_view(text)) {}        // NOLINT(google-explicit-constructor)
    Json(const std::string& text) : Json(std::string_view(text)) {} // NOLINT(google-explicit-constructor)
    template <std::integral Number>
    Json(Number value) : Json(static_cast<std::int64_t>(value)) {} // NOLINT(google-explicit-constructor)
    Json(std::initializer_list<Member> members); // an object, whose members keep their order

    ~Json();
    Json(const Json& other);
    Json& operator=(const Json&) = delete;

    static Json list();
    template <class Range>
    static Json list(const Range& values) {
        Json result = list();
        for (const auto& value : values) result.add(value);
        return result;
    }

    /// Adds to a list.
    void add(const Json& value);
    /// Adds a member to an object.
    void set(std::string_view name, const Json& value);
    /// Adds to a member that is a list, and is made if it is missing.
    void add_to(std::string_view name, const Json& value);

    /// Indented. What is not UTF-8 in its texts is replaced, and what steers a terminal escaped.
    [[nodiscard]] std::string text() const;

  private:
    std::unique_ptr<nlohmann::ordered_json> value_;
};

struct Json::Member {
    const char* name;
    Json value;
};

/// Prints a value with a line's end.
void print_json(const Json& value);

} // namespace coldbrick::tool
