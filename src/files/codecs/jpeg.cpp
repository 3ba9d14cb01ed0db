#include "files/codecs/codec.hpp"

#include "files/codecs/exif.hpp"
#include "files/fields.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio> // jpeglib.h needs it
#include <cstdlib>
#include <string>
#include <vector>

#include <jpeglib.h>

#include <jerror.h>

namespace coldbrick::files {

namespace {

constexpr int usual_quality = 90;

std::string message_of(j_common_ptr codec) {
    std::array<char, JMSG_LENGTH_MAX> text{};
    codec->err->format_message(codec, text.data());
    return text.data();
}

/// libjpeg leaves by this function instead of exit(), so that C++ objects are destroyed.
[[noreturn]] void fail_in_jpeg(j_common_ptr codec) {
    throw FileError(fmt::format("cannot {} JPEG: {}", codec->is_decompressor != 0 ? "decode" : "encode",
                                message_of(codec)));
}

/// What libjpeg would go on with in spite of broken pixels is an error, too.
void note_message(j_common_ptr codec, int level) {
    constexpr std::array harmless{JWRN_EXTRANEOUS_DATA, JWRN_ADOBE_XFORM, JWRN_JFIF_MAJOR};
    if (level < 0 && std::ranges::find(harmless, codec->err->msg_code) == harmless.end()) fail_in_jpeg(codec);
}

void print_nothing(j_common_ptr) {}

jpeg_error_mgr error_handling() {
    jpeg_error_mgr result{};
    jpeg_std_error(&result);
    result.error_exit = fail_in_jpeg;
    result.emit_message = note_message;
    result.output_message = print_nothing;
    return result;
}

// ----------------------------------------------------------------------------------------- decoding

/// Files of very many scans would take a minute for a few bytes.
void limit_scans(j_common_ptr codec) {
    constexpr int most_scans = 200;
    if (reinterpret_cast<j_decompress_ptr>(codec)->input_scan_number > most_scans)
        throw FileError(fmt::format("cannot decode JPEG: it has more than {} scans", most_scans));
}

/// The structures that libjpeg keeps while it reads.
class Decompressor {
  public:
    explicit Decompressor(std::span<const std::byte> file)
        : Decompressor() { // so that the structures are freed whatever is thrown from here on
        progress_.progress_monitor = limit_scans;
        codec_.progress = &progress_;
        jpeg_mem_src(&codec_, reinterpret_cast<const unsigned char*>(file.data()), file.size());
        for (const int application : {1, 2}) jpeg_save_markers(&codec_, JPEG_APP0 + application, 0xFFFF);
        jpeg_read_header(&codec_, TRUE);
    }
    Decompressor(const Decompressor&) = delete;
    Decompressor& operator=(const Decompressor&) = delete;
    ~Decompressor() { jpeg_destroy_decompress(&codec_); }

    jpeg_decompress_struct* operator->() { return &codec_; }
    jpeg_decompress_struct* get() { return &codec_; }

    [[nodiscard]] Size size() const {
        return {static_cast<std::int32_t>(codec_.image_width),
                static_cast<std::int32_t>(codec_.image_height)};
    }
    [[nodiscard]] PixelFormat format() const {
        return codec_.num_components == 1 ? PixelFormat::gray8 : PixelFormat::rgb8;
    }
    [[nodiscard]] bool has_black() const { return codec_.num_components == 4; }

    /// The data of the marker that begins with this text, without it; empty if there is none.
    [[nodiscard]] std::span<const std::byte> marker(int application, std::string_view beginning) const {
        for (const jpeg_marker_struct* marker = codec_.marker_list; marker != nullptr;
             marker = marker->next) {
            const auto data = std::as_bytes(std::span(marker->data, marker->data_length));
            if (marker->marker == JPEG_APP0 + application && says(data, 0, beginning))
                return data.subspan(beginning.size());
        }
        return {};
    }

  private:
    Decompressor() : errors_(error_handling()) {
        codec_.err = &errors_;
        jpeg_create_decompress(&codec_);
    }

