/// @file
/// How commands are added to the tool, and the kinds of options that several have.
#pragma once

#include "base/shown_text.hpp"
#include "image_files.hpp"
#include "sheet_file.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/error.hpp>

#include <CLI/CLI.hpp>
#include <fmt/format.h>
#include <fmt/ranges.h>

#include <array>
#include <charconv>
#include <cstdint>
#include <limits>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <system_error>
#include <type_traits>
#include <vector>

/// The tool with its commands, and the exit status that the one that is run gives.
struct CommandLine {
    CLI::App& tool;
    int status = 0;
};

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

/// What the help says before examples.
constexpr const char* examples_heading = "Examples, in the folder that `coldbrick demo` makes:";

/// Adds a command that runs with the arguments that its options have filled.
/// @param run returns the exit status, or nothing for 0
/// @param add_options add_options(command, arguments)
/// @param check what is wrong with a call that each option alone does not show
template <class Arguments, class Status, class AddOptions, class Check>
void add_command(CommandLine& line, const CommandText& text, Status (*run)(const Arguments&),
                 const AddOptions& add_options, Check check) {
    CLI::App* const command = line.tool.add_subcommand(text.name, text.summary);
    const auto arguments = std::make_shared<Arguments>();
    add_options(*command, *arguments);
    std::string footer = examples_heading;
    for (const char* const example : text.examples) footer.append("\n  coldbrick ").append(example);
    command->footer(footer);
    const auto work = [run, arguments, check]() -> int {
        check(*arguments);
        if constexpr (std::is_void_v<Status>) {
            run(*arguments);
            return 0;
        } else {
            return run(*arguments);
        }
    };
    command->callback([&line, work] { line.status = work(); });
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
    } catch (const coldbrick::FileError& error) {
        throw CLI::ValidationError(name, error.what());
    }
}

/// @throws CLI::ParseError if there is no output, or nothing tells its type.
void check_output(const ImageOutput& output);

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

/// Adds an option whose text read(name, text) reads, and that may be repeated if the target is a list.
template <class Target, class Read>
CLI::Option* add_text(CLI::App& command, const char* name, const char* form, const char* description,
                      Target& target, const Read& read) {
    const auto take_one = [name, read, &target](const std::string& text) {
        if constexpr (requires { target.push_back(read(name, text)); })
            target.push_back(read(name, text));
        else
            target = read(name, text);
    };
    const auto take = [take_one](const std::vector<std::string>& texts) {
        for (const std::string& text : texts) take_one(text);
    };
    return command.add_option_function<std::vector<std::string>>(name, take, description)
        ->type_name(form)
        ->allow_extra_args(false);
}

// What texts of options stand for. @throws CLI::ValidationError
coldbrick::Size size_of(const char* name, const std::string& text);   ///< WIDTHxHEIGHT
coldbrick::Point point_of(const char* name, const std::string& text); ///< X,Y
coldbrick::Box box_of(const char* name, const std::string& text);     ///< X,Y,WIDTHxHEIGHT
coldbrick::Colour colour_of(const char* name, const std::string& text);

/// Adds a sheet and how it is read. @param input what the positional argument is called
CLI::Option* add_sheet(CLI::App& command, SheetArguments& arguments, const char* input = "SHEET",
                       const char* description = "The sheet to read; - for standard input");

/// Adds whether warnings are printed.
void add_warnings(CLI::App& command, SheetArguments& arguments);

/// Adds which frame of a sheet.
template <class Target>
void add_frame(CLI::App& command, Target& frame,
               const char* description = "Which frame of the sheet, from 0 on") {
    add_number(command, "--frame", frame, std::int32_t{0}, std::numeric_limits<std::int32_t>::max(),
               description);
}

/// Adds whether the output is in JSON.
CLI::Option* add_json(CLI::App& command, bool& json);

/// Adds what every command has that writes an image: where it goes to, and how.
void add_image_output(CLI::App& command, ImageOutput& output);

/// Adds a colour.
CLI::Option* add_colour(CLI::App& command, const char* name, std::optional<coldbrick::Colour>& target,
                        const char* description);
