#include <coldbrick/row_files.hpp>

#include "base/own_state.hpp"
#include "files/codecs/codec.hpp"
#include "files/decode.hpp"
#include "files/stored_rows.hpp"
#include "files/system/output_file.hpp"
#include "files/system/read_file.hpp"
#include "files/system/streams.hpp"
#include "files/writer_stage.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <memory>
#include <utility>

namespace coldbrick {

namespace {

/// True if numbers of entries mean the same colours. Null stands for default_palette().
bool are_alike(const Palette* a, const Palette* b) {
    const std::vector<Palette::Entry>& entries = (a == nullptr ? default_palette() : *a).entries();
    const std::vector<Palette::Entry>& others = (b == nullptr ? default_palette() : *b).entries();
    return a == b ||
           std::ranges::equal(entries, others, {}, &Palette::Entry::colour, &Palette::Entry::colour);
}

/// Throws ArgumentError unless the rows can be the next ones.
void check_rows(const ConstImageView& rows, Size size, PixelFormat format, const Palette* palette,
                std::int32_t done) {
    if (rows.width() != size.width)
        throw ArgumentError(
            fmt::format("rows of {} pixels do not fit a picture of {}", rows.width(), size.width));
    if (rows.format() != format)
        throw ArgumentError(fmt::format("rows of {} do not fit a picture of {}", layout(rows.format()).name,
                                        layout(format).name));
    if (format == PixelFormat::indexed8 && !are_alike(rows.palette(), palette))
        throw ArgumentError(
            "the rows have another palette than the picture: make their image with the picture's "
            "palette, or the writer with theirs");
    if (rows.height() > size.height - done)
        throw ArgumentError(
            fmt::format("{} rows are more than the {} that are left", rows.height(), size.height - done));
}

} // namespace

// ----------------------------------------------------------------------------------------- writing

struct RowWriter::State {
    Size size;
    PixelFormat format;
    std::optional<Palette> own; ///< of indexed8
    files::Storage storage;
    std::optional<files::OutputFile> file; ///< one of these two
    std::optional<files::StreamSink> stream;
    std::unique_ptr<files::RowEncoder> encoder;
    std::int32_t done = 0;
    files::WriterStage stage;

    State(FileType type, Size whole, PixelFormat of, const EncodeOptions& options, const Palette* palette)
        : size(whole), format(of) {
        if (size.width < 1 || size.height < 1)
            throw ArgumentError(fmt::format("a picture of {} x {} pixels has none", size.width, size.height));
        if (format == PixelFormat::indexed8) own = palette != nullptr ? *palette : default_palette();
        storage = files::settle_storage(size, format, own ? &*own : nullptr, files::codec_of(type), options);
    }

    /// @param open(state) opens the file or the stream
    template <class Open>
    static std::unique_ptr<State> started(FileType type, Size whole, PixelFormat of,
                                          const EncodeOptions& options, const Palette* palette,
                                          const Open& open) {
        auto state = std::make_unique<State>(type, whole, of, options, palette);
        open(*state);
        files::ByteSink& sink = state->file ? static_cast<files::ByteSink&>(*state->file) : *state->stream;
        state->encoder = files::codec_of(type).encoder(sink, state->storage.picture, options);
        return state;
    }
};

RowWriter::RowWriter(const FileName& path, Size size, PixelFormat format, const EncodeOptions& options,
                     const Palette* palette)
    : RowWriter(path, file_type(path), size, format, options, palette) {}

RowWriter::RowWriter(const FileName& path, FileType type, Size size, PixelFormat format,
                     const EncodeOptions& options, const Palette* palette)
    : state_(base::owned(State::started(type, size, format, options, palette,
                                        [&](State& state) { state.file.emplace(path.text()); }))) {}

RowWriter::RowWriter(std::ostream& stream, FileType type, Size size, PixelFormat format,
                     const EncodeOptions& options, const Palette* palette)
    : state_(base::owned(State::started(type, size, format, options, palette,
                                        [&](State& state) { state.stream.emplace(stream); }))) {}

std::int32_t RowWriter::rows() const {
    return state_->done;
}

void RowWriter::write(const ConstImageView& rows) {
    State& state = *state_;
    state.stage.check_open("picture");
    check_rows(rows, state.size, state.format, state.own ? &*state.own : nullptr, state.done);
    state.stage.do_step([&] { files::encode_rows(rows, state.storage, state.done, *state.encoder); });
    state.done += rows.height();
}

void RowWriter::finish() {
    State& state = *state_;
    state.stage.check_open("picture");
    if (state.done < state.size.height)
        throw ArgumentError(
            fmt::format("the picture ends after {} of its {} rows", state.done, state.size.height));
    state.stage.end([&] {
        state.encoder->finish();
        if (state.file) state.file->commit();
        if (state.stream) state.stream->flush();
    });
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

RowReader::RowReader(const FileName& path, const DecodeLimits& limits)
    : state_(base::owned(std::make_unique<State>())) {
    state_->name = files::name_before(path);
    state_->file.emplace(path.text());
    state_->start(*state_->file, limits);
}

RowReader::RowReader(std::istream& stream, const DecodeLimits& limits)
    : state_(base::owned(std::make_unique<State>())) {
    state_->stream.emplace(stream);
    state_->start(*state_->stream, limits);
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
    check_rows(rows, size(), format(), palette(), state_->done);
    if (rows.pixel_stride_bytes() != layout(format()).bytes)
        throw ArgumentError("rows are not read into single channels of other pixels");
    files::naming_file(state_->name, [&] {
        for (std::int32_t y = 0; y < rows.height(); ++y) state_->rows->row(rows.row(y));
        state_->done += rows.height();
        if (state_->done == size().height) state_->rows->finish();
    });
}

} // namespace coldbrick
