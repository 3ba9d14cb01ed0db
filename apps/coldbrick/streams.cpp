#include "streams.hpp"

#include <coldbrick/files.hpp>

#include <fmt/format.h>

#include <cerrno>
#include <csignal>
#include <cstdio>
#include <iostream>
#include <system_error>

#include <fcntl.h>
#include <unistd.h>

namespace coldbrick::tool {

namespace {

/// A closed stream becomes one that cannot be used, so that what is printed there is a failure.
void hold_standard_streams() {
    for (const int number : {STDIN_FILENO, STDOUT_FILENO, STDERR_FILENO})
        if (::fcntl(number, F_GETFD) == -1 && errno == EBADF)
            (void)::open("/dev/null", number == STDIN_FILENO ? O_WRONLY : O_RDONLY);
}

void end_by(int signal) {
    remove_unfinished_files();
    std::signal(signal, SIG_DFL);
    std::raise(signal);
}

} // namespace

void prepare_process() {
    hold_standard_streams();
    for (const int signal : {SIGINT, SIGTERM, SIGHUP})
        if (std::signal(signal, SIG_IGN) != SIG_IGN) std::signal(signal, end_by);
    std::signal(SIGXFSZ, SIG_IGN); // a file beyond the limit is then an error like any other
}

void print_message(std::string_view text) {
    (void)std::fwrite(text.data(), 1, text.size(), stderr);
    (void)std::fflush(stderr);
}

std::string output_failure() {
    std::cout.flush();
    const bool written = std::fflush(stdout) == 0 && std::ferror(stdout) == 0 && std::cout.good();
    if (written) return {};
    return fmt::format("cannot write to standard output: {}",
                       std::generic_category().message(errno != 0 ? errno : EIO));
}

} // namespace coldbrick::tool