    jpeg_error_mgr errors_;
    jpeg_progress_mgr progress_{};
    jpeg_decompress_struct codec_{};
};

constexpr std::string_view exif_name("Exif\0\0", 6);

/// Cyan, magenta, yellow and black to red, green and blue. Adobe's programs, which write nearly all such
/// files, store them inverted.
void mix_inks(std::span<const std::byte> inks, std::span<std::byte> row, bool inverted) {
    const auto light = [inverted](std::byte ink) {
        return inverted ? std::to_integer<unsigned>(ink) : 255U - std::to_integer<unsigned>(ink);
    };
    for (std::size_t pixel = 0; 3 * pixel < row.size(); ++pixel) {
        const unsigned black = light(inks[4 * pixel + 3]);
        for (std::size_t i = 0; i < 3; ++i)
            row[3 * pixel + i] = std::byte((light(inks[4 * pixel + i]) * black + 127) / 255);
    }
}

void read_rows(Decompressor& codec, const ImageView& image) {
    std::vector<std::byte> inks(codec.has_black() ? 4 * static_cast<std::size_t>(image.width()) : 0);
    while (codec->output_scanline < codec->output_height) {
        const std::span<std::byte> row = image.row(static_cast<std::int32_t>(codec->output_scanline));
        auto* line = reinterpret_cast<JSAMPROW>(codec.has_black() ? inks.data() : row.data());
        jpeg_read_scanlines(codec.get(), &line, 1);
        if (codec.has_black()) mix_inks(inks, row, codec->saw_Adobe_marker != 0);
    }
}

Image decode_jpeg(std::span<const std::byte> file, const DecodeLimits& limits) {
    Decompressor codec(file);
    check_limits(codec.size(), codec.format(), limits);
    codec->mem->max_memory_to_use =
        static_cast<long>(std::min<std::size_t>(limits.bytes, 1U << 30U)) + (1 << 24);
    codec->out_color_space = codec.has_black()                      ? JCS_CMYK
                             : codec.format() == PixelFormat::gray8 ? JCS_GRAYSCALE
                                                                    : JCS_RGB;
    jpeg_start_decompress(codec.get());
    Image image = image_within(limits, codec.size(), codec.format());
    read_rows(codec, image);
    jpeg_finish_decompress(codec.get());
    return image;
}

Exif exif_of(const Decompressor& codec) {
    const auto data = codec.marker(1, exif_name);
    return data.empty() ? Exif{} : read_exif(data);
}

Orientation jpeg_orientation(std::span<const std::byte> file) {
    return exif_of(Decompressor(file)).orientation;
}

ImageInfo inspect_jpeg(std::span<const std::byte> file) {
    Decompressor codec(file);
    const Exif exif = exif_of(codec);
    ImageInfo info{.type = FileType::jpeg,
                   .size = exif.orientation.laid(codec.size()),
                   .format = codec.format(),
                   .channels = codec->num_components,
                   .bits = codec->data_precision,
                   .orientation = exif.orientation,
                   .resolution = exif.resolution};
    if (codec->saw_JFIF_marker != 0 && codec->density_unit != 0 && codec->X_density > 0) {
        const double units_per_inch = codec->density_unit == 2 ? 2.54 : 1;
        info.resolution = {codec->X_density * units_per_inch, codec->Y_density * units_per_inch};
    }
    if (!codec.marker(2, "ICC_PROFILE").empty()) info.colour_profile = "ICC";
    return info;
}

// ----------------------------------------------------------------------------------------- encoding

/// Collects what libjpeg writes and hands it on.
struct SinkDestination : jpeg_destination_mgr {
    explicit SinkDestination(ByteSink& sink_) : jpeg_destination_mgr(), sink(&sink_) {
        init_destination = [](j_compress_ptr codec) { of(codec).empty_buffer(); };
        empty_output_buffer = [](j_compress_ptr codec) -> boolean {
            of(codec).hand_on(of(codec).buffer.size());
            return TRUE;
        };
        term_destination = [](j_compress_ptr codec) {
            of(codec).hand_on(of(codec).buffer.size() - of(codec).free_in_buffer);
        };
    }

    static SinkDestination& of(j_compress_ptr codec) { return static_cast<SinkDestination&>(*codec->dest); }

