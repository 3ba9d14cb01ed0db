/// @file
/// How far a long job has come.
#pragma once

#include <chrono>
#include <cstdint>

namespace coldbrick::tool {

/// A line on a terminal that tells how far the job has come and how long it will still take. Where standard
/// error is no terminal, nothing is shown.
class ProgressBar {
  public:
    ProgressBar();
    ProgressBar(const ProgressBar&) = delete;
    ProgressBar& operator=(const ProgressBar&) = delete;
    ~ProgressBar(); ///< takes the line away

    void show(std::int64_t done, std::int64_t all);

  private:
    using Clock = std::chrono::steady_clock;

    bool on_terminal_;
    bool shown_ = false;
    Clock::time_point begin_ = Clock::now();
    Clock::time_point last_{};
};

} // namespace coldbrick::tool
