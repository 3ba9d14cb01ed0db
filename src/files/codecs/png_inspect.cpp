#include "files/codecs/png.hpp"

#include "files/codecs/exif.hpp"
#include "files/codecs/png_chunks.hpp"
#include "files/fields.hpp"
#include "files/stored_format.hpp"
#include "files/units.hpp"

#include <coldbrick/error.hpp>

#include <zlib.h>

#include <algorithm>
#include <string>
#include <utility>

namespace coldbrick::files {

namespace {

std::string_view text_of(std::span<const std::byte> bytes) {
    return {reinterpret_cast<const char*>(bytes.data()), bytes.size()};
}

std::string utf8_of_latin1(std::string_view latin) {
    std::string result;
    for (const char c : latin) {
        const auto byte = static_cast<unsigned char>(c);
        if (byte < 0x80) {
            result += c;
        } else {
            result += static_cast<char>(0xC0U | byte >> 6U);
            result += static_cast<char>(0x80U | (byte & 0x3FU));
        }
    }
    return result;
}

/// A compressed text, of which not more than a megabyte is read.
std::string inflated(std::string_view packed) {
    constexpr uLongf most = 1U << 20U;
    std::string result(most, '\0');
    uLongf size = most;
    const int status = uncompress(reinterpret_cast<Bytef*>(result.data()), &size,
                                  reinterpret_cast<const Bytef*>(packed.data()), packed.size());
    if (status != Z_OK && status != Z_BUF_ERROR)
        throw FileError("cannot decode PNG: a compressed text is broken");
    result.resize(size);
    return result;
}

/// Takes what is before the next character 0, which is passed over.
std::string_view take_field(std::string_view& rest) {
    const std::size_t end = rest.find('\0');
    if (end == std::string_view::npos) throw FileError("cannot decode PNG: a text's keyword has no end");
    const std::string_view field = rest.substr(0, end);
    rest.remove_prefix(end + 1);
    return field;
}

/// What a chunk of the types tEXt, zTXt and iTXt says (W3C PNG, third edition, section 11.3.3).
FileText file_text(const PngChunk& chunk) {
    std::string_view rest = text_of(chunk.data);
    FileText result;
    result.keyword = utf8_of_latin1(take_field(rest));
    if (chunk.type == "tEXt") {
        result.text = utf8_of_latin1(rest);
    } else if (chunk.type == "zTXt") {
        result.text = utf8_of_latin1(inflated(rest.substr(rest.empty() ? 0 : 1)));
    } else {
        const bool is_packed = !rest.empty() && rest[0] == 1;
        rest.remove_prefix(std::min<std::size_t>(2, rest.size()));
        (void)take_field(rest); // the language
        (void)take_field(rest); // the keyword in that language
        result.text = is_packed ? inflated(rest) : std::string(rest);
    }
    return result;
}

class PngInspector {
  public:
    ImageInfo inspect(std::span<const std::byte> file) {
        PngChunks chunks(file);
        while (const auto chunk = chunks.next())
            note(*chunk, Fields(chunk->data, "cannot decode PNG: a chunk is too short"));
        if (info_.size.width < 1) throw FileError("cannot decode PNG: the file has no header");
        settle_format();
        info_.size = info_.orientation.laid(info_.size);
        return std::move(info_);
    }

  private:
    void note(const PngChunk& chunk, const Fields& fields) {
        if (chunk.type == "IHDR") return note_header(fields);
        if (chunk.type == "tRNS") has_transparency_ = true;
        if (chunk.type == "acTL") note_animation(fields);
        if (chunk.type == "fcTL") info_.duration.microseconds += png_frame_duration(fields).microseconds;
        if (chunk.type == "sRGB") info_.colour_profile = "sRGB";
        if (chunk.type == "iCCP") {
            std::string_view rest = text_of(chunk.data);
            info_.colour_profile = utf8_of_latin1(take_field(rest));
        }
        if (chunk.type == "pHYs" && fields.byte(8) == 1)
            info_.resolution = {fields.big(0, 4) / inches_per_metre, fields.big(4, 4) / inches_per_metre};
        if (chunk.type == "eXIf") info_.orientation = read_exif(chunk.data).orientation;
        if (chunk.type == "tEXt" || chunk.type == "zTXt" || chunk.type == "iTXt")
            info_.texts.push_back(file_text(chunk));
    }

    void note_animation(const Fields& fields) {
        constexpr std::uint32_t most = 0x7FFFFFFF;
        info_.frames = fields.big(0, 4);
        info_.repeats = static_cast<std::int32_t>(std::min(fields.big(4, 4), most));
    }

    void note_header(const Fields& fields) {
        const std::uint32_t width = fields.big(0, 4);
        const std::uint32_t height = fields.big(4, 4);
        if (width < 1 || height < 1 || width > 0x7FFFFFFF || height > 0x7FFFFFFF)
            throw FileError("cannot decode PNG: the width or the height is not in 1..2147483647");
        info_.size = {static_cast<std::int32_t>(width), static_cast<std::int32_t>(height)};
        info_.bits = fields.byte(8);
        colour_type_ = fields.byte(9);
    }

    void settle_format() {
        constexpr unsigned palette = 1;
        constexpr unsigned colour = 2;
        constexpr unsigned alpha = 4;
        info_.type = FileType::png;
        const bool has_alpha = (colour_type_ & alpha) != 0;
        const bool has_colours = (colour_type_ & colour) != 0;
        if ((colour_type_ & palette) != 0) {
            info_.channels = 1;
            info_.format = PixelFormat::indexed8;
            return;
        }
        info_.channels = (has_colours ? 3 : 1) + (has_alpha ? 1 : 0);
        info_.format = format_with(has_colours, has_alpha || has_transparency_, info_.bits == 16);
    }

    ImageInfo info_{};
    unsigned colour_type_ = 0;
    bool has_transparency_ = false;
};

ImageInfo inspect_png(std::span<const std::byte> file) {
    return PngInspector().inspect(file);
}

/// What the chunk for it tells; the decoder sees whether the file is whole.
Orientation png_orientation(std::span<const std::byte> file) {
    PngChunks chunks(file, PngChunks::Checksums::ignored);
    while (const auto chunk = chunks.next())
        if (chunk->type == "eXIf") return read_exif(chunk->data).orientation;
    return {};
}

constexpr std::string_view png_extensions[] = {".png", ".apng"};

} // namespace

const Codec png_codec{
    .type = FileType::png,
    .name = "PNG",
    .extensions = png_extensions,
    .holds = {.gray = true, .alpha = true, .deep = true, .palette = true},
    .takes = {.compression = true, .smallest = true, .texts = true, .resolution = true},
    .begins = begins_as_png,
    .inspect = inspect_png,
    .decode = decode_png,
    .encoder = png_encoder,
    .orientation = png_orientation,
    .row_decoder = png_rows,
    .frames = png_frames,
};

} // namespace coldbrick::files
