/// @file
/// Faces: sets of letterforms, which text is set in.
#pragma once

#include <coldbrick/shared.hpp>

#include <cstddef>     // bytes of caches
#include <span>        // names of faces
#include <string>      // axes have tags
#include <string_view> // faces have names

namespace coldbrick::text {
class Letterforms;
}

namespace [[gnu::visibility("default")]] coldbrick {

/// Where on one of its axes a variable font is taken.
struct FontAxis {
    std::string tag; ///< four characters: "wght", "wdth"
    double value = 0;

    friend bool operator==(const FontAxis&, const FontAxis&) = default;
};

/// What a face holds in memory, so that letters that come again are not worked out again.
struct GlyphCacheUse {
    std::size_t bytes = 0;  ///< of outlines and coverages, with what it takes to find them
    std::size_t glyphs = 0; ///< how many outlines and coverages there are
    std::size_t hits = 0;   ///< how often one was asked for that was there
    std::size_t misses = 0; ///< how often it was not
};

/// A set of letterforms. The built-in faces need no file; those of font files come from load_face() and its
/// kind in font.hpp. Copies share everything, and many threads may use one face at once.
class Face {
  public:
    /// Letters of strokes with one width, made for any size: ASCII, the letters of Latin-1, arrows and some
    /// signs of maps. A size of 24 has strokes of 2 pixels unless a style says otherwise.
    static Face stroke();

    /// Letters of pixels, made for labels at 9 pixels and whole multiples of them: as many characters. At
    /// other sizes its pixels are boxes of that size.
    static Face bitmap();

    /// The names of the built-in faces: "stroke" and "bitmap".
    static std::span<const std::string_view> built_in_names();

    /// The built-in face of one of these names.
    /// @throws ArgumentError if there is none, with the nearest name.
    static Face built_in(std::string_view name);

    [[nodiscard]] std::string_view name() const;

    /// True if the face has a letterform for a character.
    [[nodiscard]] bool has(char32_t character) const;

    [[nodiscard]] GlyphCacheUse cache_use() const;

    /// Bounds what cache_use().bytes may come to, 4 MiB unless told; what was used longest ago is dropped.
    /// 0 keeps nothing.
    void limit_cache(std::size_t bytes) const;

    /// True if they are copies of each other.
    friend bool operator==(const Face& a, const Face& b) { return a.letterforms_ == b.letterforms_; }

    // For the library's own use.
    explicit Face(detail::SharedState<text::Letterforms> letterforms);
    [[nodiscard]] const text::Letterforms& letterforms() const { return *letterforms_; }

  private:
    detail::SharedState<text::Letterforms> letterforms_;
};

} // namespace coldbrick
