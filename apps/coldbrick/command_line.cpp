#include "command_line.hpp"

#include "arguments.hpp"
#include "command_options.hpp"
#include "manual.hpp"
#include "streams.hpp"

#include <coldbrick/version.hpp>

#include <fmt/format.h>

#include <exception>
#include <new>
#include <string>
#include <string_view>

namespace coldbrick::tool {

namespace {

void add_commands(CommandLine& line) {
    add_sheet_commands(line);
    add_image_commands(line);
    add_list_commands(line);
    line.add_print_flag("--manual", "Print the manual page, for man", [&line] { return manual_page(line); });
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
