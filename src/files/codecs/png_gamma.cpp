#include "files/codecs/png_gamma.hpp"

#include "paint/formats/channel_depth.hpp"

#include <cmath>
#include <cstring>

namespace coldbrick::files {

namespace {

/// Replaces all channels but alpha by what the table says.
template <class Channel>
void look_up(std::span<std::byte> row, const PixelLayout& pixel, const std::vector<std::uint16_t>& table) {
    const std::size_t channels = static_cast<std::size_t>(pixel.bytes) / sizeof(Channel);
    const std::size_t coloured = channels - (pixel.has_alpha() ? 1 : 0);
    for (std::size_t at = 0; at + sizeof(Channel) <= row.size(); at += sizeof(Channel)) {
        if (at / sizeof(Channel) % channels >= coloured) continue; // alpha is the last
        Channel channel{};
        std::memcpy(&channel, &row[at], sizeof channel);
        channel = static_cast<Channel>(table[channel]);
        std::memcpy(&row[at], &channel, sizeof channel);
    }
}

} // namespace

GammaCorrection::GammaCorrection(double gamma, int bits) : table_(std::size_t{1} << bits) {
    const double most = static_cast<double>(table_.size() - 1);
    for (std::size_t i = 0; i < table_.size(); ++i)
        table_[i] = static_cast<std::uint16_t>(
            std::lround(most * paint::from_linear(std::pow(static_cast<double>(i) / most, 1 / gamma))));
}

void GammaCorrection::correct(std::span<std::byte> row, PixelFormat format) const {
    const PixelLayout& pixel = layout(format);
    if (table_.empty() || pixel.kind == PixelLayout::Kind::index) return;
    if (pixel.kind == PixelLayout::Kind::words)
        look_up<std::uint16_t>(row, pixel, table_);
    else
        look_up<std::uint8_t>(row, pixel, table_);
}

void GammaCorrection::correct(std::vector<Palette::Entry>& entries) const {
    if (table_.empty()) return;
    for (Palette::Entry& entry : entries)
        for (std::uint8_t* const channel : {&entry.colour.red, &entry.colour.green, &entry.colour.blue})
            *channel = static_cast<std::uint8_t>(table_[*channel]);
}

} // namespace coldbrick::files
