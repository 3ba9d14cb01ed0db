#include "files/pnm.hpp"

#include "base/limits.hpp"
#include "base/shown_text.hpp"
#include "files/channels.hpp"
#include "image/uninitialised_image.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <charconv>
#include <limits>
#include <span>
#include <string>
#include <string_view>

namespace coldbrick::files {

namespace {

/// The type to write, with pnm settled. @throws FileError if the type cannot hold so many channels.
FileType settle(FileType type, int channels, PixelFormat format) {
    if (type == FileType::pnm)
        return channels == 1 ? FileType::pgm : channels == 3 ? FileType::ppm : FileType::pam;
    if (type == FileType::pgm && channels > 2)
        throw FileError(fmt::format("a .pgm file cannot hold the colours of {}: use .ppm, .pam or .png",
                                    layout(format).name));
    if (type == FileType::pgm && channels == 2)
        throw FileError(
            fmt::format("a .pgm file cannot hold the alpha of {}: use .pam or .png", layout(format).name));
    if (type == FileType::ppm && channels % 2 == 0)
        throw FileError(
            fmt::format("a .ppm file cannot hold the alpha of {}: use .pam or .png", layout(format).name));
    return type;
}

int largest_value(const FileChannels& channels) {
    return channels.bits == 16 ? 65535 : 255;
}

std::string arbitrary_map_header(Size size, const FileChannels& channels) {
    const std::array kinds{"GRAYSCALE", "GRAYSCALE_ALPHA", "RGB", "RGB_ALPHA"};
    return fmt::format("P7\nWIDTH {}\nHEIGHT {}\nDEPTH {}\nMAXVAL {}\nTUPLTYPE {}\nENDHDR\n", size.width,
                       size.height, channels.count, largest_value(channels),
                       kinds.at(static_cast<std::size_t>(channels.count - 1)));
}

} // namespace

std::vector<std::byte> encode_pnm(const ConstImageView& image, FileType wanted_type) {
    FileChannels channels = channels_needed(image, "portable anymap");
    const FileType type = settle(wanted_type, channels.count, image.format());
    if (type == FileType::ppm) channels.count = 3;
    const std::string header = type == FileType::pam
                                   ? arbitrary_map_header(image.size(), channels)
                                   : fmt::format("{}\n{} {}\n{}\n", type == FileType::pgm ? "P5" : "P6",
                                                 image.width(), image.height(), largest_value(channels));
    std::vector<std::byte> file = in_file_order(image, channels);
    const auto header_bytes = std::as_bytes(std::span(header));
    file.insert(file.begin(), header_bytes.begin(), header_bytes.end());
    return file;
}

namespace {

[[noreturn]] void fail(std::string_view message) {
    throw FileError(fmt::format("cannot decode a portable anymap: {}", message));
}

/// Reads a header word by word.
class Header {
  public:
    explicit Header(std::span<const std::byte> file)
        : text_(reinterpret_cast<const char*>(file.data()), file.size()) {}

    /// The next word; comments from # to the end of the line are blanks.
    std::string_view word() {
        while (at_ < text_.size() && (is_blank(text_[at_]) || text_[at_] == '#'))
            at_ = text_[at_] == '#' ? std::min(text_.find('\n', at_), text_.size()) : at_ + 1;
        const std::size_t begin = at_;
        while (at_ < text_.size() && !is_blank(text_[at_])) ++at_;
        if (begin == at_) fail("the file ends within the header");
        return text_.substr(begin, at_ - begin);
    }

    std::int32_t number(std::string_view what, std::int32_t most) {
        const std::string_view digits = word();
        std::int32_t value = 0;
        const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), value);
        if (error != std::errc() || end != digits.data() + digits.size() || value < 1 || value > most)
            fail(fmt::format("{} {} is not a number of 1..{}", what, base::in_quotes(digits), most));
        return value;
    }

    /// Where the pixels begin: behind one blank.
    [[nodiscard]] std::size_t end() const { return std::min(at_ + 1, text_.size()); }

  private:
    static bool is_blank(char c) { return c == ' ' || c == '\n' || c == '\r' || c == '\t'; }

    std::string_view text_;
    std::size_t at_ = 0;
};

/// What a header says.
struct Picture {
    Size size;
    FileChannels channels{0, 0};
};

/// Throws unless the header has the line.
void check_line(bool present, std::string_view word) {
    if (!present) fail(fmt::format("the header has no line {}", word));
}

void set_largest_value(Picture& picture, Header& header) {
    const std::int32_t largest = header.number("the largest value", 65535);
    if (largest != 255 && largest != 65535)
        fail(fmt::format("the largest value {} is neither 255 nor 65535", largest));
    picture.channels.bits = largest == 255 ? 8 : 16;
}

Picture read_header(Header& header) {
    constexpr std::int32_t most = base::last_coordinate;
    const std::string_view kind = header.word();
    Picture picture;
    if (kind == "P5" || kind == "P6") {
        picture.channels.count = kind == "P5" ? 1 : 3;
        picture.size.width = header.number("the width", most);
        picture.size.height = header.number("the height", most);
        set_largest_value(picture, header);
        return picture;
    }
    if (kind != "P7") fail("it begins with none of P5, P6 and P7");
    for (std::string_view word = header.word(); word != "ENDHDR"; word = header.word()) {
        if (word == "WIDTH")
            picture.size.width = header.number("the width", most);
        else if (word == "HEIGHT")
            picture.size.height = header.number("the height", most);
        else if (word == "DEPTH")
            picture.channels.count = header.number("the depth", 4);
        else if (word == "MAXVAL")
            set_largest_value(picture, header);
        else if (word == "TUPLTYPE")
            (void)header.word(); // the depth tells as much
        else
            fail(fmt::format("{} is not known in a header", base::in_quotes(word)));
    }
    check_line(picture.size.width > 0, "WIDTH");
    check_line(picture.size.height > 0, "HEIGHT");
    check_line(picture.channels.count > 0, "DEPTH");
    check_line(picture.channels.bits > 0, "MAXVAL");
    return picture;
}

/// Gray and alpha of 16 bits, for which there is no format, become four channels.
void spread_gray(std::span<const std::byte> from, std::span<std::byte> to) {
    for (std::size_t pixel = 0; 4 * pixel < from.size(); ++pixel)
        for (std::size_t byte = 0; byte < 8; ++byte)
            to[8 * pixel + byte] = from[4 * pixel + (byte < 6 ? byte % 2 : byte - 4)];
}

} // namespace

Image decode_pnm(std::span<const std::byte> file, std::size_t most_bytes) {
    Header header(file);
    const Picture picture = read_header(header);
    const auto row_bytes =
        static_cast<std::size_t>(picture.size.width) * static_cast<std::size_t>(picture.channels.bytes());
    const std::span<const std::byte> pixels = file.subspan(header.end());
    if (pixels.size() / row_bytes < static_cast<std::size_t>(picture.size.height))
        fail("the file ends within the pixels");
    Image image = image::uninitialised(picture.size, format_of(picture.channels), nullptr, most_bytes);
    for (std::int32_t y = 0; y < image.height(); ++y) {
        const auto from = pixels.subspan(static_cast<std::size_t>(y) * row_bytes, row_bytes);
        const std::span<std::byte> row = image.view().row(y);
        if (from.size() == row.size())
            std::ranges::copy(from, row.begin());
        else
            spread_gray(from, row);
        if (picture.channels.bits == 16) swap_bytes(row);
    }
    return image;
}

} // namespace coldbrick::files
