#include "files/reels/numbered_reel.hpp"

#include <fmt/core.h>

#include <filesystem>

namespace coldbrick::files {

bool is_numbered(const FileName& path) {
    return std::filesystem::path(path.text()).filename().string().find('#') != std::string::npos;
}

NumberedPath::NumberedPath(std::string_view path) {
    const std::size_t last = path.rfind('#');
    std::size_t first = last;
    while (first > 0 && path[first - 1] == '#') --first;
    before_ = path.substr(0, first);
    digits_ = last + 1 - first;
    after_ = path.substr(last + 1);
}

std::string NumberedPath::of(std::int64_t number) const {
    return fmt::format("{}{:0{}}{}", before_, number, digits_, after_);
}

NumberedReel::NumberedReel(std::string_view path, const EncodeOptions& options)
    : path_(path), options_(options) {
    (void)file_type(path_.of(0));
}

void NumberedReel::add(const ConstImageView& frame, const FrameTimes&) {
    save(frame, path_.of(next_++), options_);
}

} // namespace coldbrick::files
