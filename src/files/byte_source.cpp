#include "files/byte_source.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <utility>

namespace coldbrick::files {

SourceFromBeginning::SourceFromBeginning(std::vector<std::byte> beginning, ByteSource& rest)
    : beginning_(std::move(beginning)), rest_(rest) {}

std::size_t SourceFromBeginning::read(std::span<std::byte> room) {
    if (at_ == beginning_.size()) return rest_.read(room);
    const std::size_t count = std::min(room.size(), beginning_.size() - at_);
    std::copy_n(beginning_.begin() + static_cast<std::ptrdiff_t>(at_), count, room.begin());
    at_ += count;
    return count;
}

std::size_t MemorySource::read(std::span<std::byte> room) {
    const std::size_t count = std::min(room.size(), rest_.size());
    std::ranges::copy(rest_.first(count), room.begin());
    rest_ = rest_.subspan(count);
    return count;
}

std::size_t read_fully(ByteSource& source, std::span<std::byte> room) {
    std::size_t filled = 0;
    while (filled < room.size()) {
        const std::size_t count = source.read(room.subspan(filled));
        if (count == 0) break;
        filled += count;
    }
    return filled;
}

std::vector<std::byte> read_rest(ByteSource& source, std::size_t most) {
    std::vector<std::byte> bytes;
    std::array<std::byte, std::size_t{1} << 16> portion;
    while (const std::size_t count = source.read(portion)) {
        if (count > most - bytes.size()) throw FileError(fmt::format("it has more than {} bytes", most));
        bytes.insert(bytes.end(), portion.begin(), portion.begin() + static_cast<std::ptrdiff_t>(count));
    }
    return bytes;
}

} // namespace coldbrick::files
