#include "files/atomic_write.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <cerrno>
#include <string>
#include <system_error>
#include <utility>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace coldbrick::files {

namespace {

namespace fs = std::filesystem;

[[noreturn]] void fail(const fs::path& path, int error) {
    throw FileError(
        fmt::format("cannot write {}: {}", path.string(), std::generic_category().message(error)));
}

/// An open file; closed at the end of its life.
class Descriptor {
  public:
    explicit Descriptor(int number) : number_(number) {}
    Descriptor(const Descriptor&) = delete;
    Descriptor& operator=(const Descriptor&) = delete;
    ~Descriptor() {
        if (number_ >= 0) ::close(number_);
    }

    [[nodiscard]] int number() const { return number_; }

    /// Closes the file now. True if the system reports no late failure.
    [[nodiscard]] bool close() { return ::close(std::exchange(number_, -1)) == 0; }

  private:
    int number_;
};

/// Writes everything, however small the portions that the system takes. True on success, else errno tells.
bool write_all(int descriptor, std::span<const std::byte> bytes) {
    while (!bytes.empty()) {
        const ssize_t written = ::write(descriptor, bytes.data(), bytes.size());
        if (written < 0 && errno != EINTR) return false;
        if (written > 0) bytes = bytes.subspan(static_cast<std::size_t>(written));
    }
    return true;
}

/// A file beside the path that vanishes again unless it is renamed over it.
class Sibling {
  public:
    explicit Sibling(const fs::path& path) : path_(path), file_(create()) {
        if (file_.number() < 0) fail(path_, errno);
    }
    Sibling(const Sibling&) = delete;
    Sibling& operator=(const Sibling&) = delete;
    ~Sibling() {
        if (!name_.empty()) ::unlink(name_.c_str());
    }

    void write(std::span<const std::byte> bytes) {
        struct stat present {};
        const bool keeps_mode = ::stat(path_.c_str(), &present) == 0;
        if ((keeps_mode && ::fchmod(file_.number(), present.st_mode & 07777) != 0) ||
            !write_all(file_.number(), bytes) || ::fsync(file_.number()) != 0 || !file_.close())
            fail(path_, errno);
    }

    void replace_path() {
        if (::rename(name_.c_str(), path_.c_str()) != 0) fail(path_, errno);
        name_.clear();
    }

  private:
    /// Opens a file with a name that nobody has; the system gives it a new file's permissions.
    int create() {
        for (int attempt = 0;; ++attempt) {
            name_ = fmt::format("{}.new-{}-{}", path_.string(), ::getpid(), attempt);
            const int descriptor = ::open(name_.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0666);
            if (descriptor >= 0) return descriptor;
            if (errno != EEXIST) {
                name_.clear();
                return -1;
            }
        }
    }

    fs::path path_;
    std::string name_;
    Descriptor file_;
};

/// Makes a rename in the folder last through a loss of power. Not every file system can, and the file itself
/// is whole either way, so a refusal is not a failure.
void sync_folder(const fs::path& file) {
    const fs::path folder = file.has_parent_path() ? file.parent_path() : fs::path(".");
    const Descriptor descriptor(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (descriptor.number() >= 0) ::fsync(descriptor.number());
}

void write_straight(const fs::path& path, std::span<const std::byte> bytes) {
    Descriptor file(::open(path.c_str(), O_WRONLY | O_CLOEXEC));
    if (file.number() < 0 || !write_all(file.number(), bytes) || !file.close()) fail(path, errno);
}

} // namespace

void write_atomically(const fs::path& path, std::span<const std::byte> bytes) {
    std::error_code ignored;
    const fs::file_status status = fs::status(path, ignored);
    if (fs::is_directory(status)) fail(path, EISDIR);
    if (fs::exists(status) && !fs::is_regular_file(status)) return write_straight(path, bytes);
    const fs::path target =
        fs::is_symlink(fs::symlink_status(path, ignored)) && fs::exists(status) ? fs::canonical(path) : path;
    Sibling sibling(target);
    sibling.write(bytes);
    sibling.replace_path();
    sync_folder(target);
}

} // namespace coldbrick::files
