#include <coldbrick/reel.hpp>

#include "base/range_checks.hpp"
#include "files/extensions.hpp"
#include "files/reels/reel_encoder.hpp"
#include "files/system/output_file.hpp"
#include "files/system/shown_path.hpp"
#include "files/system/streams.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/quantise.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <filesystem>
#include <memory>
#include <string>
#include <utility>
#include <vector>

namespace coldbrick {

namespace files {

namespace {

constexpr std::array all_reel_codecs{&png_reel, &gif_reel, &webp_reel, &y4m_reel};

void check_reel_options(ReelType type, const ReelOptions& options) {
    constexpr std::int64_t most = 1'000'000;
    base::check_range("frames of a rate", options.rate.frames, 1, most);
    base::check_range("seconds of a rate", options.rate.seconds, 1, most);
    base::check_range("number of repeats", options.repeats, 0, 65535);
    if (options.frame_count) base::check_range("number of frames", *options.frame_count, 1, 0x7FFFFFFF);
    if (options.quality) base::check_range("quality", *options.quality, 1, 100);
    if (options.compression) base::check_range("compression level", *options.compression, 0, 9);
    if (options.quality && options.compression)
        throw ArgumentError("a quality and a compression level exclude each other");
    base::check_choice("chroma subsampling", options.subsampling, ChromaSubsampling::both);
    const auto check = [](bool given, bool taken, std::string_view what) {
        if (given && !taken)
            throw ArgumentError(fmt::format("{} means nothing to a reel of this type", what));
    };
    check(options.palette.has_value(), type == ReelType::gif, "a palette");
    check(options.quality.has_value(), type == ReelType::webp, "a quality");
    check(options.compression.has_value(), type == ReelType::png || type == ReelType::webp,
          "a compression level");
    check(options.background.has_value(), type == ReelType::y4m, "a background");
}

/// Splits a path at the run of # in its name.
struct NumberedPath {
    std::string before;
    std::size_t digits;
    std::string after;

    explicit NumberedPath(std::string_view path) {
        const std::size_t begin = path.rfind('#', std::string_view::npos);
        std::size_t first = begin;
        while (first > 0 && path[first - 1] == '#') --first;
        before = path.substr(0, first);
        digits = begin + 1 - first;
        after = path.substr(begin + 1);
    }

    [[nodiscard]] std::string of(std::int64_t number) const {
        return fmt::format("{}{:0{}}{}", before, number, digits, after);
    }
};

/// Saves each frame as a picture.
class NumberedReel final : public ReelEncoder {
  public:
    NumberedReel(std::string_view path, const EncodeOptions& options) : path_(path), options_(options) {
        (void)file_type(path_.of(0)); // which must be known before the first frame is made
    }
    void add(const ConstImageView& frame, const FrameTimes&) override {
        save(frame, path_.of(next_++), options_);
    }
    void finish() override {}

  private:
    NumberedPath path_;
    EncodeOptions options_;
    std::int64_t next_ = 0;
};

bool is_numbered(const FileName& path) {
    return std::filesystem::path(path.text()).filename().string().find('#') != std::string::npos;
}

} // namespace

std::span<const ReelCodec* const> reel_codecs() {
    return all_reel_codecs;
}

} // namespace files

ReelType reel_type(const FileName& path) {
    if (files::is_numbered(path)) return ReelType::numbered;
    const std::string extension = files::lower_extension(path);
    std::vector<std::string_view> known;
    for (const files::ReelCodec* const codec : files::reel_codecs()) {
        if (std::ranges::find(codec->extensions, extension) != codec->extensions.end()) return codec->type;
        known.insert(known.end(), codec->extensions.begin(), codec->extensions.end());
    }
    files::fail_unknown_extension(path, extension, known);
}

namespace files {

namespace {

ReelType type_of(const FileName& path, const ReelOptions& options) {
    if (options.type == ReelType::numbered && !is_numbered(path))
        throw ArgumentError("the name of numbered pictures has no #");
    return options.type ? *options.type : reel_type(path);
}

} // namespace

} // namespace files

struct ReelWriter::State {
    ReelType type;
    ReelOptions options;
    std::string path;                      ///< empty for a stream
    std::optional<files::OutputFile> file; ///< one of these two, unless the reel is numbered
    std::optional<files::StreamSink> stream;
    std::unique_ptr<files::ReelEncoder> encoder; ///< from the first frame on
    Size size{};
    PixelFormat format{};
    std::int32_t count = 0;
    files::Moment now;

    State(ReelType kind, const ReelOptions& how) : type(kind), options(how) {
        base::check_choice("type of a reel", type, ReelType::numbered);
        files::check_reel_options(type, options);
    }

