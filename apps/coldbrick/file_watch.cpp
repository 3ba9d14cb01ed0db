#include "file_watch.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <cstring>
#include <system_error>

#include <poll.h>
#include <sys/inotify.h>
#include <unistd.h>

namespace coldbrick::tool {

namespace fs = std::filesystem;

namespace {

[[noreturn]] void refuse(const std::string& what) {
    throw FileError(fmt::format("cannot watch {}: {}", what, std::generic_category().message(errno)));
}

fs::path folder_of(const fs::path& file) {
    const fs::path folder = file.parent_path();
    return folder.empty() ? fs::path(".") : folder;
}

constexpr std::uint32_t gone = IN_DELETE_SELF | IN_MOVE_SELF | IN_IGNORED;
constexpr std::uint32_t changes =
    IN_CLOSE_WRITE | IN_MOVED_TO | IN_CREATE | IN_DELETE | IN_MOVED_FROM | IN_DELETE_SELF | IN_MOVE_SELF;

/// The folder, or, if it is missing, the name in the nearest one above it by which it would come again.
fs::path watched_for(fs::path file) {
    std::error_code ignored;
    while (!fs::is_directory(folder_of(file), ignored) && folder_of(file) != file) file = folder_of(file);
    return file;
}

} // namespace

FileWatch::FileWatch() : system_(::inotify_init1(IN_CLOEXEC)) {
    if (system_ < 0) refuse("files");
}

FileWatch::~FileWatch() {
    ::close(system_);
}

bool FileWatch::look_at(const std::vector<fs::path>& files) {
    names_.clear();
    for (const fs::path& file : files) {
        const fs::path seen = watched_for(file);
        names_[folder_of(seen)].insert(seen.filename().string());
    }
    bool is_new = false;
    for (const auto& [folder, names] : names_) {
        const auto is_watched = [&folder = folder](const auto& watched) { return watched.second == folder; };
        if (std::ranges::any_of(folders_, is_watched)) continue;
        const int number = ::inotify_add_watch(system_, folder.c_str(), changes);
        if (number >= 0) {
            folders_[number] = folder;
            is_new = true;
        } else if (errno != ENOENT) { // a file in a folder that is missing is told to be missing
            refuse(folder.string());
        }
    }
    return is_new;
}

bool FileWatch::take_changes(int timeout_milliseconds) {
    pollfd waiting{system_, POLLIN, 0};
    if (::poll(&waiting, 1, timeout_milliseconds) <= 0) return false;
    alignas(inotify_event) std::array<char, 1 << 14> portion;
    const ssize_t bytes = ::read(system_, portion.data(), portion.size());
    bool changed = false;
    for (ssize_t at = 0; at < bytes;) {
        inotify_event event;
        std::memcpy(&event, portion.data() + at, sizeof event);
        const char* const name = portion.data() + at + sizeof event;
        const auto folder = folders_.find(event.wd);
        if ((event.mask & gone) != 0 && folder != folders_.end()) {
            // The folder may be made again under its name, in a folder above that is there.
            if ((event.mask & IN_IGNORED) == 0) (void)::inotify_rm_watch(system_, event.wd);
            folders_.erase(folder);
            changed = true;
            at += static_cast<ssize_t>(sizeof event + event.len);
            continue;
        }
        if (folder != folders_.end() && event.len > 0 && names_.contains(folder->second))
            changed = changed || names_[folder->second].contains(name);
        at += static_cast<ssize_t>(sizeof event + event.len);
    }
    return changed;
}

void FileWatch::wait() {
    constexpr int for_ever = -1;
    constexpr int moment = 15; // editors write, rename and set times one after another
    while (!take_changes(for_ever)) {
    }
    while (take_changes(moment)) {
    }
}

} // namespace coldbrick::tool
