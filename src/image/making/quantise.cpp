#include <coldbrick/quantise.hpp>

#include "base/own_state.hpp"
#include "base/range_checks.hpp"
#include "image/making/colour_cube.hpp"
#include "image/making/uninitialised_image.hpp"
#include "image/reading/pixel_reader.hpp"

#include <coldbrick/error.hpp>

#include <algorithm>
#include <array>
#include <bit>
#include <unordered_set>
#include <utility>
#include <vector>

namespace coldbrick {

namespace {

bool is_see_through(const Colour& colour) {
    return colour.alpha < 128;
}

std::uint32_t number_of(const Colour& colour) {
    return std::uint32_t{colour.red} << 16U | std::uint32_t{colour.green} << 8U | colour.blue;
}

} // namespace

/// The colours one by one while they are few, and in any case by the cube.
struct ColourCensus::State {
    std::unordered_set<std::uint32_t> colours; ///< 0xRRGGBB; one more than a palette holds is enough
    bool has_see_through = false;
    image::ColourCube cube;

    void count(const Colour& colour) {
        if (is_see_through(colour)) {
            has_see_through = true;
            return;
        }
        cube.add(colour);
        if (colours.size() <= Palette::largest) colours.insert(number_of(colour));
    }
};

ColourCensus::ColourCensus() : state_(base::owned(std::make_unique<State>())) {}

void ColourCensus::add(const ConstImageView& image) {
    image::check_palette(image);
    const image::PixelReader<Colour> reader(image);
    std::vector<Colour> row(static_cast<std::size_t>(image.width()));
    State& state = *state_;
    for (std::int32_t y = 0; y < image.height(); ++y) {
        reader.row(0, y, row);
        for (const Colour& colour : row) state.count(colour);
    }
}

bool ColourCensus::fits(std::size_t most) const {
    return state_->colours.size() + (state_->has_see_through ? 1 : 0) <= most;
}

Palette ColourCensus::palette(std::size_t most) const {
    base::check_range("number of colours", static_cast<std::int64_t>(most), 2, Palette::largest);
    std::vector<Palette::Entry> entries;
    if (fits(most)) {
        std::vector<std::uint32_t> numbers(state_->colours.begin(), state_->colours.end());
        std::ranges::sort(numbers);
        for (const std::uint32_t number : numbers)
            entries.push_back({Colour(static_cast<int>(number >> 16U), static_cast<int>(number >> 8U & 255U),
                                      static_cast<int>(number & 255U))});
    } else {
        for (const Colour& colour : state_->cube.means(most - (state_->has_see_through ? 1 : 0)))
            entries.push_back({colour});
    }
    if (state_->has_see_through) entries.push_back({Colour(0, 0, 0, 0)});
    if (entries.empty()) throw ArgumentError("a palette of no colours was asked for: nothing was counted");
    return Palette(std::move(entries));
}

namespace {

/// How many thresholds there are: as many as steps of a channel, so that every mean can be had.
constexpr unsigned threshold_bits = 4;
constexpr unsigned pattern_size = 1U << threshold_bits;
constexpr int threshold_count = pattern_size * pattern_size;

/// The threshold of a place, 0..255: bits of x and y, the lowest first and the differences before.
constexpr unsigned threshold_at(unsigned x, unsigned y) {
    unsigned result = 0;
    for (unsigned bit = 0; bit < threshold_bits; ++bit)
        result = result << 2U | ((x ^ y) >> bit & 1U) << 1U | (y >> bit & 1U);
    return result;
}

constexpr auto thresholds = [] {
    std::array<std::array<std::uint8_t, pattern_size>, pattern_size> result{};
    for (unsigned y = 0; y < pattern_size; ++y)
        for (unsigned x = 0; x < pattern_size; ++x)
            result[y][x] = static_cast<std::uint8_t>(threshold_at(x, y));
    return result;
}();

/// What a colour becomes: the first entry, or the second where the threshold is below `share`.
struct Mixture {
    std::uint8_t first = 0;
    std::uint8_t second = 0;
    std::uint16_t share = 0;
};

} // namespace

struct Quantiser::State {
    State(const Palette& colours, bool dither) : palette(colours), dithered(dither), known(slots) {
        for (std::size_t i = 0; i < palette.size() && see_through == none; ++i)
            if (palette.at(i).alpha == 0) see_through = static_cast<int>(i);
    }

