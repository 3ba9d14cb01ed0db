/// @file
/// Kinds of options that several commands have.
#pragma once

#include "base/shown_text.hpp"
#include "image_files.hpp"

#include <CLI/CLI.hpp>
#include <fmt/format.h>
#include <fmt/ranges.h>

#include <charconv>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <system_error>
#include <vector>

inline CLI::Option* add_file(CLI::App& command, const char* name, std::string& target,
                             const char* description) {
    return command.add_option(name, target, description)->type_name("FILE");
}

/// The text as a whole number of low..high. @throws CLI::ValidationError
template <class Number>
Number number_of(const char* name, const std::string& text, Number low, Number high) {
    const char* const end = text.data() + text.size();
    Number value{};
    const auto read = std::from_chars(text.data(), end, value);
    if (read.ec != std::errc() || read.ptr != end || value < low || value > high)
        throw CLI::ValidationError(name, fmt::format("{} is not a whole number of {}..{}",
                                                     coldbrick::base::in_quotes(text), low, high));
    return value;
}

/// Adds an option that takes a whole number. The target may be optional.
template <class Target, class Number>
CLI::Option* add_number(CLI::App& command, const char* name, Target& target, Number low, Number high,
                        const char* description) {
    const auto take = [=, &target](const std::string& text) { target = number_of(name, text, low, high); };
    return command.add_option_function<std::string>(name, take, description)->type_name("NUMBER");
}

/// Adds an option that takes one of the words and gives `target` its value.
template <class Value, class Target>
CLI::Option* add_choice(CLI::App& command, const char* name, const char* description,
                        const std::map<std::string, Value>& choices, Target& target) {
    const auto take = [name, choices, &target](const std::string& word) {
        const auto found = choices.find(word);
        if (found == choices.end()) {
            std::vector<std::string_view> known;
            known.reserve(choices.size());
            for (const auto& choice : choices) known.push_back(choice.first);
            throw CLI::ValidationError(name, fmt::format("{} is none of {}", coldbrick::base::in_quotes(word),
                                                         fmt::join(known, ", ")));
        }
        target = found->second;
    };
    return command.add_option_function<std::string>(name, take, description)->type_name("WORD");
}

/// Adds what every command has that writes an image: where it goes to, and how.
void add_image_output(CLI::App& command, ImageOutput& output);

/// Adds how an image is written.
void add_encoding(CLI::App& command, coldbrick::EncodeOptions& options);

/// Adds the type of an image file, told apart from its name.
CLI::Option* add_image_type(CLI::App& command, std::optional<coldbrick::FileType>& type);

/// Adds a colour.
CLI::Option* add_colour(CLI::App& command, const char* name, std::optional<coldbrick::Colour>& target,
                        const char* description);
