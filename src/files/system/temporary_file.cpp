#include "files/system/temporary_file.hpp"

#include "files/system/shown_path.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <array>
#include <atomic>
#include <cerrno>
#include <cstdint>
#include <cstring>
#include <string_view>
#include <system_error>
#include <utility>

#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

namespace coldbrick::files {

namespace {

namespace fs = std::filesystem;

/// The names of the files that are there now, for signal handlers, which may neither allocate nor lock.
class Unfinished {
  public:
    static constexpr std::size_t none = 32;

    /// Notes a name, if there is room; returns its place.
    static std::size_t note(const std::string& name) {
        for (std::size_t i = 0; i < none; ++i) {
            auto free = State::free;
            if (name.size() >= places[i].name.size() ||
                !places[i].state.compare_exchange_strong(free, State::taken))
                continue;
            std::memcpy(places[i].name.data(), name.c_str(), name.size() + 1);
            places[i].state = State::noted;
            return i;
        }
        return none;
    }

    static void forget(std::size_t place) {
        if (place < none) places[place].state = State::free;
    }

    static void remove_all() noexcept {
        for (Place& place : places)
            if (place.state == State::noted) ::unlink(place.name.data());
    }

  private:
    enum class State : std::uint8_t { free, taken, noted };
    struct Place {
        std::atomic<State> state{State::free};
        std::array<char, 4096> name{};
    };
    static_assert(std::atomic<State>::is_always_lock_free);
    static std::array<Place, none> places;
};

std::array<Unfinished::Place, Unfinished::none> Unfinished::places;

/// FNV-1a (Fowler, Noll, Vo): files beside each other rarely share it, and if they do, they only
/// take turns.
std::uint64_t hash_of(std::string_view text) {
    std::uint64_t hash = 14695981039346656037U;
    for (const char byte : text) hash = (hash ^ static_cast<unsigned char>(byte)) * 1099511628211U;
    return hash;
}

std::string temporary_name(const fs::path& path, int attempt) {
    const std::string name = fmt::format(".{:016x}-{}.unsaved", hash_of(path.filename().string()), attempt);
    return (path.parent_path() / name).string();
}

/// True if the name still stands for the open file.
bool is_still(const std::string& name, int descriptor) {
    struct stat named {};
    struct stat open {};
    return ::lstat(name.c_str(), &named) == 0 && ::fstat(descriptor, &open) == 0 &&
           named.st_ino == open.st_ino && named.st_dev == open.st_dev;
}

/// Not every file system has locks; where there are none, nobody is found out to be dead.
enum class Lock : std::uint8_t { got, held_by_other, unknown };
Lock lock(int descriptor) {
    if (::flock(descriptor, LOCK_EX | LOCK_NB) == 0) return Lock::got;
    return errno == EWOULDBLOCK ? Lock::held_by_other : Lock::unknown;
}

/// Removes a file of our own that nobody works on any more. True if it is gone.
bool remove_abandoned(const std::string& name) {
    const Descriptor file(::open(name.c_str(), O_RDONLY | O_NOFOLLOW | O_CLOEXEC | O_NONBLOCK));
    struct stat state {};
    return file.number() >= 0 && ::fstat(file.number(), &state) == 0 && S_ISREG(state.st_mode) &&
           state.st_uid == ::geteuid() && lock(file.number()) == Lock::got && is_still(name, file.number()) &&
           ::unlink(name.c_str()) == 0;
}

} // namespace

Descriptor::Descriptor(Descriptor&& other) noexcept : number_(std::exchange(other.number_, -1)) {}

Descriptor& Descriptor::operator=(Descriptor&& other) noexcept {
    std::swap(number_, other.number_);
    return *this;
}

Descriptor::~Descriptor() {
    if (number_ >= 0) ::close(number_);
}

TemporaryFile::TemporaryFile(const fs::path& path) : path_(path), noted_(Unfinished::none) {
    constexpr int most_at_once = 100;
    for (int attempt = 0; attempt < most_at_once; ++attempt) {
        name_ = temporary_name(path_, attempt);
        const std::string next_name = temporary_name(path_, attempt + 1); // before there is a file to lose
        if (!create()) continue;
        remove_abandoned(next_name);
        return;
    }
    name_.clear();
    fail_writing(path_, EBUSY);
}

bool TemporaryFile::create() {
    while (true) {
        noted_ = Unfinished::note(name_);
        file_ = Descriptor(::open(name_.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0666));
        const int error = errno;
        // Before it is locked, another process may take it for abandoned.
        if (file_.number() >= 0 && lock(file_.number()) != Lock::held_by_other &&
            is_still(name_, file_.number()))
            return true;
        Unfinished::forget(std::exchange(noted_, Unfinished::none));
        if (file_.number() >= 0) continue;
        if (error != EEXIST) {
            name_.clear();
            fail_writing(path_, error);
        }
        if (!remove_abandoned(name_)) return false;
    }
}

TemporaryFile::~TemporaryFile() {
    if (!name_.empty()) ::unlink(name_.c_str());
    Unfinished::forget(noted_);
}

void TemporaryFile::replace_path() {
    if (::rename(name_.c_str(), path_.c_str()) != 0) fail_writing(path_, errno);
    name_.clear();
}

void fail_writing(const fs::path& path, int error) {
    throw FileError(fmt::format("cannot write {}: {}", shown(path), std::generic_category().message(error)));
}

} // namespace coldbrick::files

namespace coldbrick {

void remove_unfinished_files() noexcept {
    files::Unfinished::remove_all();
}

} // namespace coldbrick
