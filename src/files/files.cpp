#include <coldbrick/files.hpp>

#include "files/codecs/codec.hpp"
#include "files/extensions.hpp"
#include "files/stored_rows.hpp"
#include "files/system/output_file.hpp"
#include "files/system/streams.hpp"

#include <algorithm>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace coldbrick {

FileType file_type(const FileName& path) {
    const std::string extension = files::lower_extension(path);
    std::vector<std::string_view> known;
    for (const files::Codec* const codec : files::codecs()) {
        if (std::ranges::find(codec->extensions, extension) != codec->extensions.end()) return codec->type;
        known.insert(known.end(), codec->extensions.begin(), codec->extensions.end());
    }
    files::fail_unknown_extension(path, extension, known);
}

std::string_view extension(FileType type) {
    return files::codec_of(type).extensions[0];
}

std::vector<std::byte> encode(const ConstImageView& image, FileType type, const EncodeOptions& options) {
    files::MemorySink sink;
    files::encode_to(sink, image, files::codec_of(type), options);
    return std::move(sink.bytes());
}

void save(const ConstImageView& image, const FileName& path, const EncodeOptions& options) {
    save(image, path, file_type(path), options);
}

void save(const ConstImageView& image, const FileName& path, FileType type, const EncodeOptions& options) {
    const files::Codec& codec = files::codec_of(type);
    const files::Storage storage = files::settle_storage(image, codec, options); // before there is a file
    files::OutputFile file(path.text());
    const auto encoder = codec.encoder(file, storage.picture, options);
    files::encode_rows(image, storage, 0, *encoder);
    encoder->finish();
    file.commit();
}

void save(const ConstImageView& image, std::ostream& stream, FileType type, const EncodeOptions& options) {
    files::StreamSink sink(stream);
    files::encode_to(sink, image, files::codec_of(type), options);
    sink.flush();
}

void write_file(const FileName& path, std::span<const std::byte> bytes) {
    files::OutputFile file(path.text());
    file.write(bytes);
    file.commit();
}

} // namespace coldbrick
