#include "progress_bar.hpp"

#include "streams.hpp"

#include <fmt/format.h>

#include <cmath>
#include <string>

#include <unistd.h>

namespace coldbrick::tool {

namespace {

std::string time_text(double seconds) {
    const auto whole = static_cast<std::int64_t>(std::ceil(seconds));
    return whole < 60 ? fmt::format("{} s", whole) : fmt::format("{} min {:02} s", whole / 60, whole % 60);
}

} // namespace

ProgressBar::ProgressBar() : on_terminal_(::isatty(STDERR_FILENO) == 1) {}

ProgressBar::~ProgressBar() {
    if (shown_) print_message("\r\x1b[K");
}

void ProgressBar::show(std::int64_t done, std::int64_t all) {
    constexpr auto pause = std::chrono::milliseconds(100);
    const Clock::time_point now = Clock::now();
    if (!on_terminal_ || (shown_ && now - last_ < pause && done < all)) return;
    shown_ = true;
    last_ = now;
    constexpr std::int64_t width = 40;
    const auto full = static_cast<std::size_t>(width * done / all);
    const double passed = std::chrono::duration<double>(now - begin_).count();
    const double left = passed / static_cast<double>(done) * static_cast<double>(all - done);
    print_message(
        fmt::format("\r{:>3}% [{}{}] {} of {}, {} left\x1b[K", 100 * done / all, std::string(full, '='),
                    std::string(static_cast<std::size_t>(width) - full, ' '), done, all, time_text(left)));
}

} // namespace coldbrick::tool
