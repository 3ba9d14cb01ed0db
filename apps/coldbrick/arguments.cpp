#include "arguments.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"

#include <CLI/CLI.hpp>
#include <fmt/format.h>
#include <fmt/ranges.h>

#include <set>
#include <string_view>
#include <utility>

namespace coldbrick::tool {

namespace {

bool is_positional(const CLI::Option& option) {
    return option.get_lnames().empty() && option.get_snames().empty();
}

/// The names of an option as they are typed.
std::vector<std::string> names_of(const CLI::Option& option) {
    if (is_positional(option)) return {option.get_name()};
    std::vector<std::string> result;
    for (const std::string& name : option.get_snames()) result.push_back("-" + name);
    for (const std::string& name : option.get_lnames()) result.push_back("--" + name);
    return result;
}

std::vector<OptionText> options_of(const CLI::App& app) {
    std::vector<OptionText> result;
    for (const CLI::Option* const option : app.get_options())
        result.push_back({names_of(*option), option->get_type_size() == 0 ? "" : option->get_type_name(),
                          option->get_description(), is_positional(*option), option->get_required()});
    return result;
}

/// Words that other tools have for what commands do, with blanks around them.
constexpr std::pair<std::string_view, std::string_view> other_words[] = {
    {" render make build paint run ", "draw"},
    {" convert resize scale crop rotate flip export transform ", "recast"},
    {" compare diff cmp ", "differ"},
    {" show view display open cat ", "look"},
    {" fonts font families ", "faces"},
    {" palette palettes colors colour color ", "colours"},
    {" lint validate verify warnings ", "check"},
    {" format fmt indent pretty ", "tidy"},
    {" animate animation movie video gif frames ", "reel"},
    {" info identify stat describe ", "inspect"},
    {" annotate label boxes ", "mark"},
    {" zoom magnify enlarge ", "grid"},
    {" why blame pixel ", "explain"},
    {" samples examples init ", "demo"}};

std::string_view command_for(std::string_view word) {
    for (const auto& [words, command] : other_words)
        if (base::has_word(words, word)) return command;
    return {};
}

/// Reports a word that is no command, rather than that a command is missing.
std::string unknown_command(const CLI::App& tool, const std::string& word) {
    if (const std::string_view meant = command_for(word); !meant.empty()) {
        const CLI::App* const command = tool.get_subcommand(std::string(meant));
        return fmt::format("{} is no command; there is coldbrick {}: {}", base::in_quotes(word), meant,
                           command->get_description());
    }
    std::vector<std::string> names;
    for (const CLI::App* const command : tool.get_subcommands({})) names.push_back(command->get_name());
    const std::vector<std::string_view> known(names.begin(), names.end());
    return fmt::format("{} is no command{}\nThe commands are {}.", base::in_quotes(word),
                       base::did_you_mean(word, known), fmt::join(known, ", "));
}

std::string title_of(const CLI::App& command) {
    return command.get_parent() == nullptr ? "coldbrick" : "coldbrick " + command.get_name();
}

/// Reports an unknown option with the one that was most likely meant.
std::string unknown_option(const CLI::App& command, const std::string& word) {
    std::vector<std::string> names;
    for (const CLI::Option* const option : command.get_options())
        for (const std::string& name : option->get_lnames()) names.push_back("--" + name);
    const std::vector<std::string_view> known(names.begin(), names.end());
    const std::string name = word.substr(0, word.find('='));
    const std::string title = title_of(command);
    return fmt::format("{} has no option {}{}\n{} --help tells what is possible.", title, base::shown(name),
                       base::did_you_mean(name, known), title);
}

/// What the parser's exceptions say, in words of the tool.
std::string problem_of(const CLI::ParseError& error) {
    std::string text = error.what();
    const auto first_word = [&text] { return text.substr(0, text.find_first_of(": ")); };
    const auto last_word = [&text] { return text.substr(text.rfind(' ') + 1); };
    const std::string kind = error.get_name();
    if (kind == "RequiredError")
        return text.starts_with("A ") ? "no command is given" : fmt::format("{} is missing", first_word());
    if (kind == "ArgumentMismatch") return fmt::format("{} has no value after it, or too many", first_word());
    if (kind == "ExcludesError")
        return fmt::format("{} and {} exclude each other", first_word(), last_word());
    if (kind == "RequiresError") return fmt::format("{} means nothing without {}", first_word(), last_word());
    return text;
}

std::string wrong_call(const CLI::App& tool, std::string_view problem) {
    const auto chosen = tool.get_subcommands();
    const CLI::App& command = chosen.empty() ? tool : *chosen.front();
    for (const std::string& word : command.remaining(true)) {
        if (word.starts_with('-') && word.size() > 1) return unknown_option(command, word);
        if (chosen.empty()) return unknown_command(tool, word);
        const bool writes = command.get_option_no_throw("--output") != nullptr;
        return fmt::format(
            "{} is one word too many{}\n{} --help tells what is possible.", base::in_quotes(word),
            writes ? fmt::format("; the file that is written follows -o: -o {}", base::shown(word))
                   : std::string(),
            title_of(command));
    }
    return fmt::format("{}\n{} --help tells what is possible.", base::shown(problem, 1000),
                       title_of(command));
}

} // namespace

WrongCall::WrongCall(std::string_view option, std::string_view problem)
    : std::runtime_error(fmt::format("{}: {}", option, problem)) {}

WrongCall WrongCall::missing(std::string_view option) {
    return WrongCall(fmt::format("{} is missing", option));
}

Option Option::required() const {
    option_->required();
    return *this;
}

Option Option::needs(Option other) const {
    option_->needs(other.option_);
    return *this;
}

Option Option::excludes(Option other) const {
    option_->excludes(other.option_);
    return *this;
}

Option Option::with_default(const std::string& text) const {
    option_->default_str(text);
    return *this;
}

Option Command::add_flag(const char* name, const char* description, bool& target) const {
    return Option(app_->add_flag(name, target, description));
}

Option Command::add_flag(const char* name, const char* description, const std::function<void()>& set) const {
    return Option(app_->add_flag_callback(name, set, description));
}

Option Command::add_text(const char* name, const char* form, const char* description,
                         std::string& target) const {
    return Option(app_->add_option(name, target, description)->type_name(form));
}

Option Command::add_texts(const char* name, const char* description, std::vector<std::string>& target) const {
    return Option(app_->add_option(name, target, description));
}

Option Command::add_value(const char* name, const char* form, const char* description,
                          const std::function<void(const std::string& text)>& take) const {
    return Option(app_->add_option_function<std::string>(name, take, description)->type_name(form));
}

Option Command::add_values(const char* name, const char* form, const char* description,
                           const std::function<void(const std::string& text)>& take) const {
    const auto take_all = [take](const std::vector<std::string>& texts) {
        for (const std::string& text : texts) take(text);
    };
    return Option(app_->add_option_function<std::vector<std::string>>(name, take_all, description)
                      ->type_name(form)
                      ->allow_extra_args(false));
}

Option Command::option(const char* name) const {
    return Option(app_->get_option(name));
}

std::string Command::name() const {
    return app_->get_name();
}

std::string Command::description() const {
    return app_->get_description();
}

std::string Command::examples() const {
    return app_->get_footer();
}

std::vector<OptionText> Command::options() const {
    return options_of(*app_);
}

namespace {

/// The help of the tool and of its commands.
class HelpLayout : public CLI::Formatter {
  public:
    HelpLayout() {
        column_width(28);
        label("Positionals", "Given as words");
    }

