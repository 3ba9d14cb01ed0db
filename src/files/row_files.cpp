#include <coldbrick/row_files.hpp>

#include "files/codecs/codec.hpp"
#include "files/decode.hpp"
#include "files/stored_rows.hpp"
#include "files/system/output_file.hpp"
#include "files/system/read_file.hpp"
#include "files/system/streams.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <memory>
#include <utility>

namespace coldbrick {

namespace {

/// Throws ArgumentError unless the rows can be the next ones.
void check_rows(const ConstImageView& rows, Size size, PixelFormat format, std::int32_t done) {
    if (rows.width() != size.width)
        throw ArgumentError(
            fmt::format("rows of {} pixels do not fit a picture of {}", rows.width(), size.width));
    if (rows.format() != format)
        throw ArgumentError(fmt::format("rows of {} do not fit a picture of {}", layout(rows.format()).name,
                                        layout(format).name));
    if (rows.height() > size.height - done)
        throw ArgumentError(
            fmt::format("{} rows are more than the {} that are left", rows.height(), size.height - done));
}

} // namespace

// ----------------------------------------------------------------------------------------- writing

struct RowWriter::State {
    Size size;
    PixelFormat format;
    files::Storage storage;
    std::optional<files::OutputFile> file; ///< one of these two
    std::optional<files::StreamSink> stream;
    std::unique_ptr<files::RowEncoder> encoder;
    std::int32_t done = 0;

    State(FileType type, Size whole, PixelFormat of, const EncodeOptions& options, const Palette* palette)
        : size(whole), format(of) {
        if (size.width < 1 || size.height < 1)
            throw ArgumentError(fmt::format("a picture of {} x {} pixels has none", size.width, size.height));
        const Palette* const own = format != PixelFormat::indexed8 ? nullptr
                                   : palette != nullptr            ? palette
                                                                   : &default_palette();
        storage = files::settle_storage(size, format, own, files::codec_of(type), options);
    }

    void start(FileType type, const EncodeOptions& options) {
        files::ByteSink& sink = file ? static_cast<files::ByteSink&>(*file) : *stream;
        encoder = files::codec_of(type).encoder(sink, storage.picture, options);
    }
};

RowWriter::RowWriter(const FileName& path, Size size, PixelFormat format, const EncodeOptions& options,
                     const Palette* palette)
    : RowWriter(path, file_type(path), size, format, options, palette) {}

RowWriter::RowWriter(const FileName& path, FileType type, Size size, PixelFormat format,
                     const EncodeOptions& options, const Palette* palette)
    : state_(nullptr) {
    auto state = std::make_unique<State>(type, size, format, options, palette);
    state->file.emplace(path.text());
    state->start(type, options);
    state_ = state.release();
}

RowWriter::RowWriter(std::ostream& stream, FileType type, Size size, PixelFormat format,
                     const EncodeOptions& options, const Palette* palette)
    : state_(nullptr) {
    auto state = std::make_unique<State>(type, size, format, options, palette);
    state->stream.emplace(stream);
    state->start(type, options);
    state_ = state.release();
}

RowWriter::RowWriter(RowWriter&& other) noexcept : state_(std::exchange(other.state_, nullptr)) {}

RowWriter::~RowWriter() {
    delete state_;
}

std::int32_t RowWriter::rows() const {
    return state_->done;
}

void RowWriter::write(const ConstImageView& rows) {
    check_rows(rows, state_->size, state_->format, state_->done);
    files::encode_rows(rows, state_->storage, state_->done, *state_->encoder);
    state_->done += rows.height();
}

void RowWriter::finish() {
    if (state_->done < state_->size.height)
        throw ArgumentError(
            fmt::format("the picture ends after {} of its {} rows", state_->done, state_->size.height));
    state_->encoder->finish();
    if (state_->file) state_->file->commit();
    if (state_->stream) state_->stream->flush();
}

// ----------------------------------------------------------------------------------------- reading

namespace {

/// Hands out the rows of a picture that was decoded whole.
class DecodedRows final : public files::RowDecoder {
  public:
    explicit DecodedRows(Image image) : image_(std::move(image)) {}

    [[nodiscard]] files::StoredPicture picture() const override {
        files::StoredPicture result{.size = image_.size(), .format = image_.format()};
        if (const Palette* const palette = image_.view().palette()) result.palette = *palette;
        return result;
    }
    void row(std::span<std::byte> row) override {
        std::ranges::copy(image_.view().row(next_++), row.begin());
    }

  private:
    Image image_;
    std::int32_t next_ = 0;
};

} // namespace

struct RowReader::State {
    std::string name; ///< of the file, with a colon; empty for a stream
    std::optional<files::InputFile> file;
    std::optional<files::StreamSource> stream;
    std::optional<files::SourceFromBeginning> whole;
    std::unique_ptr<files::RowDecoder> rows;
    files::StoredPicture picture;
    std::int32_t done = 0;

    void start(files::ByteSource& source, const DecodeLimits& limits) {
        files::check_decode_limits(limits);
        std::vector<std::byte> beginning(64);
        beginning.resize(files::read_fully(source, beginning));
        files::naming_file(name, [&] {
            const files::Codec& codec = files::known_codec_of(beginning);
            whole.emplace(std::move(beginning), source);
            if (codec.row_decoder != nullptr) {
                rows = codec.row_decoder(*whole, limits);
            } else {
                rows = std::make_unique<DecodedRows>(
                    files::decode_with(codec, files::read_rest(*whole, files::most_file_bytes(limits)),
                                       {.limits = limits, .upright = false}));
            }
            picture = rows->picture();
        });
    }
};

RowReader::RowReader(const FileName& path, const DecodeLimits& limits) : state_(nullptr) {
    auto state = std::make_unique<State>();
    state->name = files::name_before(path);
    state->file.emplace(path.text());
    state->start(*state->file, limits);
    state_ = state.release();
}

RowReader::RowReader(std::istream& stream, const DecodeLimits& limits) : state_(nullptr) {
    auto state = std::make_unique<State>();
    state->stream.emplace(stream);
    state->start(*state->stream, limits);
    state_ = state.release();
}

RowReader::RowReader(RowReader&& other) noexcept : state_(std::exchange(other.state_, nullptr)) {}

RowReader::~RowReader() {
    delete state_;
}

Size RowReader::size() const {
    return state_->picture.size;
}

PixelFormat RowReader::format() const {
    return state_->picture.format;
}

const Palette* RowReader::palette() const {
    return state_->picture.palette ? &*state_->picture.palette : nullptr;
}

std::int32_t RowReader::rows() const {
    return state_->done;
}

void RowReader::read(const ImageView& rows) {
    check_rows(rows, size(), format(), state_->done);
    if (rows.pixel_stride_bytes() != layout(format()).bytes)
        throw ArgumentError("rows are not read into single channels of other pixels");
    files::naming_file(state_->name, [&] {
        for (std::int32_t y = 0; y < rows.height(); ++y) state_->rows->row(rows.row(y));
        state_->done += rows.height();
        if (state_->done == size().height) state_->rows->finish();
    });
}

} // namespace coldbrick
