/// @file
/// Faces from font files: TrueType and OpenType.
#pragma once

#include <coldbrick/face.hpp>

#include <cstddef> // limits of bytes
#include <cstdint> // numbers of faces
#include <span>    // fonts in memory
#include <string>  // names
#include <vector>  // lists of faces

namespace [[gnu::visibility("default")]] coldbrick {

/// How far an axis of a variable font goes.
struct FontAxisRange {
    std::string tag;
    double lowest = 0;
    double usual = 0;
    double highest = 0;
};

/// How a font is read.
struct FontOptions {
    std::int32_t index = 0;                        ///< which face of a file that has several, from 0 on
    std::vector<FontAxis> axes = {};               ///< of variable fonts; the others have their usual values
    std::size_t most_bytes = std::size_t{1} << 28; ///< what a file may have
};

/// The face in a font's bytes, which are copied. Only outlines are read; they are filled as any path.
/// @throws FileError if the bytes are no font with outlines, are damaged, or there is no such index;
/// ArgumentError if the font has no such axis, or the value is outside its range.
[[nodiscard]] Face read_face(std::span<const std::byte> font, const FontOptions& options = {});

/// The face in a font file. @throws FileError also if the file cannot be read; ArgumentError as above.
[[nodiscard]] Face load_face(const std::string& file, const FontOptions& options = {});

/// The axes of a variable font; none of others. @throws FileError as read_face().
[[nodiscard]] std::vector<FontAxisRange> font_axes(std::span<const std::byte> font, std::int32_t index = 0);

/// A face that is installed on this system.
struct SystemFace {
    std::string family;
    std::string style;         ///< "Bold Italic"
    std::int32_t weight = 400; ///< 1..1000; regular letters have 400, bold ones 700
    bool slanted = false;
    bool variable = false; ///< true if the weight can be any other
    std::string file;
    std::int32_t index = 0;
};

/// All faces with outlines that were installed when the first was asked for, by family and weight.
[[nodiscard]] std::vector<SystemFace> system_faces();

/// Which face of a family is wanted.
struct FaceChoice {
    std::int32_t weight = 400;       ///< 1..1000; the nearest that there is
    bool slanted = false;            ///< if there is one
    std::vector<FontAxis> axes = {}; ///< of a variable font, besides the weight's
};

/// An installed face by its family's name, whatever its capitals.
/// @throws ArgumentError if there is no such family, with the nearest name, or the weight is outside its
/// range; FileError as load_face().
[[nodiscard]] Face system_face(const std::string& family, const FaceChoice& choice = {});

} // namespace coldbrick
