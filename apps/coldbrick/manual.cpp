#include "manual.hpp"

#include "command_options.hpp"

#include <coldbrick/version.hpp>

#include <CLI/CLI.hpp>
#include <fmt/format.h>
#include <fmt/ranges.h>

#include <string_view>
#include <vector>

namespace {

/// A text as man(7) takes it literally.
std::string escaped(std::string_view text) {
    std::string result;
    for (const char c : text) {
        if (c == '\\')
            result += "\\e";
        else if (c == '-')
            result += "\\-";
        else if ((c == '.' || c == '\'') && (result.empty() || result.back() == '\n'))
            result.append("\\&").push_back(c);
        else
            result += c;
    }
    return result;
}

bool is_positional(const CLI::Option& option) {
    return option.get_lnames().empty() && option.get_snames().empty();
}

bool takes_value(const CLI::Option& option) {
    return option.get_type_size() != 0;
}

/// The names of an option as they are typed.
std::vector<std::string> names_of(const CLI::Option& option) {
    std::vector<std::string> result;
    for (const std::string& name : option.get_snames()) result.push_back("-" + name);
    for (const std::string& name : option.get_lnames()) result.push_back("--" + name);
    return result;
}

void add_option(std::string& page, const CLI::Option& option) {
    const std::vector<std::string> names =
        is_positional(option) ? std::vector<std::string>{option.get_name()} : names_of(option);
    page += fmt::format(".TP\n\\fB{}\\fR", escaped(fmt::format("{}", fmt::join(names, ", "))));
    if (!is_positional(option) && takes_value(option))
        page += fmt::format(" \\fI{}\\fR", escaped(option.get_type_name()));
    page += fmt::format("\n{}.\n", escaped(option.get_description()));
}

void add_command_section(std::string& page, const CLI::App& command) {
    std::string call = command.get_name();
    for (const CLI::Option* const option : command.get_options())
        if (is_positional(*option))
            call += option->get_required() ? " " + option->get_name() : " [" + option->get_name() + "]";
    page +=
        fmt::format(".SS coldbrick {} [options]\n{}.\n", escaped(call), escaped(command.get_description()));
    for (const CLI::Option* const option : command.get_options()) add_option(page, *option);
    page += ".PP\nExamples:\n.PP\n.nf\n";
    const std::string footer = command.get_footer();
    page += escaped(footer.substr(std::min(footer.size(), std::string_view(examples_heading).size() + 1))) +
            "\n.fi\n";
}

std::vector<std::string> option_names(const CLI::App& app) {
    std::vector<std::string> result;
    for (const CLI::Option* const option : app.get_options())
        for (std::string& name : names_of(*option)) result.push_back(std::move(name));
    return result;
}

} // namespace

std::string manual_page(const CLI::App& tool) {
    std::string page = fmt::format(
        ".TH COLDBRICK 1 \"\" \"coldbrick {}\"\n.SH NAME\ncoldbrick \\- draws exact pixels from text sheets\n"
        ".SH SYNOPSIS\n.B coldbrick\n\\fICOMMAND\\fR [options]\n.SH DESCRIPTION\n",
        coldbrick::linked_version());
    page +=
        escaped("Sheets are texts that describe drawings; coldbrick draws them into image files, tells how "
                "their pixels came to be, and looks at images. `-` stands for standard input or output. "
                "Messages go to standard error. Examples are run in the folder that `coldbrick demo` makes.");
    page += "\n.SH COMMANDS\n";
    for (const CLI::App* const command : tool.get_subcommands({})) add_command_section(page, *command);
    page += ".SH OPTIONS\n";
    for (const CLI::Option* const option : tool.get_options()) add_option(page, *option);
    page +=
        ".SH EXIT STATUS\n" +
        escaped(
            "0; 1 if the job failed, or if check found anything or differ a difference; 2 if the call was "
            "wrong, or if differ could not compare.") +
        "\n.SH ENVIRONMENT\n.TP\nNO_COLOR\n" + escaped("If it is set and not empty, nothing is coloured.") +
        "\n";
    return page;
}

std::string bash_completion(const CLI::App& tool) {
    std::vector<std::string> commands;
    std::string cases;
    for (const CLI::App* const command : tool.get_subcommands({})) {
        commands.push_back(command->get_name());
        cases += fmt::format("        {}) options=\"{}\" ;;\n", command->get_name(),
                             fmt::join(option_names(*command), " "));
    }
    return fmt::format(R"(# Completes the words of coldbrick in bash.
_coldbrick() {{
    local word="${{COMP_WORDS[COMP_CWORD]}}" options=""
    if [ "$COMP_CWORD" -eq 1 ]; then
        mapfile -t COMPREPLY < <(compgen -W "{} {}" -- "$word")
        return
    fi
    case "${{COMP_WORDS[1]}}" in
{}    esac
    case "$word" in
        -*) mapfile -t COMPREPLY < <(compgen -W "$options" -- "$word") ;;
        *) mapfile -t COMPREPLY < <(compgen -f -- "$word") ;;
    esac
}}
complete -o filenames -F _coldbrick coldbrick
)",
                       fmt::join(commands, " "), fmt::join(option_names(tool), " "), cases);
}
