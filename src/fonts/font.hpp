/// @file
/// A font's bytes, as both libraries that read them see them.
#pragma once

#include <coldbrick/font.hpp>

#include <cstddef>
#include <memory>
#include <mutex>
#include <vector>

#include <ft2build.h>
#include FT_FREETYPE_H
#include <hb.h>

namespace coldbrick::fonts {

/// Deletes what the libraries made.
struct Delete {
    void operator()(FT_Library library) const { FT_Done_FreeType(library); }
    void operator()(FT_Face face) const { FT_Done_Face(face); }
    void operator()(hb_blob_t* blob) const { hb_blob_destroy(blob); }
    void operator()(hb_face_t* face) const { hb_face_destroy(face); }
    void operator()(hb_font_t* font) const { hb_font_destroy(font); }
    void operator()(hb_buffer_t* buffer) const { hb_buffer_destroy(buffer); }
};
template <class T>
using Owned = std::unique_ptr<T, Delete>;

/// An open font. Outlines are read by one thread at a time; shaping needs no lock.
class Font {
  public:
    /// @throws FileError, ArgumentError as read_face().
    Font(std::vector<std::byte> bytes, const FontOptions& options);

    [[nodiscard]] std::vector<FontAxisRange> axes() const;

    /// The library's face, for as long as nobody else uses it.
    template <class Use>
    auto with_face(Use use) const {
        const std::lock_guard lock(mutex_);
        return use(face_.get());
    }
    [[nodiscard]] hb_font_t* shaper() const { return shaper_.get(); }
    [[nodiscard]] double units_per_em() const { return units_per_em_; }
    [[nodiscard]] const std::string& name() const { return name_; }

    /// Shaping counts in parts of a unit, for axes between the designs of a variable font.
    static constexpr int parts_of_unit = 64;

  private:
    void set_axes(const std::vector<FontAxis>& wanted);

    std::vector<std::byte> bytes_;
    mutable std::mutex mutex_;
    Owned<std::remove_pointer_t<FT_Library>> library_;
    Owned<std::remove_pointer_t<FT_Face>> face_;
    Owned<hb_font_t> shaper_;
    double units_per_em_ = 0;
    std::string name_;
};

} // namespace coldbrick::fonts
