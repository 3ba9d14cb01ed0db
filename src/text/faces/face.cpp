#include <coldbrick/face.hpp>

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"
#include "text/faces/built_in_faces.hpp"
#include "text/faces/letterforms.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

namespace coldbrick {

Face::Face(detail::SharedState<text::Letterforms> letterforms) : letterforms_(std::move(letterforms)) {}

Face Face::stroke() {
    static const Face face(text::make_stroke_face());
    return face;
}

Face Face::bitmap() {
    static const Face face(text::make_bitmap_face());
    return face;
}

std::span<const std::string_view> Face::built_in_names() {
    return text::built_in_names;
}

Face Face::built_in(std::string_view name) {
    if (name == "stroke") return stroke();
    if (name == "bitmap") return bitmap();
    throw ArgumentError(fmt::format("there is no built-in face {}; there are {}{}", base::in_quotes(name),
                                    base::list_of(text::built_in_names),
                                    base::did_you_mean(name, text::built_in_names)));
}

std::string_view Face::name() const {
    return letterforms_->name();
}

bool Face::has(char32_t character) const {
    return letterforms_->has(character);
}

GlyphCacheUse Face::cache_use() const {
    return letterforms_->cache().use();
}

void Face::limit_cache(std::size_t bytes) const {
    letterforms_->cache().limit(bytes);
}

} // namespace coldbrick
