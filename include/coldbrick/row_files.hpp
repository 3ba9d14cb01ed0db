/// @file
/// Image files written and read a few rows at a time, for pictures larger than memory.
#pragma once

#include <coldbrick/file_type.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/image_info.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/own_state.hpp>
#include <coldbrick/palette.hpp>

#include <cstdint> // numbers of rows
#include <iosfwd>  // streams

namespace [[gnu::visibility("default")]] coldbrick {

/// Writes an image file row by row from the top. png, jpeg, qoi and the portable anymaps take memory for a
/// few rows; the others collect all of them. What is there at the path is replaced by finish(), in one step,
/// and stays as it was if that is never called.
class RowWriter {
  public:
    /// @param size of the whole picture
    /// @param format of its rows. What the type does not hold of it is refused, whatever the pixels are.
    /// @param palette of indexed8; null stands for default_palette()
    /// @throws FileError and ArgumentError as save() and Image.
    RowWriter(const FileName& path, Size size, PixelFormat format, const EncodeOptions& options = {},
              const Palette* palette = nullptr);

    /// The same, of a type that is told apart from the path.
    RowWriter(const FileName& path, FileType type, Size size, PixelFormat format,
              const EncodeOptions& options = {}, const Palette* palette = nullptr);

    /// To a stream, which must outlive the writer.
    RowWriter(std::ostream& stream, FileType type, Size size, PixelFormat format,
              const EncodeOptions& options = {}, const Palette* palette = nullptr);

    /// How many rows have been written.
    [[nodiscard]] std::int32_t rows() const;

    /// Writes the next rows: all of the view's, whatever its clip.
    /// @throws ArgumentError if they are not as wide as the picture, of another format, or more than are
    /// left; FileError if the system refuses.
    void write(const ConstImageView& rows);

    /// Ends the file and puts it into its place. @throws ArgumentError if rows are missing; FileError if the
    /// system refuses.
    void finish();

  private:
    struct State;
    detail::OwnState<State> state_;
};

/// Reads an image file row by row from the top. png without interlacing and the portable anymaps take memory
/// for a few rows; the others are decoded whole at first. Rows are as they are stored: the orientation of the
/// file is told by info(), not applied.
class RowReader {
  public:
    /// @throws FileError as load().
    explicit RowReader(const FileName& path, const DecodeLimits& limits = {});

    /// From a stream, which must outlive the reader.
    explicit RowReader(std::istream& stream, const DecodeLimits& limits = {});

    [[nodiscard]] Size size() const;
    [[nodiscard]] PixelFormat format() const;

    /// The palette of indexed8; null for all other formats.
    [[nodiscard]] const Palette* palette() const;

    /// How many rows have been read.
    [[nodiscard]] std::int32_t rows() const;

    /// Reads the next rows into all of the view, whatever its clip.
    /// @throws ArgumentError if it is not as wide as the picture, of another format, or higher than what is
    /// left; FileError if the file is broken.
    void read(const ImageView& rows);

  private:
    struct State;
    detail::OwnState<State> state_;
};

} // namespace coldbrick
