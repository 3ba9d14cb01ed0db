#include "files/codecs/png_chunks.hpp"

#include "files/fields.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>
#include <zlib.h>

#include <algorithm>
#include <array>

namespace coldbrick::files {

namespace {

constexpr std::size_t frame_bytes = 12; // length, type and checksum

/// The length that the next chunk claims, if all of it is there.
std::optional<std::size_t> length_of_next(std::span<const std::byte> rest) {
    if (rest.size() < frame_bytes) return std::nullopt;
    const std::size_t length = big_endian(rest.first(4));
    if (rest.size() - frame_bytes < length) return std::nullopt;
    return length;
}

std::string_view type_of(std::span<const std::byte> chunk) {
    return {reinterpret_cast<const char*>(chunk.data()) + 4, 4};
}

[[noreturn]] void fail_too_early() {
    throw FileError("cannot decode PNG: the file ends too early");
}

uLong checksum(uLong before, std::span<const std::byte> bytes) {
    return bytes.empty() ? before
                         : crc32_z(before, reinterpret_cast<const Bytef*>(bytes.data()), bytes.size());
}

} // namespace

std::span<const std::byte> png_signature() {
    static constexpr std::array signature{std::byte{0x89}, std::byte{'P'},  std::byte{'N'},  std::byte{'G'},
                                          std::byte{'\r'}, std::byte{'\n'}, std::byte{0x1A}, std::byte{'\n'}};
    return signature;
}

bool begins_as_png(std::span<const std::byte> file) {
    return file.size() >= 4 && std::ranges::equal(png_signature().first(4), file.first(4));
}

PngChunks::PngChunks(std::span<const std::byte> file, Checksums checksums)
    : rest_(file), checksums_(checksums) {
    if (file.size() < png_signature().size()) fail_too_early();
    rest_ = file.subspan(png_signature().size());
}

std::optional<PngChunk> PngChunks::next() {
    if (ended_) return std::nullopt;
    const auto length = length_of_next(rest_);
    if (!length) fail_too_early();
    const PngChunk chunk{type_of(rest_), rest_.subspan(8, *length)};
    if (checksums_ == Checksums::checked &&
        checksum(0, rest_.subspan(4, 4 + *length)) != big_endian(rest_.subspan(8 + *length, 4)))
        throw FileError("cannot decode PNG: a chunk has a wrong checksum");
    rest_ = rest_.subspan(frame_bytes + *length);
    ended_ = chunk.type == "IEND";
    return chunk;
}

void check_png_is_whole(std::span<const std::byte> file) {
    std::span<const std::byte> rest = file.subspan(std::min(png_signature().size(), file.size()));
    while (const auto length = length_of_next(rest)) {
        if (type_of(rest) == "IEND") return;
        rest = rest.subspan(frame_bytes + *length);
    }
    fail_too_early();
}

void write_png_chunk(ByteSink& sink, std::string_view type, std::span<const std::byte> data,
                     std::span<const std::byte> more) {
    std::array<std::byte, 4> number{};
    put_big_endian(number, static_cast<std::uint32_t>(data.size() + more.size()));
    sink.write(number);
    sink.write(type);
    sink.write(data);
    sink.write(more);
    const uLong sum = checksum(checksum(checksum(0, std::as_bytes(std::span(type))), data), more);
    put_big_endian(number, static_cast<std::uint32_t>(sum));
    sink.write(number);
}

} // namespace coldbrick::files
