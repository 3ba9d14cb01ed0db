/// @file
/// Whether what is written piece by piece may go on.
#pragma once

#include <coldbrick/error.hpp>

#include <string>

namespace coldbrick::files {

/// A writer is open until it ends. A step that fails leaves a file behind that must not be finished.
class WriterStage {
  public:
    /// Throws ArgumentError unless the writer may go on. @param what it writes
    void check_open(const char* what) const {
        if (stage_ == Stage::ended) throw ArgumentError(std::string("the ") + what + " is finished already");
        if (stage_ == Stage::failed)
            throw ArgumentError(std::string("the ") + what + " cannot go on after a failure");
    }

    template <class Step>
    void do_step(const Step& step) {
        stage_ = Stage::failed;
        step();
        stage_ = Stage::open;
    }

    template <class Step>
    void end(const Step& step) {
        stage_ = Stage::failed;
        step();
        stage_ = Stage::ended;
    }

  private:
    enum class Stage : unsigned char { open, failed, ended };
    Stage stage_ = Stage::open;
};

} // namespace coldbrick::files
