#include "files/codecs/gif.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>
#include <gif_lib.h>

#include <algorithm>
#include <array>
#include <bit>
#include <utility>
#include <vector>

namespace coldbrick::files {

namespace {

std::string_view message_of(int error) {
    const char* const text = GifErrorString(error);
    return text != nullptr ? text : "the library refuses";
}

struct MapDeleter {
    void operator()(ColorMapObject* map) const { GifFreeMapObject(map); }
};
using Map = std::unique_ptr<ColorMapObject, MapDeleter>;

/// The palette, filled up with black to a power of two.
Map map_of(const Palette& palette) {
    const auto size = static_cast<int>(std::max<std::size_t>(2, std::bit_ceil(palette.size())));
    Map map(GifMakeMapObject(size, nullptr));
    if (map == nullptr) throw std::bad_alloc();
    for (std::size_t i = 0; i < palette.size(); ++i) {
        const Colour& colour = palette.at(i);
        map->Colors[i] = {colour.red, colour.green, colour.blue};
    }
    return map;
}

} // namespace

GifStream::GifStream(ByteSink& sink) : sink_(sink) {
    int error = 0;
    gif_ = EGifOpen(this, hand_on, &error);
    if (gif_ == nullptr) throw FileError(fmt::format("cannot encode GIF: {}", message_of(error)));
    EGifSetGifVersion(gif_, true);
}

GifStream::GifStream(ByteSink& sink, Size size, const Palette& palette)
    : GifStream(sink) { // so that the structures are freed whatever is thrown from here on
    constexpr std::int32_t most = 65535;
    if (size.width > most || size.height > most)
        throw FileError(fmt::format("a GIF file cannot hold {} x {} pixels, only up to {} x {}", size.width,
                                    size.height, most, most));
    const auto entry =
        std::ranges::find(palette.entries(), 0, [](const Palette::Entry& e) { return int{e.colour.alpha}; });
    if (entry != palette.entries().end()) see_through_ = static_cast<int>(entry - palette.entries().begin());
    const Map map = map_of(palette);
    constexpr int colour_resolution = 8;
    check(EGifPutScreenDesc(gif_, size.width, size.height, colour_resolution, see_through_.value_or(0),
                            map.get()));
}

GifStream::~GifStream() {
    if (gif_ == nullptr) return;
    discard_ = true;
    int ignored = 0;
    EGifCloseFile(gif_, &ignored);
}

int GifStream::hand_on(GifFileType* gif, const unsigned char* bytes, int count) {
    auto& self = *static_cast<GifStream*>(gif->UserData);
    if (self.discard_) return count;
    try {
        self.sink_.write(std::as_bytes(std::span(bytes, static_cast<std::size_t>(count))));
        return count;
    } catch (...) {
        self.failure_ = std::current_exception();
        return 0;
    }
}

void GifStream::check(int status) {
    if (failure_) std::rethrow_exception(failure_);
    if (status != GIF_OK) throw FileError(fmt::format("cannot encode GIF: {}", message_of(gif_->Error)));
}

void GifStream::repeat(std::int32_t count) {
    if (count == 1) return; // as without a word
    check(EGifPutExtensionLeader(gif_, APPLICATION_EXT_FUNC_CODE));
    check(EGifPutExtensionBlock(gif_, 11, "NETSCAPE2.0"));
    // The file tells how often it is shown again.
    const auto again = static_cast<unsigned>(count == 0 ? 0 : count - 1);
    const std::array<unsigned char, 3> block{1, static_cast<unsigned char>(again),
                                             static_cast<unsigned char>(again >> 8U)};
    check(EGifPutExtensionBlock(gif_, 3, block.data()));
    check(EGifPutExtensionTrailer(gif_));
}

void GifStream::begin_frame(const FramePart& part, std::int32_t hundredths, bool clear_afterwards) {
    GraphicsControlBlock control{clear_afterwards ? DISPOSE_BACKGROUND : DISPOSE_DO_NOT, false, hundredths,
                                 see_through_.value_or(NO_TRANSPARENT_COLOR)};
    std::array<GifByteType, 4> block{};
    EGifGCBToExtension(&control, block.data());
    check(EGifPutExtension(gif_, GRAPHICS_EXT_FUNC_CODE, block.size(), block.data()));
    check(EGifPutImageDesc(gif_, part.at.x, part.at.y, part.size.width, part.size.height, false, nullptr));
}

void GifStream::row(std::span<const std::byte> numbers) {
    row_.resize(numbers.size()); // giflib writes into what it is given
    std::ranges::transform(numbers, row_.begin(),
                           [](std::byte b) { return std::to_integer<unsigned char>(b); });
    check(EGifPutLine(gif_, row_.data(), static_cast<int>(row_.size())));
}

void GifStream::finish() {
    int error = 0;
    GifFileType* const gif = std::exchange(gif_, nullptr);
    const int status = EGifCloseFile(gif, &error);
    if (failure_) std::rethrow_exception(failure_);
    if (status != GIF_OK) throw FileError(fmt::format("cannot encode GIF: {}", message_of(error)));
}

} // namespace coldbrick::files