    std::string make_usage(const CLI::App* app, std::string) const override {
        std::string result = "  coldbrick ";
        if (app->get_parent() == nullptr) return result + "COMMAND [options]\n";
        result += app->get_name();
        for (const CLI::Option* const option : app->get_options())
            if (is_positional(*option))
                result += option->get_required() ? " " + option->get_name() : " [" + option->get_name() + "]";
        return result + " [options]\n";
    }

    /// A word that needs no form after it: its name says what it is.
    std::string make_option_opts(const CLI::Option* option) const override {
        std::string result;
        if (!is_positional(*option) && option->get_type_size() != 0) {
            result = " " + option->get_type_name();
            if (!option->get_default_str().empty()) result += " (" + option->get_default_str() + ")";
        }
        const auto add = [&](const char* words, const std::set<CLI::Option*>& others) {
            for (const CLI::Option* const other : others)
                result += fmt::format(", {} {}", words, other->get_name());
        };
        add("not with", option->get_excludes());
        add("only with", option->get_needs());
        return result;
    }

    std::string make_subcommands(const CLI::App* app, CLI::AppFormatMode) const override {
        std::string result = "\nCommands:\n";
        for (const CLI::App* const command : app->get_subcommands({}))
            result += fmt::format("  {:<10}{}\n", command->get_name(), command->get_description());
        return result;
    }
};

} // namespace

CommandLine::CommandLine(const char* name, const char* summary, const std::string& version)
    : app_(std::make_unique<CLI::App>(summary, name)) {
    app_->formatter(std::make_shared<HelpLayout>());
    app_->set_help_flag("-h,--help", "Print this");
    app_->set_version_flag("--version", version, "Print the version");
    app_->require_subcommand(1);
}

CommandLine::~CommandLine() = default;

Command CommandLine::add_command(const char* name, const char* summary, const std::string& examples,
                                 const std::function<int()>& run) {
    CLI::App* const command = app_->add_subcommand(name, summary);
    command->footer(examples);
    command->callback([this, run] { status_ = run(); });
    return Command(command);
}

void CommandLine::add_print_flag(const char* name, const char* description,
                                 const std::function<std::string()>& text) {
    const auto print_and_end = [text] {
        fmt::print("{}", text());
        throw CLI::Success();
    };
    app_->add_flag_callback(name, print_and_end, description);
}

int CommandLine::run(int argument_count, char** arguments) {
    try {
        app_->parse(argument_count, arguments);
        return status_;
    } catch (const CLI::ParseError& error) {
        if (error.get_exit_code() == 0) return app_->exit(error); // prints the help or the version
        throw WrongCall(wrong_call(*app_, problem_of(error)));
    } catch (const WrongCall& error) {
        throw WrongCall(wrong_call(*app_, error.what()));
    }
}

std::string CommandLine::help_on(const std::string& command) const {
    const auto help_of = [](const CLI::App& app) {
        return app.get_formatter()->make_help(&app, "", CLI::AppFormatMode::Normal);
    };
    if (command.empty()) return help_of(*app_);
    for (const CLI::App* const known : app_->get_subcommands([](CLI::App*) { return true; }))
        if (known->get_name() == command) return help_of(*known);
    return {};
}

std::vector<Command> CommandLine::commands() const {
    std::vector<Command> result;
    for (CLI::App* const command : app_->get_subcommands([](CLI::App*) { return true; }))
        result.push_back(Command(command));
    return result;
}

std::vector<OptionText> CommandLine::options() const {
    return options_of(*app_);
}

} // namespace coldbrick::tool
