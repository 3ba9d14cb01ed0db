#include "manual.hpp"

#include "arguments.hpp"
#include "roff.hpp"

#include <coldbrick/version.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <string_view>
#include <vector>

namespace coldbrick::tool {

namespace {

void add_option(std::string& page, const OptionText& option) {
    page += fmt::format(".TP\n\\fB{}\\fR", escaped_for_man(fmt::format("{}", fmt::join(option.names, ", "))));
    if (!option.is_positional && !option.form.empty())
        page += fmt::format(" \\fI{}\\fR", escaped_for_man(option.form));
    page += fmt::format("\n{}.\n", escaped_for_man(option.description));
}

void add_command_section(std::string& page, const Command& command) {
    std::string call = command.name();
    const std::vector<OptionText> options = command.options();
    for (const OptionText& option : options)
        if (option.is_positional)
            call += option.is_required ? " " + option.names[0] : " [" + option.names[0] + "]";
    page += fmt::format(".SS coldbrick {} [options]\n{}.\n", escaped_for_man(call),
                        escaped_for_man(command.description()));
    for (const OptionText& option : options) add_option(page, option);
    page += ".PP\nExamples:\n.PP\n.nf\n";
    // The manual's first lines say where they are run.
    const std::string examples = command.examples();
    page += escaped_for_man(examples.substr(examples.find('\n') + 1)) + "\n.fi\n";
}

std::vector<std::string> option_names(const std::vector<OptionText>& options) {
    std::vector<std::string> result;
    for (const OptionText& option : options)
        if (!option.is_positional) result.insert(result.end(), option.names.begin(), option.names.end());
    return result;
}

} // namespace

std::string manual_page(const CommandLine& tool) {
    std::string page = fmt::format(
        ".TH COLDBRICK 1 \"\" \"coldbrick {}\"\n.SH NAME\ncoldbrick \\- draws exact pixels from text sheets\n"
        ".SH SYNOPSIS\n.B coldbrick\n\\fICOMMAND\\fR [options]\n.SH DESCRIPTION\n",
        linked_version());
    page += escaped_for_man(
        "Sheets are texts that describe drawings; coldbrick draws them into image files, tells how "
        "their pixels came to be, and looks at images. `-` stands for standard input or output. "
        "Messages go to standard error. Examples are run in the folder that `coldbrick demo` makes.");
    page += "\n.SH COMMANDS\n";
    for (const Command& command : tool.commands()) add_command_section(page, command);
    page += ".SH OPTIONS\n";
    for (const OptionText& option : tool.options()) add_option(page, option);
    page +=
        ".SH EXIT STATUS\n" +
        escaped_for_man(
            "0; 1 if the job failed, or if check found anything or differ a difference; 2 if the call was "
            "wrong, or if differ could not compare.") +
        "\n.SH ENVIRONMENT\n.TP\nNO_COLOR\n" +
        escaped_for_man("If it is set and not empty, nothing is coloured.") + "\n";
    return page;
}

std::string bash_completion(const CommandLine& tool) {
    std::vector<std::string> commands;
    std::string cases;
    for (const Command& command : tool.commands()) {
        commands.push_back(command.name());
        cases += fmt::format("        {}) options=\"{}\" ;;\n", command.name(),
                             fmt::join(option_names(command.options()), " "));
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
                       fmt::join(commands, " "), fmt::join(option_names(tool.options()), " "), cases);
}

} // namespace coldbrick::tool