    void start(const ConstImageView& frame) {
        size = frame.size();
        format = frame.format();
        if (type == ReelType::numbered) {
            encoder = std::make_unique<files::NumberedReel>(path, options.numbered);
            return;
        }
        if (!path.empty()) file.emplace(path);
        files::ByteSink& sink = file ? static_cast<files::ByteSink&>(*file) : *stream;
        const auto* const codec = *std::ranges::find(files::reel_codecs(), type, &files::ReelCodec::type);
        encoder = codec->encoder(sink, size, format, frame.palette(), options);
    }

    void check(const ConstImageView& frame) const {
        if (options.frame_count && count == *options.frame_count)
            throw ArgumentError(fmt::format("there are more frames than the {} that were told", count));
        if (count == 0) return;
        if (frame.size() != size)
            throw ArgumentError(fmt::format("a frame of {} x {} pixels does not fit a reel of {} x {}",
                                            frame.width(), frame.height(), size.width, size.height));
        if (frame.format() != format)
            throw ArgumentError(fmt::format("a frame of {} does not fit a reel of {}",
                                            layout(frame.format()).name, layout(format).name));
    }

    void add(const ConstImageView& frame, const files::Moment& end) {
        check(frame);
        if (count == 0) start(frame);
        encoder->add(frame, {now, end, options.rate});
        now = end;
        ++count;
    }
};

ReelWriter::ReelWriter(const FileName& path, const ReelOptions& options)
    : state_(new State(files::type_of(path, options), options)) {
    state_->path = path.text();
}

ReelWriter::ReelWriter(std::ostream& stream, ReelType type, const ReelOptions& options) : state_(nullptr) {
    if (type == ReelType::numbered) throw ArgumentError("numbered pictures do not go into one stream");
    state_ = new State(type, options);
    state_->stream.emplace(stream);
}

ReelWriter::ReelWriter(ReelWriter&& other) noexcept : state_(std::exchange(other.state_, nullptr)) {}

ReelWriter::~ReelWriter() {
    delete state_;
}

void ReelWriter::add(const ConstImageView& frame) {
    files::Moment end = state_->now;
    ++end.frames;
    state_->add(frame, end);
}

void ReelWriter::add(const ConstImageView& frame, Duration duration) {
    constexpr std::int64_t longest = std::int64_t{1'000'000} * 86'400;
    base::check_range("microseconds of a frame", duration.microseconds, 1, longest);
    files::Moment end = state_->now;
    end.microseconds += duration.microseconds;
    state_->add(frame, end);
}

void ReelWriter::finish() {
    const State& state = *state_;
    if (state.count == 0) throw ArgumentError("a reel without frames was asked for");
    if (state.options.frame_count && state.count != *state.options.frame_count)
        throw ArgumentError(fmt::format("there are {} frames, not the {} that were told", state.count,
                                        *state.options.frame_count));
    state_->encoder->finish();
    if (state_->file) state_->file->commit();
    if (state_->stream) state_->stream->flush();
}

namespace {

/// Tells the progress, where somebody asks for it.
class Steps {
  public:
    Steps(Progress progress, std::int64_t all) : progress_(progress), all_(all) {}
    void next() {
        ++done_;
        if (progress_) progress_(done_, all_);
    }

  private:
    Progress progress_;
    std::int64_t all_;
    std::int64_t done_ = 0;
};

/// Writes frames with a writer that make_writer(options) gives once their colours are settled.
template <class MakeWriter>
void write_frames(ReelType type, std::int32_t first, std::int32_t last, FrameMaker frame, ReelOptions options,
                  Progress progress, MakeWriter make_writer) {
    base::check_range("first frame", first, 0, 0x7FFFFFFE);
    base::check_range("last frame", last, first, 0x7FFFFFFE);
    files::check_reel_options(type, options);
    const std::int32_t count = last - first + 1;
    const bool chooses = type == ReelType::gif && !options.palette;
    Steps steps(progress, std::int64_t{count} * (chooses ? 2 : 1));
    if (chooses) {
        ColourCensus census;
        for (std::int32_t i = 0; i < count; ++i, steps.next()) census.add(frame(first + i));
        options.palette = census.palette();
    }
    options.frame_count = count;
    ReelWriter writer = make_writer(options);
    for (std::int32_t i = 0; i < count; ++i, steps.next()) writer.add(frame(first + i));
    writer.finish();
}

} // namespace

void write_reel(const FileName& path, std::int32_t first, std::int32_t last, FrameMaker frame,
                ReelOptions options, Progress progress) {
    const ReelType type = files::type_of(path, options);
    write_frames(type, first, last, frame, std::move(options), progress,
                 [&](const ReelOptions& settled) { return ReelWriter(path, settled); });
}

void write_reel(std::ostream& stream, ReelType type, std::int32_t first, std::int32_t last, FrameMaker frame,
                ReelOptions options, Progress progress) {
    write_frames(type, first, last, frame, std::move(options), progress,
                 [&](const ReelOptions& settled) { return ReelWriter(stream, type, settled); });
}

} // namespace coldbrick