    void empty_buffer() {
        next_output_byte = reinterpret_cast<JOCTET*>(buffer.data());
        free_in_buffer = buffer.size();
    }
    void hand_on(std::size_t count) {
        sink->write(std::span<const std::byte>(buffer).first(count));
        empty_buffer();
    }

    ByteSink* sink;
    std::array<std::byte, 1U << 14U> buffer{};
};

class JpegEncoder final : public RowEncoder {
  public:
    JpegEncoder(ByteSink& sink, const StoredPicture& picture, const EncodeOptions& options)
        : JpegEncoder(sink) { // so that the structures are freed whatever is thrown from here on
        constexpr std::int32_t most = JPEG_MAX_DIMENSION;
        if (picture.size.width > most || picture.size.height > most)
            throw FileError(fmt::format("a JPEG file cannot hold {} x {} pixels, only up to {} x {}",
                                        picture.size.width, picture.size.height, most, most));
        codec_.image_width = static_cast<JDIMENSION>(picture.size.width);
        codec_.image_height = static_cast<JDIMENSION>(picture.size.height);
        codec_.input_components = layout(picture.format).bytes;
        codec_.in_color_space = codec_.input_components == 1 ? JCS_GRAYSCALE : JCS_RGB;
        jpeg_set_defaults(&codec_);
        jpeg_set_quality(&codec_, options.quality.value_or(usual_quality), TRUE);
        codec_.optimize_coding = options.smallest ? TRUE : FALSE;
        set_subsampling(codec_, options.subsampling);
        if (options.progressive) jpeg_simple_progression(&codec_);
        if (options.resolution) set_resolution(*options.resolution);
        jpeg_start_compress(&codec_, TRUE);
    }
    JpegEncoder(const JpegEncoder&) = delete;
    JpegEncoder& operator=(const JpegEncoder&) = delete;
    ~JpegEncoder() override { jpeg_destroy_compress(&codec_); }

    void row(std::span<const std::byte> row) override {
        auto* line = const_cast<JSAMPROW>(reinterpret_cast<const JSAMPLE*>(row.data()));
        jpeg_write_scanlines(&codec_, &line, 1);
    }

    void finish() override { jpeg_finish_compress(&codec_); }

  private:
    explicit JpegEncoder(ByteSink& sink) : errors_(error_handling()), destination_(sink) {
        codec_.err = &errors_;
        jpeg_create_compress(&codec_);
        codec_.dest = &destination_;
    }

    static void set_subsampling(jpeg_compress_struct& codec, ChromaSubsampling subsampling) {
        if (codec.input_components == 1) subsampling = ChromaSubsampling::none; // there is nothing to share
        codec.comp_info[0].h_samp_factor = subsampling == ChromaSubsampling::none ? 1 : 2;
        codec.comp_info[0].v_samp_factor = subsampling == ChromaSubsampling::both ? 2 : 1;
    }

    void set_resolution(const Resolution& resolution) {
        codec_.density_unit = 1; // an inch
        codec_.X_density = static_cast<UINT16>(std::lround(resolution.across));
        codec_.Y_density = static_cast<UINT16>(std::lround(resolution.down));
    }

    jpeg_error_mgr errors_;
    SinkDestination destination_;
    jpeg_compress_struct codec_{};
};

std::unique_ptr<RowEncoder> jpeg_encoder(ByteSink& sink, const StoredPicture& picture,
                                         const EncodeOptions& options) {
    return std::make_unique<JpegEncoder>(sink, picture, options);
}

bool begins_as_jpeg(std::span<const std::byte> file) {
    return says(file, 0, "\xFF\xD8\xFF");
}

constexpr std::string_view jpeg_extensions[] = {".jpg", ".jpeg"};

} // namespace

const Codec jpeg_codec{
    .type = FileType::jpeg,
    .name = "JPEG",
    .extensions = jpeg_extensions,
    .holds = {.gray = true},
    .takes = {.quality = true, .subsampling = true, .smallest = true, .resolution = true},
    .begins = begins_as_jpeg,
    .inspect = inspect_jpeg,
    .decode = decode_jpeg,
    .encoder = jpeg_encoder,
    .orientation = jpeg_orientation,
};

} // namespace coldbrick::files
