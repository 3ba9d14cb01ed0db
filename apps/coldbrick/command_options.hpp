/// @file
/// How commands are added to the tool, and the kinds of options that several have.
#pragma once

#include "arguments.hpp"
#include "image_files.hpp"
#include "sheet_file.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/error.hpp>

#include <array>
#include <cstdint>
#include <limits>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <type_traits>
#include <vector>

namespace coldbrick::tool {

/// What the help says of a command. Examples are run in the folder that `coldbrick demo` makes.
struct CommandText {
    const char* name;
    const char* summary;
    std::array<const char*, 2> examples; ///< without the tool's name
};

// Each family of commands is added by its own source.
void add_sheet_commands(CommandLine& line);
void add_image_commands(CommandLine& line);
void add_list_commands(CommandLine& line);

/// The examples under their heading, as they end a command's help.
std::string with_heading(const std::array<const char*, 2>& examples);

/// Adds a command that runs with the arguments that its options have filled.
/// @param run returns the exit status, or nothing for 0
/// @param add_options add_options(command, arguments)
/// @param check what is wrong with a call that each option alone does not show
template <class Arguments, class Status, class AddOptions, class Check>
void add_command(CommandLine& line, const CommandText& text, Status (*run)(const Arguments&),
                 const AddOptions& add_options, Check check) {
    const auto arguments = std::make_shared<Arguments>();
    const auto work = [run, arguments, check]() -> int {
        check(*arguments);
        if constexpr (std::is_void_v<Status>) {
            run(*arguments);
            return 0;
        } else {
            return run(*arguments);
        }
    };
    add_options(line.add_command(text.name, text.summary, with_heading(text.examples), work), *arguments);
}

template <class Arguments, class Status, class AddOptions>
void add_command(CommandLine& line, const CommandText& text, Status (*run)(const Arguments&),
                 const AddOptions& add_options) {
    add_command(line, text, run, add_options, [](const Arguments&) {});
}

/// Calls call(), which throws FileError where an option's value is wrong.
template <class Call>
void check_option(const char* name, Call call) {
    try {
        call();
    } catch (const FileError& error) {
        throw WrongCall(name, error.what());
    }
}

/// @throws WrongCall if there is no output, or nothing tells its type.
void check_output(const ImageOutput& output);

inline Option add_file(const Command& command, const char* name, const char* description,
                       std::string& target) {
    return command.add_text(name, "FILE", description, target);
}

/// The text as a whole number of low..high. @throws WrongCall
template <class Number>
Number number_of(const char* name, const std::string& text, Number low, Number high);
extern template int number_of(const char*, const std::string&, int, int);
extern template std::uint64_t number_of(const char*, const std::string&, std::uint64_t, std::uint64_t);

/// Adds an option that takes a whole number. The target may be optional.
template <class Target, class Number>
Option add_number(const Command& command, const char* name, Target& target, Number low, Number high,
                  const char* description) {
    return command.add_value(name, "NUMBER", description, [=, &target](const std::string& text) {
        target = number_of(name, text, low, high);
    });
}

/// The place of a word in a list. @throws WrongCall
std::size_t place_of_word(const char* name, const std::string& word, const std::vector<std::string>& words);

/// Words and what each stands for.
template <class Value>
using Choices = std::map<std::string, Value>;

/// Adds an option that takes one of the words and gives `target` its value.
template <class Value, class Target>
Option add_choice(const Command& command, const char* name, const char* description,
                  const Choices<Value>& choices, Target& target) {
    std::vector<std::string> words;
    std::vector<Value> values;
    for (const auto& [word, value] : choices) {
        words.push_back(word);
        values.push_back(value);
    }
    return command.add_value(name, "WORD", description,
                             [name, words, values, &target](const std::string& word) {
                                 target = values[place_of_word(name, word, words)];
                             });
}

/// Adds an option whose text read(name, text) reads, and that may be repeated if the target is a list.
template <class Target, class Read>
Option add_read(const Command& command, const char* name, const char* form, const char* description,
                Target& target, const Read& read) {
    return command.add_values(name, form, description, [name, read, &target](const std::string& text) {
        if constexpr (requires { target.push_back(read(name, text)); })
            target.push_back(read(name, text));
        else
            target = read(name, text);
    });
}

/// A page of 210 x 297 mm at 300 pixels an inch.
constexpr Size a4{2480, 3508};

// What texts of options stand for. @throws WrongCall
Size size_of(const char* name, const std::string& text);   ///< WIDTHxHEIGHT
Point point_of(const char* name, const std::string& text); ///< X,Y
Box box_of(const char* name, const std::string& text);     ///< X,Y,WIDTHxHEIGHT
Colour colour_of(const char* name, const std::string& text);

/// Adds a sheet and how it is read. @param input what the positional argument is called
Option add_sheet(const Command& command, SheetArguments& arguments, const char* input = "SHEET",
                 const char* description = "The sheet to read; - for standard input");

/// Adds whether warnings are printed.
void add_warnings(const Command& command, SheetArguments& arguments);

/// Adds which frame of a sheet.
template <class Target>
void add_frame(const Command& command, Target& frame,
               const char* description = "Which frame of the sheet, from 0 on") {
    add_number(command, "--frame", frame, 0, std::numeric_limits<std::int32_t>::max(), description);
}

/// Adds whether the output is in JSON.
Option add_json(const Command& command, bool& json);

/// Adds what every command has that writes an image: where it goes to, and how.
void add_image_output(const Command& command, ImageOutput& output);

/// Adds a colour.
Option add_colour(const Command& command, const char* name, std::optional<Colour>& target,
                  const char* description);

} // namespace coldbrick::tool
