#include <coldbrick/reel.hpp>

#include "base/own_state.hpp"
#include "base/range_checks.hpp"
#include "files/reels/numbered_reel.hpp"
#include "files/reels/reel_encoder.hpp"
#include "files/system/output_file.hpp"
#include "files/system/streams.hpp"
#include "files/writer_stage.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/quantise.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <filesystem>
#include <memory>
#include <string>
#include <system_error>
#include <utility>

namespace coldbrick {

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
    files::WriterStage stage;

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
        stage.check_open("reel");
        check(frame);
        stage.do_step([&] {
            if (count == 0) start(frame);
            encoder->add(frame, {now, end, options.rate});
        });
        now = end;
        ++count;
    }
};

ReelWriter::ReelWriter(const FileName& path, const ReelOptions& options)
    : state_(base::owned(std::make_unique<State>(files::reel_type_of(path, options), options))) {
    state_->path = path.text();
}

ReelWriter::ReelWriter(std::ostream& stream, ReelType type, const ReelOptions& options)
    : state_(base::owned(std::make_unique<State>(type, options))) {
    if (type == ReelType::numbered) throw ArgumentError("numbered pictures do not go into one stream");
    state_->stream.emplace(stream);
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
    State& state = *state_;
    state.stage.check_open("reel");
    if (state.count == 0) throw ArgumentError("a reel without frames was asked for");
    if (state.options.frame_count && state.count != *state.options.frame_count)
        throw ArgumentError(fmt::format("there are {} frames, not the {} that were told", state.count,
                                        *state.options.frame_count));
    state.stage.end([&] {
        state.encoder->finish();
        if (state.file) state.file->commit();
        if (state.stream) state.stream->flush();
    });
}

namespace {

/// Throws FileError if a file at the path could not be written, before its frames are made.
void check_can_write(const std::filesystem::path& path) {
    std::error_code ignored;
    const auto status = std::filesystem::status(path, ignored);
    if (!std::filesystem::is_other(status)) files::OutputFile probe(path); // others are written straight
}

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
    const ReelType type = files::reel_type_of(path, options);
    if (type != ReelType::numbered) check_can_write(path.text());
    write_frames(type, first, last, frame, std::move(options), progress,
                 [&](const ReelOptions& settled) { return ReelWriter(path, settled); });
}

void write_reel(std::ostream& stream, ReelType type, std::int32_t first, std::int32_t last, FrameMaker frame,
                ReelOptions options, Progress progress) {
    write_frames(type, first, last, frame, std::move(options), progress,
                 [&](const ReelOptions& settled) { return ReelWriter(stream, type, settled); });
}

} // namespace coldbrick
