#include "files/system/output_file.hpp"

#include "files/system/shown_path.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <cerrno>
#include <optional>
#include <system_error>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace coldbrick::files {

namespace {

namespace fs = std::filesystem;

/// Writes everything, however small the portions that the system takes. True on success, else errno tells.
bool write_all(int descriptor, std::span<const std::byte> bytes) {
    while (!bytes.empty()) {
        const ssize_t written = ::write(descriptor, bytes.data(), bytes.size());
        if (written < 0 && errno != EINTR) return false;
        if (written > 0) bytes = bytes.subspan(static_cast<std::size_t>(written));
    }
    return true;
}

/// Makes a rename in the folder last through a loss of power. Not every file system can, and the file itself
/// is whole either way, so a refusal is not a failure.
void sync_folder(const char* folder) noexcept {
    const int descriptor = ::open(folder, O_RDONLY | O_DIRECTORY | O_CLOEXEC);
    if (descriptor < 0) return;
    ::fsync(descriptor);
    ::close(descriptor);
}

/// Where the path's symbolic links lead, the last of which may lead to nothing.
fs::path followed(const fs::path& path) {
    constexpr int most_links = 40;
    fs::path target = path;
    std::error_code error;
    for (int i = 0; i < most_links; ++i) {
        if (!fs::is_symlink(fs::symlink_status(target, error))) return target;
        const fs::path next = fs::read_symlink(target, error);
        if (error) fail_writing(path, error.value());
        target = target.parent_path() / next; // which is `next` if that is absolute
    }
    fail_writing(path, ELOOP);
}

/// The state of what is there; none if there is nothing.
std::optional<struct stat> state_of(const fs::path& target, const fs::path& path) {
    struct stat present {};
    if (::stat(target.c_str(), &present) == 0) return present;
    if (errno != ENOENT) fail_writing(path, errno);
    return std::nullopt;
}

/// A file that its owner has made read-only is not replaced, although the folder would allow it.
void check_may_replace(const fs::path& path, const struct stat& present) {
    constexpr mode_t any_write = S_IWUSR | S_IWGRP | S_IWOTH;
    if ((present.st_mode & any_write) == 0)
        throw FileError(fmt::format("cannot write {}: the file is read-only (mode {:03o})", shown(path),
                                    present.st_mode & 0777U));
    if (::access(path.c_str(), W_OK) != 0) fail_writing(path, errno);
}

/// Gives the new file the old one's owner and group, where the process may, and its permissions; bits that
/// lend the owner's or the group's rights were meant for what was in the old file.
bool take_over(int descriptor, const struct stat& present) {
    const bool kept = ::fchown(descriptor, present.st_uid, present.st_gid) == 0 ||
                      ::fchown(descriptor, static_cast<uid_t>(-1), present.st_gid) == 0;
    (void)kept; // the file is the process's own then
    return ::fchmod(descriptor, present.st_mode & 0777U) == 0;
}

/// Small pieces are collected up to here.
constexpr std::size_t most_pending = std::size_t{1} << 16;

} // namespace

OutputFile::OutputFile(const fs::path& path) : path_(path), target_(followed(path)) {
    const std::optional<struct stat> present = state_of(target_, path);
    if (present && S_ISDIR(present->st_mode)) fail_writing(path, EISDIR);
    if (present && !S_ISREG(present->st_mode)) {
        straight_ = Descriptor(::open(path.c_str(), O_WRONLY | O_CLOEXEC));
        if (straight_.number() < 0) fail_writing(path, errno);
        return;
    }
    if (present) check_may_replace(target_, *present);
    temporary_.emplace(target_);
    if (present && !take_over(temporary_->descriptor(), *present)) fail_writing(path, errno);
}

int OutputFile::descriptor() const {
    return temporary_ ? temporary_->descriptor() : straight_.number();
}

void OutputFile::write(std::span<const std::byte> bytes) {
    if (pending_.size() + bytes.size() > most_pending) write_pending();
    if (bytes.size() < most_pending)
        pending_.insert(pending_.end(), bytes.begin(), bytes.end());
    else if (!write_all(descriptor(), bytes))
        fail_writing(path_, errno);
}

void OutputFile::write_pending() {
    if (!write_all(descriptor(), pending_)) fail_writing(path_, errno);
    pending_.clear();
}

void OutputFile::rewrite(std::uint64_t at, std::span<const std::byte> bytes) {
    write_pending();
    if (::lseek(descriptor(), static_cast<off_t>(at), SEEK_SET) < 0 || !write_all(descriptor(), bytes) ||
        ::lseek(descriptor(), 0, SEEK_END) < 0)
        fail_writing(path_, errno);
}

void OutputFile::commit() {
    write_pending();
    if (!temporary_) return;
    const fs::path folder = target_.has_parent_path() ? target_.parent_path() : fs::path(".");
    const std::string folder_name = folder.string(); // made before there is nothing to fail for any more
    if (::fsync(temporary_->descriptor()) != 0) fail_writing(path_, errno);
    temporary_->replace_path();
    sync_folder(folder_name.c_str());
}

} // namespace coldbrick::files
