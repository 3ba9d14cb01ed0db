/// @file
/// Files decoded, whatever their type.
#pragma once

#include "files/codecs/codec.hpp"
#include "files/system/shown_path.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/image.hpp>

#include <fmt/core.h>

#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::files {

/// Decodes a file of a known type with all that the options say.
/// @throws FileError as decode().
Image decode_with(const Codec& codec, std::span<const std::byte> file, const DecodeOptions& options);

/// The bytes of an image file; only the first ones if they are of no known type.
/// @throws FileError naming the path if the system refuses, or if there are too many for the limits.
std::vector<std::byte> read_image_file(const FileName& path, const DecodeLimits& limits);

/// What a file itself may take: more than its pixels.
std::size_t most_file_bytes(const DecodeLimits& limits);

/// Throws ArgumentError if a limit is below 1.
void check_decode_limits(const DecodeLimits& limits);

/// Calls call(), whose ArgumentError is of an image that the file claims, and thus the file's.
template <class Call>
auto without_argument_errors(Call call) {
    try {
        return call();
    } catch (const ArgumentError& error) {
        throw FileError(fmt::format("cannot decode the image: {}", error.what()));
    }
}

/// The same, with a file's name and a colon, if there are any, before the text of what is wrong.
template <class Call>
auto naming_file(std::string_view name, Call call) {
    try {
        return without_argument_errors(call);
    } catch (const FileError& error) {
        throw FileError(std::string(name) + error.what());
    }
}

/// A file's name as it stands before what is wrong.
inline std::string name_before(const FileName& path) {
    return shown(path.text()) + ": ";
}

/// The codec of a file that begins so. @throws FileError if it is of no known type.
const Codec& known_codec_of(std::span<const std::byte> file);

} // namespace coldbrick::files
