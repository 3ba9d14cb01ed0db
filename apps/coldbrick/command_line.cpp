#include "command_line.hpp"

#include "arguments.hpp"
#include "command_options.hpp"
#include "manual.hpp"
#include "sheet_manual.hpp"
#include "streams.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/version.hpp>

#include <fmt/format.h>

#include <exception>
#include <new>
#include <string>
#include <string_view>

namespace coldbrick::tool {

namespace {

void print_help(const CommandLine& line, const std::string& word) {
    const std::string of_command = line.help_on(word);
    std::string of_word = word.empty() ? std::string() : help_on_word(word);
    if (of_word.empty() && word.ends_with('s')) of_word = help_on_word(word.substr(0, word.size() - 1));
    if (of_command.empty() && of_word.empty())
        throw WrongCall(
            "help",
            fmt::format(
                "{} is neither a command nor a word of sheets; coldbrick help lists the commands, and "
                "man coldbrick-sheet explains sheets",
                base::in_quotes(word)));
    fmt::print("{}{}{}", of_command, !of_command.empty() && !of_word.empty() ? "\nIn sheets:\n" : "",
               of_word);
}

void add_help(CommandLine& line, std::string& word) {
    const Command help =
        line.add_command("help", "Tell how a command is called, or what a word of sheets means",
                         with_heading({"help draw", "help circle"}), [&line, &word] {
                             print_help(line, word);
                             return 0;
                         });
    help.add_text("WORD", "TEXT", "A command, or a word of sheets such as circle, stroke or ring_of", word);
}

void add_commands(CommandLine& line) {
    add_sheet_commands(line);
    add_image_commands(line);
    add_list_commands(line);
    line.add_print_flag("--manual", "Print the manual page, for man", [&line] { return manual_page(line); });
    line.add_print_flag("--sheet-manual", "Print the manual page of sheets, for man", sheet_manual_page);
    line.add_print_flag("--completion", "Print what bash completes words by",
                        [&line] { return bash_completion(line); });
}

constexpr int job_failed = 1;
constexpr int wrong_call = 2;

int report(int status, std::string_view message) {
    print_message(fmt::format("coldbrick: {}\n", message));
    return status;
}

int parse_and_run(int argument_count, char** arguments) {
    try {
        CommandLine line("coldbrick", "Draws exact pixels from text sheets.",
                         fmt::format("coldbrick {}", linked_version()));
        add_commands(line);
        std::string help_word;
        add_help(line, help_word);
        return line.run(argument_count, arguments);
    } catch (const WrongCall& error) {
        return report(wrong_call, error.what());
    } catch (const std::bad_alloc&) {
        return report(job_failed, "there is not enough memory");
    } catch (const std::exception& error) {
        return report(job_failed, error.what());
    }
}

} // namespace

int run_command_line(int argument_count, char** arguments) {
    const int status = parse_and_run(argument_count, arguments);
    const std::string lost = output_failure();
    return status == 0 && !lost.empty() ? report(job_failed, lost) : status;
}

} // namespace coldbrick::tool
