#include "files/system/read_file.hpp"

#include "files/system/shown_path.hpp"
#include "files/system/temporary_file.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <system_error>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace coldbrick::files {

namespace {

[[noreturn]] void fail_reading(const std::filesystem::path& path, int error) {
    throw FileError(fmt::format("cannot read {}: {}", shown(path), std::generic_category().message(error)));
}

[[noreturn]] void fail_too_large(const std::filesystem::path& path, std::size_t most_bytes) {
    throw FileError(fmt::format("cannot read {}: it has more than {} bytes", shown(path), most_bytes));
}

} // namespace

InputFile::InputFile(const std::filesystem::path& path)
    : path_(path), file_(::open(path.c_str(), O_RDONLY | O_CLOEXEC)) {
    struct stat state {};
    if (file_.number() < 0 || ::fstat(file_.number(), &state) != 0) fail_reading(path, errno);
    if (S_ISREG(state.st_mode)) size_ = static_cast<std::uintmax_t>(state.st_size);
}

std::size_t InputFile::read(std::span<std::byte> room) {
    while (true) {
        const ssize_t count = ::read(file_.number(), room.data(), room.size());
        if (count >= 0) return static_cast<std::size_t>(count);
        if (errno != EINTR) fail_reading(path_, errno);
    }
}

std::vector<std::byte> read_whole(const std::filesystem::path& path, std::size_t most_bytes,
                                  IsWanted is_wanted) {
    InputFile file(path);
    if (file.size() > most_bytes) fail_too_large(path, most_bytes);
    std::vector<std::byte> bytes;
    bytes.reserve(static_cast<std::size_t>(file.size()));
    std::array<std::byte, std::size_t{1} << 16> portion;
    while (const std::size_t count = file.read(portion)) {
        const auto read = std::span(portion).first(count);
        if (is_wanted != nullptr && bytes.empty() && !is_wanted(read)) return {read.begin(), read.end()};
        if (read.size() > most_bytes - bytes.size()) fail_too_large(path, most_bytes);
        bytes.insert(bytes.end(), read.begin(), read.end());
    }
    return bytes;
}

} // namespace coldbrick::files

namespace coldbrick {

std::vector<std::byte> read_file(const FileName& path, std::size_t most_bytes) {
    return files::read_whole(path.text(), most_bytes, nullptr);
}

} // namespace coldbrick
