#include "command_line.hpp"

#include "command_options.hpp"
#include "manual.hpp"
#include "streams.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/version.hpp>

#include <CLI/CLI.hpp>
#include <fmt/format.h>
#include <fmt/ranges.h>

#include <exception>
#include <new>
#include <string>
#include <string_view>
#include <vector>

namespace {

namespace cb = coldbrick;

void add_commands(CommandLine& line) {
    CLI::App& tool = line.tool;
    tool.set_version_flag("--version", fmt::format("coldbrick {}", cb::linked_version()));
    tool.require_subcommand(1);
    add_sheet_commands(line);
    add_image_commands(line);
    add_list_commands(line);
    const auto print_and_end = [&tool](const char* name, std::string (*text)(const CLI::App&),
                                       const char* what) {
        tool.add_flag_callback(
            name,
            [&tool, text] {
                fmt::print("{}", text(tool));
                throw CLI::Success();
            },
            what);
    };
    print_and_end("--manual", manual_page, "Print the manual page, for man");
    print_and_end("--completion", bash_completion, "Print what bash completes words by");
}

constexpr int job_failed = 1;
constexpr int wrong_call = 2;

int report(int status, std::string_view message) {
    print_message(fmt::format("coldbrick: {}\n", message));
    return status;
}

/// A word that is no command is told, rather than that a command is missing.
int report_unknown_command(const CLI::App& tool, const std::string& word) {
    std::vector<std::string> names;
    for (const CLI::App* const command : tool.get_subcommands({})) names.push_back(command->get_name());
    const std::vector<std::string_view> known(names.begin(), names.end());
    return report(wrong_call,
                  fmt::format("{} is no command{}\nThe commands are {}.", cb::base::in_quotes(word),
                              cb::base::did_you_mean(word, known), fmt::join(known, ", ")));
}

/// An option that there is not is told, with the one that was most likely meant.
int report_unknown_option(const CLI::App& command, const std::string& word) {
    std::vector<std::string> names;
    for (const CLI::Option* const option : command.get_options())
        for (const std::string& name : option->get_lnames()) names.push_back("--" + name);
    const std::vector<std::string_view> known(names.begin(), names.end());
    const std::string name = word.substr(0, word.find('='));
    const std::string title =
        command.get_parent() == nullptr ? "coldbrick" : "coldbrick " + command.get_name();
    return report(wrong_call, fmt::format("{} has no option {}{}\n{} --help tells what is possible.", title,
                                          cb::base::shown(name), cb::base::did_you_mean(name, known), title));
}

int report_wrong_call(const CLI::App& tool, const CLI::ParseError& error) {
    const auto chosen = tool.get_subcommands();
    const CLI::App& command = chosen.empty() ? tool : *chosen.front();
    for (const std::string& word : command.remaining(true)) {
        if (word.starts_with('-') && word.size() > 1) return report_unknown_option(command, word);
        if (chosen.empty()) return report_unknown_command(tool, word);
    }
    const std::string name = chosen.empty() ? "" : " " + command.get_name();
    return report(wrong_call, fmt::format("{}\ncoldbrick{} --help tells what is possible.",
                                          cb::base::shown(error.what(), 1000), name));
}

int parse_and_run(CommandLine& line, int argument_count, char** arguments) {
    try {
        add_commands(line);
        line.tool.parse(argument_count, arguments);
        return line.status;
    } catch (const CLI::ParseError& error) {
        if (error.get_exit_code() == 0) return line.tool.exit(error); // prints the help or the version
        return report_wrong_call(line.tool, error);
    } catch (const std::bad_alloc&) {
        return report(job_failed, "there is not enough memory");
    } catch (const std::exception& error) {
        return report(job_failed, error.what());
    }
}

} // namespace

int run_command_line(int argument_count, char** arguments) {
    CLI::App tool("Draws exact pixels from text sheets.", "coldbrick");
    CommandLine line{tool};
    const int status = parse_and_run(line, argument_count, arguments);
    const std::string lost = output_failure();
    return status == 0 && !lost.empty() ? report(job_failed, lost) : status;
}
