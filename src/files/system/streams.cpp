#include "files/system/streams.hpp"

#include "base/contract.hpp"

#include <coldbrick/error.hpp>

#include <istream>
#include <ostream>

namespace coldbrick::files {

void StreamSink::write(std::span<const std::byte> bytes) {
    stream_.write(reinterpret_cast<const char*>(bytes.data()), static_cast<std::streamsize>(bytes.size()));
    if (!stream_) throw FileError("cannot write to the stream: it takes no more");
}

void StreamSink::rewrite(std::uint64_t, std::span<const std::byte>) {
    base::contract_broken("streams are not gone back in", __FILE_NAME__, __LINE__);
}

void StreamSink::flush() {
    stream_.flush();
    if (!stream_) throw FileError("cannot write to the stream: it takes no more");
}

std::size_t StreamSource::read(std::span<std::byte> room) {
    stream_.read(reinterpret_cast<char*>(room.data()), static_cast<std::streamsize>(room.size()));
    if (stream_.bad()) throw FileError("cannot read the stream");
    return static_cast<std::size_t>(stream_.gcount());
}

} // namespace coldbrick::files
