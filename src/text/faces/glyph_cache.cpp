#include "text/faces/glyph_cache.hpp"

#include <bit>

namespace coldbrick::text {

namespace {

/// What an entry takes beside its own content: list and table.
constexpr std::size_t overhead = 160;

std::size_t bytes_of(const Path& path) {
    std::size_t result = sizeof path;
    for (const Contour& contour : path.contours())
        result += sizeof contour + contour.pieces.capacity() * sizeof(PathPiece);
    return result;
}

} // namespace

std::size_t GlyphKeyHash::operator()(const GlyphKey& key) const {
    // Multiplication by 2^64 over the golden ratio (Knuth, The Art of Computer Programming, volume 3, 6.4).
    constexpr std::uint64_t factor = 0x9E3779B97F4A7C15;
    std::uint64_t result = 0;
    const std::uint64_t small = std::uint64_t{key.glyph} << 32U | std::uint64_t{key.phase} << 24U |
                                std::uint64_t{key.crisp} << 16U | std::uint64_t{key.fitted} << 8U |
                                key.outline;
    for (const std::uint64_t part :
         {small, std::bit_cast<std::uint64_t>(key.size), std::bit_cast<std::uint64_t>(key.stroke_width),
          std::bit_cast<std::uint64_t>(key.grown)})
        result = (std::rotl(result, 29) ^ part) * factor;
    return result ^ result >> 32U;
}

GlyphCache::Entry GlyphCache::find(const GlyphKey& key) {
    const std::lock_guard lock(mutex_);
    const auto found = places_.find(key);
    if (found == places_.end()) {
        ++use_.misses;
        return {};
    }
    ++use_.hits;
    kept_.splice(kept_.begin(), kept_, found->second);
    return found->second->entry;
}

void GlyphCache::keep(const GlyphKey& key, const Entry& entry) {
    const Mask* const mask = std::get_if<Mask>(&entry);
    const std::size_t bytes =
        overhead + (mask != nullptr ? (*mask)->bytes() : bytes_of(*std::get<Outline>(entry)));
    const std::lock_guard lock(mutex_);
    if (bytes > limit_ || places_.contains(key)) return;
    kept_.push_front({key, entry, bytes});
    places_.emplace(key, kept_.begin());
    use_.bytes += bytes;
    ++use_.glyphs;
    drop_what_is_too_much();
}

void GlyphCache::drop_what_is_too_much() {
    while (use_.bytes > limit_) {
        use_.bytes -= kept_.back().bytes;
        --use_.glyphs;
        places_.erase(kept_.back().key);
        kept_.pop_back();
    }
}

GlyphCacheUse GlyphCache::use() const {
    const std::lock_guard lock(mutex_);
    return use_;
}

void GlyphCache::limit(std::size_t bytes) {
    const std::lock_guard lock(mutex_);
    limit_ = bytes;
    drop_what_is_too_much();
}

} // namespace coldbrick::text
