/// @file
/// The kinds of image files, and the names of files.
#pragma once

#include <concepts>    // what can name a file
#include <cstdint>     // the enumeration's underlying type
#include <string_view> // names

namespace [[gnu::visibility("default")]] coldbrick {

/// The path of a file, as the system takes it: any text or std::filesystem::path becomes one. It does not
/// copy what it is made from, which must outlive the call that it is for.
class FileName {
  public:
    template <class Text>
    requires std::convertible_to<const Text&, std::string_view> FileName(const Text& text) : text_(text) {}
    template <class Path>
    requires requires(const Path& path) { std::string_view(path.native()); }
    FileName(const Path& path) : text_(path.native()) {}

    [[nodiscard]] std::string_view text() const { return text_; }

  private:
    std::string_view text_;
};

/// The kinds of image files. All but jpeg, and webp with a quality, hold pixels without loss.
enum class FileType : std::uint8_t {
    png,  ///< Portable Network Graphics, third edition (W3C): every format but those of floats
    jpeg, ///< JPEG (ITU-T T.81) in JFIF: gray or colour of 8 bits, no alpha, with loss
    webp, ///< WebP (RFC 9649): colour of 8 bits with or without alpha; without loss unless a quality is given
    gif,  ///< Graphics Interchange Format 89a: up to 256 colours, one of which may be see-through
    bmp,  ///< Windows bitmap: colour of 8 bits with or without alpha
    qoi,  ///< "Quite OK Image Format", version 1.0: colour of 8 bits with or without alpha
    pbm,  ///< portable bitmap, "P4" or "P1": black and white
    pgm,  ///< portable graymap, "P5" or "P2": gray without alpha
    ppm,  ///< portable pixmap, "P6" or "P3": colour without alpha
    pam,  ///< portable arbitrary map, "P7": every format but those of floats
    pnm,  ///< the smallest of P5, P6 and P7 that holds the format
};

/// The type that a path's extension stands for, in any case: .png, .jpg, .jpeg, .webp, .gif, .bmp, .qoi,
/// .pbm, .pgm, .ppm, .pam, .pnm.
/// @throws FileError for any other extension, naming those known.
[[nodiscard]] FileType file_type(const FileName& path);

/// The usual extension of a type, with its dot.
[[nodiscard]] std::string_view extension(FileType type);

} // namespace coldbrick
