/// @file
/// Commands with options, and the call that names one of them. What reads the arguments is hidden behind
/// this.
#pragma once

#include <functional>
#include <memory>
#include <stdexcept>
#include <string>
#include <string_view>
#include <vector>

namespace CLI { // NOLINT(readability-identifier-naming): the other library's
class App;
class Option;
} // namespace CLI

namespace coldbrick::tool {

/// What is wrong with a call: an option's value, or options that do not go together.
class WrongCall : public std::runtime_error {
  public:
    WrongCall(std::string_view option, std::string_view problem);

    explicit WrongCall(const std::string& message) : std::runtime_error(message) {}

    /// That an option is missing.
    static WrongCall missing(std::string_view option);
};

/// An option of a command, or a positional argument.
class Option {
  public:
    Option required() const;
    Option needs(Option other) const;
    Option excludes(Option other) const;
    /// What the help shows as its value if it is left out.
    Option with_default(const std::string& text) const;

  private:
    friend class Command;
    explicit Option(CLI::Option* option) : option_(option) {}

    CLI::Option* option_;
};

/// What the help and the manual say of an option.
struct OptionText {
    std::vector<std::string> names; ///< as they are typed, or one without dashes
    std::string form;               ///< of its value; empty if it takes none
    std::string description;
    bool is_positional;
    bool is_required;
};

/// Names with dashes are options, others positional arguments. Functions that take a value throw WrongCall.
class Command {
  public:
    Option add_flag(const char* name, const char* description, bool& target) const;
    Option add_flag(const char* name, const char* description, const std::function<void()>& set) const;

    /// @param form what the help calls the value
    Option add_text(const char* name, const char* form, const char* description, std::string& target) const;
    /// Of a positional argument: all that are there.
    Option add_texts(const char* name, const char* description, std::vector<std::string>& target) const;
    Option add_value(const char* name, const char* form, const char* description,
                     const std::function<void(const std::string& text)>& take) const;
    /// May be repeated.
    Option add_values(const char* name, const char* form, const char* description,
                      const std::function<void(const std::string& text)>& take) const;

    [[nodiscard]] Option option(const char* name) const;

    [[nodiscard]] std::string name() const;
    [[nodiscard]] std::string description() const;
    [[nodiscard]] std::string examples() const;
    [[nodiscard]] std::vector<OptionText> options() const;

  private:
    friend class CommandLine;
    explicit Command(CLI::App* app) : app_(app) {}

    CLI::App* app_;
};

/// The tool's commands, one of which a call names.
class CommandLine {
  public:
    CommandLine(const char* name, const char* summary, const std::string& version);
    ~CommandLine();
    CommandLine(const CommandLine&) = delete;
    CommandLine& operator=(const CommandLine&) = delete;

    /// @param examples what its help ends with
    /// @param run is called once its options have taken their values; returns the exit status
    Command add_command(const char* name, const char* summary, const std::string& examples,
                        const std::function<int()>& run);
    /// Adds an option of the tool itself that prints a text instead of running a command.
    void add_print_flag(const char* name, const char* description, const std::function<std::string()>& text);

    /// Reads the arguments and runs the command that they name, or prints the help.
    /// @returns the exit status @throws WrongCall, and what commands throw
    int run(int argument_count, char** arguments);

    /// What --help of a command prints, or of the tool itself if the name is empty; empty if there is no such
    /// command.
    [[nodiscard]] std::string help_on(const std::string& command) const;

    [[nodiscard]] std::vector<Command> commands() const;
    /// The options of the tool itself.
    [[nodiscard]] std::vector<OptionText> options() const;

  private:
    std::unique_ptr<CLI::App> app_;
    int status_ = 0;
};

} // namespace coldbrick::tool
