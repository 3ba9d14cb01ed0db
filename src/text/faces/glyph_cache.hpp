/// @file
/// What was worked out of a face's glyphs, as long as there is room for it.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/face.hpp>
#include <coldbrick/path.hpp>

#include <compare>
#include <cstddef>
#include <cstdint>
#include <list>
#include <mutex>
#include <unordered_map>
#include <variant>
#include <vector>

namespace coldbrick {

namespace [[gnu::visibility("default")]] text { // for the component of fonts, too

/// The coverages of a glyph, or of several that overlap.
struct GlyphMask {
    Box box;                             ///< of the covered pixels, from the origin's pixel on
    std::vector<std::uint8_t> coverages; ///< row by row
    double left = 0;                     ///< bounds of the outline, finer than pixels, as positions
    double top = 0;
    double right = 0;
    double bottom = 0;

    [[nodiscard]] std::size_t bytes() const { return sizeof *this + coverages.size(); }
};

/// Which mask of which glyph.
struct GlyphKey {
    std::uint32_t glyph = 0;
    double size = 0;
    double stroke_width = 0;
    double grown = 0;       ///< by an outline, on all sides
    std::uint8_t phase = 0; ///< quarters of a pixel to the right
    std::uint8_t crisp = 0;
    std::uint8_t fitted = 0;
    std::uint8_t outline = 0; ///< 1 if what is kept is the outline: all else but the glyph is 0 then

    friend bool operator==(const GlyphKey&, const GlyphKey&) = default;
};

struct GlyphKeyHash {
    std::size_t operator()(const GlyphKey& key) const;
};

/// Keeps what was used last. All calls may come from many threads at once.
class GlyphCache {
  public:
    using Mask = detail::SharedState<GlyphMask>;
    using Outline = detail::SharedState<Path>;

    static constexpr std::size_t usual_limit = std::size_t{4} << 20;

    /// What was kept with the key, or else what make() gives, which is kept. make() is called without a lock,
    /// so that two threads may make the same.
    template <class Value, class Make>
    Value get(const GlyphKey& key, Make make) {
        if (const Entry found = find(key); const Value* value = std::get_if<Value>(&found)) return *value;
        Value made = make();
        keep(key, made);
        return made;
    }

    [[nodiscard]] GlyphCacheUse use() const;
    void limit(std::size_t bytes);

  private:
    using Entry = std::variant<std::monostate, Mask, Outline>;
    struct Kept {
        GlyphKey key;
        Entry entry;
        std::size_t bytes;
    };

    Entry find(const GlyphKey& key);
    void keep(const GlyphKey& key, const Entry& entry);
    void drop_what_is_too_much();

    mutable std::mutex mutex_;
    std::list<Kept> kept_; ///< what was used last is first
    std::unordered_map<GlyphKey, std::list<Kept>::iterator, GlyphKeyHash> places_;
    GlyphCacheUse use_;
    std::size_t limit_ = usual_limit;
};

} // namespace text

} // namespace coldbrick
