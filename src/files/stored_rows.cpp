#include "files/stored_rows.hpp"

#include "base/range_checks.hpp"
#include "files/palette_numbers.hpp"
#include "files/stored_format.hpp"
#include "files/strips.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/quantise.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <string>
#include <utility>
#include <vector>

namespace coldbrick::files {

namespace {

/// The usual extensions of the types that hold something, as a message offers them.
template <class Property>
std::string others_that(Property holds) {
    std::vector<std::string_view> extensions;
    for (const Codec* const codec : codecs())
        if (holds(codec->holds)) extensions.push_back(codec->extensions[0]);
    std::string result;
    for (std::size_t i = 0; i < extensions.size(); ++i)
        result.append(i == 0 ? "" : i + 1 == extensions.size() ? " or " : ", ").append(extensions[i]);
    return result;
}

class StorageSettler {
  public:
    StorageSettler(const ConstImageView* image, Size size, PixelFormat format, const Palette* palette,
                   const Codec& codec, const EncodeOptions& options)
        : image_(image), size_(size), pixel_(layout(format)), codec_(codec), options_(options),
          content_(content_of(format, palette)) {}

    Storage settle() {
        if (image_ != nullptr && (options_.smallest || !holds_all())) look_at_pixels();
        settle_floats();
        settle_alpha();
        settle_depth();
        settle_colours();
        Storage storage;
        storage.picture.size = size_;
        storage.background = background_;
        storage.dithered = options_.dithered;
        if (codec_.holds.palette && content_.few && !gray_is_smaller())
            storage.picture.palette = std::move(content_.few);
        storage.picture.format = storage.picture.palette ? PixelFormat::indexed8
                                                         : format_with(content_.colours || !codec_.holds.gray,
                                                                       content_.alpha, content_.deep);
        storage.picture.bits = bits_of(storage.picture);
        return storage;
    }

  private:
    [[nodiscard]] bool is_indexed() const { return pixel_.kind == PixelLayout::Kind::index; }

    /// True if the format itself fits the type, whatever the pixels are.
    [[nodiscard]] bool holds_all() const {
        const Holds& holds = codec_.holds;
        const bool alpha_fits =
            !content_.alpha || holds.alpha || (holds.on_off_alpha && !content_.partial_alpha);
        return alpha_fits && (!content_.deep || holds.deep) && (!content_.colours || holds.colours) &&
               !holds.black_and_white && (holds.most_colours == 0 || is_indexed());
    }

    void look_at_pixels() {
        const bool few_matter = codec_.holds.palette && (options_.smallest || codec_.holds.most_colours > 0);
        std::optional<Palette> own = is_indexed() ? std::move(content_.few) : std::nullopt;
        content_ = examined(*image_, few_matter && !is_indexed());
        if (own && codec_.holds.palette) content_.few = std::move(own);
    }

    [[noreturn]] void fail(std::string_view lost, const std::string& others, std::string_view way_out) const {
        const std::string use = others.empty() ? "" : fmt::format("use {}, or ", others);
        throw FileError(fmt::format("a {} file cannot hold the {} of {}: {}{}", codec_.extensions[0], lost,
                                    pixel_.name, use, way_out));
    }

    void settle_floats() {
        if (!content_.floats) return;
        if (!options_.allow_loss) fail("floats", "", "convert it to 16 bits a channel, or allow the loss");
        content_.deep = true;
    }

    void settle_alpha() {
        const Holds& holds = codec_.holds;
        if (!content_.alpha || holds.alpha) return;
        if (holds.on_off_alpha && !content_.partial_alpha) return;
        if (holds.on_off_alpha && options_.allow_loss && !options_.background) {
            content_.few.reset(); // chosen anew, with alpha all or nothing
            return;
        }
        if (!options_.background)
            fail("alpha", others_that([](const Holds& other) { return other.alpha; }),
                 holds.on_off_alpha ? "give a background, or allow the loss" : "give a background");
        background_ = options_.background;
        content_.alpha = content_.partial_alpha = false;
        const bool gray = background_->red == background_->green && background_->green == background_->blue;
        content_.colours = content_.colours || !gray;
        content_.gray_bits = 8;
        content_.few.reset(); // what is laid on a background has other colours than before
    }

    void settle_depth() {
        if (!content_.deep) return;
        content_.few.reset(); // which would be of 8 bits
        if (codec_.holds.deep) return;
        if (!options_.allow_loss)
            fail("16 bits", others_that([](const Holds& other) { return other.deep; }), "allow the loss");
        content_.deep = false;
    }

    void settle_colours() {
        const Holds& holds = codec_.holds;
        if (content_.colours && !holds.colours) {
            if (!options_.allow_loss)
                fail("colours", others_that([](const Holds& other) { return other.colours; }),
                     "allow the loss");
            content_.colours = false;
            content_.gray_bits = 8;
        }
        if (holds.black_and_white && content_.gray_bits > 1 && !options_.allow_loss)
            fail("grays",
                 others_that([](const Holds& other) { return other.gray && !other.black_and_white; }),
                 "allow the loss");
        if (holds.most_colours > 0 && !content_.few) choose_few();
    }

    /// The colours that those of the image become.
    void choose_few() {
        const ColourCensus census = census_of_pixels();
        if (image_ == nullptr || (!options_.allow_loss && !census.fits()))
            fail("many colours",
                 others_that([](const Holds& other) { return other.colours && other.most_colours == 0; }),
                 image_ == nullptr ? "write it as a whole" : "allow the loss");
        content_.few = census.palette();
    }

