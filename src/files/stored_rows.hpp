/// @file
/// Pixels as files hold them.
#pragma once

#include "files/codecs/codec.hpp"
#include "files/content.hpp"

#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>

#include <cstdint>
#include <optional>
#include <span>

namespace coldbrick::files {

/// How an image's pixels become those that a type of files holds.
struct Storage {
    StoredPicture picture;
    std::optional<Colour> background = {}; ///< what they are laid on first
    bool dithered = false;
};

/// Settles how a whole image is stored. @throws FileError if the type does not hold it without loss, unless
/// the options allow that; ArgumentError if an option does not fit the type.
Storage settle_storage(const ConstImageView& image, const Codec& codec, const EncodeOptions& options);

/// The same for any image of the format.
Storage settle_storage(Size size, PixelFormat format, const Palette* palette, const Codec& codec,
                       const EncodeOptions& options);

/// Throws ArgumentError if an option is outside its range or means nothing to the type.
void check_options(const Codec& codec, const EncodeOptions& options);

/// Hands an image's rows to an encoder, as they are stored.
/// @param first_row of the whole picture, of which the image is a part
void encode_rows(const ConstImageView& image, const Storage& storage, std::int32_t first_row,
                 RowEncoder& encoder);

/// An image's pixels as they are stored.
Image as_stored(const ConstImageView& image, const Storage& storage, std::int32_t first_row);

/// Encodes a whole image. @throws as settle_storage().
void encode_to(ByteSink& sink, const ConstImageView& image, const Codec& codec, const EncodeOptions& options);

} // namespace coldbrick::files
