/// @file
/// Output in JSON.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <nlohmann/json.hpp>

/// Prints a value, indented, with a line's end. What is not UTF-8 in its texts is replaced.
void print_json(const nlohmann::ordered_json& value);

nlohmann::ordered_json json_of(const coldbrick::Point& point);
nlohmann::ordered_json json_of(const coldbrick::Box& box);