    const Mixture& mixture_of(const Colour& colour) {
        const auto key = std::bit_cast<std::uint32_t>(
            std::array<std::uint8_t, 4>{colour.red, colour.green, colour.blue, colour.alpha});
        Slot& slot = known[key * 0x9E3779B1U >> (32 - slot_bits)];
        if (!slot.is_used || slot.key != key) slot = {key, true, mixture(colour)};
        return slot.mixture;
    }

    static constexpr int none = -1;
    static constexpr unsigned slot_bits = 15;
    static constexpr std::size_t slots = std::size_t{1} << slot_bits;

    /// Remembered until another colour takes the place.
    struct Slot {
        std::uint32_t key = 0;
        bool is_used = false;
        Mixture mixture;
    };

    [[nodiscard]] Mixture mixture(const Colour& colour) const {
        if (see_through != none && is_see_through(colour)) {
            const auto entry = static_cast<std::uint8_t>(see_through);
            return {entry, entry, 0};
        }
        const Colour opaque = see_through != none ? Colour(colour.red, colour.green, colour.blue) : colour;
        const auto first = static_cast<std::uint8_t>(palette.nearest(opaque));
        const Colour& near = palette.at(first);
        if (!dithered || near == opaque) return {first, first, 0};
        // On the other side of the colour, as far away again or further, lies what the nearest entry lacks.
        for (int reach = 2; reach <= 256; reach *= 2) {
            const auto beyond = [reach](int wanted, int found) {
                return std::clamp(found + reach * (wanted - found), 0, 255);
            };
            const auto second = static_cast<std::uint8_t>(
                palette.nearest(Colour(beyond(opaque.red, near.red), beyond(opaque.green, near.green),
                                       beyond(opaque.blue, near.blue), opaque.alpha)));
            if (second != first) return {first, second, share(opaque, near, palette.at(second))};
        }
        return {first, first, 0};
    }

    /// How far the colour lies on the way between two others, in as many parts as there are thresholds.
    static std::uint16_t share(const Colour& colour, const Colour& from, const Colour& to) {
        const std::array<int, 3> way{to.red - from.red, to.green - from.green, to.blue - from.blue};
        const std::array<int, 3> part{colour.red - from.red, colour.green - from.green,
                                      colour.blue - from.blue};
        int along = 0;
        int length = 0;
        for (std::size_t i = 0; i < way.size(); ++i) {
            along += way[i] * part[i];
            length += way[i] * way[i];
        }
        if (length == 0) return 0;
        const int parts = (threshold_count * along + length / 2) / length;
        return static_cast<std::uint16_t>(std::clamp(parts, 0, threshold_count));
    }

    Palette palette;
    bool dithered;
    int see_through = none; ///< the first such entry
    std::vector<Slot> known;
};

Quantiser::Quantiser(const Palette& palette, bool dithered)
    : state_(base::owned(std::make_unique<State>(palette, dithered))) {}

const Palette& Quantiser::palette() const {
    return state_->palette;
}

Image Quantiser::quantised(const ConstImageView& image, Point origin) {
    image::check_palette(image);
    State& state = *state_;
    Image result = image::uninitialised(image.size(), PixelFormat::indexed8, &state.palette);
    const image::PixelReader<Colour> reader(image);
    std::vector<Colour> colours(static_cast<std::size_t>(image.width()));
    for (std::int32_t y = 0; y < image.height(); ++y) {
        reader.row(0, y, colours);
        const auto& row_thresholds =
            thresholds[(static_cast<std::uint32_t>(y) + static_cast<std::uint32_t>(origin.y)) % pattern_size];
        std::byte* pixel = result.view().row(y).data();
        auto column = static_cast<std::uint32_t>(origin.x);
        for (const Colour& colour : colours) {
            const Mixture& mixture = state.mixture_of(colour);
            *pixel++ = std::byte{row_thresholds[column++ % pattern_size] < mixture.share ? mixture.second
                                                                                         : mixture.first};
        }
    }
    return result;
}

Image quantised(const ConstImageView& image, const Palette& palette, bool dithered, Point origin) {
    return Quantiser(palette, dithered).quantised(image, origin);
}

} // namespace coldbrick