    /// The colours of the image as it is stored but for their number.
    [[nodiscard]] ColourCensus census_of_pixels() const {
        const PixelFormat format = format_with(true, content_.alpha, false);
        const Storage storage{.picture = {.format = format}, .background = background_};
        ColourCensus census;
        if (image_ != nullptr)
            for_each_strip(*image_, [&](const ConstImageView& strip, std::int32_t y) {
                census.add(as_stored(strip, storage, y));
            });
        return census;
    }

    /// True if gray channels take no more than numbers of a palette, where the smallest is asked for.
    [[nodiscard]] bool gray_is_smaller() const {
        return options_.smallest && !content_.colours && !content_.alpha && !content_.deep &&
               content_.gray_bits <= palette_bits(*content_.few);
    }

    [[nodiscard]] int bits_of(const StoredPicture& picture) const {
        if (codec_.holds.black_and_white) return 1;
        if (!options_.smallest) return 0;
        if (picture.palette) return palette_bits(*picture.palette);
        return picture.format == PixelFormat::gray8 ? content_.gray_bits : 0;
    }

    static int palette_bits(const Palette& palette) {
        return palette.size() <= 2 ? 1 : palette.size() <= 4 ? 2 : palette.size() <= 16 ? 4 : 8;
    }

    const ConstImageView* image_; ///< null if only its format is known
    Size size_;
    const PixelLayout& pixel_;
    const Codec& codec_;
    const EncodeOptions& options_;
    Content content_;
    std::optional<Colour> background_;
};

bool lies_as_stored(const ConstImageView& image, const Storage& storage) {
    return image.format() == storage.picture.format && !storage.background &&
           image.pixel_stride_bytes() == layout(image.format()).bytes &&
           (!storage.picture.palette || *storage.picture.palette == *image.palette());
}

} // namespace

void check_options(const Codec& codec, const EncodeOptions& options) {
    const auto check = [&codec](bool given, bool taken, std::string_view what) {
        if (given && !taken)
            throw ArgumentError(fmt::format("{} means nothing to a {} file", what, codec.extensions[0]));
    };
    check(options.quality.has_value(), codec.takes.quality, "a quality");
    check(options.subsampling != ChromaSubsampling::both, codec.takes.subsampling, "a chroma subsampling");
    check(options.progressive, codec.takes.subsampling, "progressive order");
    check(options.compression.has_value(), codec.takes.compression, "a compression level");
    check(options.smallest, codec.takes.smallest, "the smallest size");
    check(options.plain_text, codec.takes.plain_text, "plain text");
    check(!options.texts.empty(), codec.takes.texts, "a text with a keyword");
    check(options.resolution.has_value(), codec.takes.resolution, "a resolution");
    if (options.quality) base::check_range("quality", *options.quality, 1, 100);
    if (options.quality && options.compression)
        throw ArgumentError("a quality and a compression level exclude each other");
    if (options.compression) base::check_range("compression level", *options.compression, 0, 9);
    base::check_choice("chroma subsampling", options.subsampling, ChromaSubsampling::both);
    if (!options.resolution) return;
    for (const double pixels : {options.resolution->across, options.resolution->down})
        if (!(pixels >= 1 && pixels <= 65535))
            throw ArgumentError(fmt::format("resolution {} is outside 1..65535", pixels));
}

Storage settle_storage(const ConstImageView& image, const Codec& codec, const EncodeOptions& options) {
    check_options(codec, options);
    return StorageSettler(&image, image.size(), image.format(), image.palette(), codec, options).settle();
}

Storage settle_storage(Size size, PixelFormat format, const Palette* palette, const Codec& codec,
                       const EncodeOptions& options) {
    check_options(codec, options);
    return StorageSettler(nullptr, size, format, palette, codec, options).settle();
}

Image as_stored(const ConstImageView& image, const Storage& storage, std::int32_t first_row) {
    const StoredPicture& picture = storage.picture;
    if (storage.background) {
        const bool deep = layout(picture.format).is_deep();
        Colour opaque = *storage.background;
        opaque.alpha = 255;
        Image ground(image.size(), deep ? PixelFormat::rgb16 : PixelFormat::rgb8, opaque);
        overlay(ground, image, {0, 0});
        return as_stored(ground, {.picture = picture, .dithered = storage.dithered}, first_row);
    }
    if (picture.palette) return quantised(image, *picture.palette, storage.dithered, {0, first_row});
    return converted(image, picture.format);
}

void encode_rows(const ConstImageView& image, const Storage& storage, std::int32_t first_row,
                 RowEncoder& encoder) {
    if (lies_as_stored(image, storage)) {
        for (std::int32_t y = 0; y < image.height(); ++y) {
            if (image.palette() != nullptr) check_numbers(image.row(y), *image.palette());
            encoder.row(image.row(y));
        }
        return;
    }
    for_each_strip(image, [&](const ConstImageView& strip, std::int32_t y) {
        const Image stored = as_stored(strip, storage, first_row + y);
        for (std::int32_t row = 0; row < stored.height(); ++row) encoder.row(stored.view().row(row));
    });
}

void encode_to(ByteSink& sink, const ConstImageView& image, const Codec& codec,
               const EncodeOptions& options) {
    const Storage storage = settle_storage(image, codec, options);
    const auto encoder = codec.encoder(sink, storage.picture, options);
    encode_rows(image, storage, 0, *encoder);
    encoder->finish();
}

} // namespace coldbrick::files
