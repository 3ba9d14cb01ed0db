#include "fonts/font.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <limits>
#include <new>
#include <string_view>

#include FT_MULTIPLE_MASTERS_H

namespace coldbrick::fonts {

namespace {

/// Describes an axis that a font lacks, or a value that it does not reach.
[[noreturn]] void fail_without_axis(const std::string& tag, const std::vector<FontAxisRange>& axes) {
    std::vector<std::string_view> tags;
    tags.reserve(axes.size());
    for (const FontAxisRange& axis : axes) tags.emplace_back(axis.tag);
    if (tags.empty())
        throw ArgumentError(fmt::format("the font has no axis {}: it is not variable", base::in_quotes(tag)));
    throw ArgumentError(fmt::format("the font has no axis {}; it has {}{}", base::in_quotes(tag),
                                    base::list_of(tags), base::did_you_mean(tag, tags)));
}

std::string text_of_tag(FT_ULong tag) {
    std::string result;
    for (int shift = 24; shift >= 0; shift -= 8) result.push_back(static_cast<char>(tag >> shift & 0xFFU));
    return result;
}

constexpr double fixed_one = 65536;

double number_of(FT_Fixed fixed) {
    return static_cast<double>(fixed) / fixed_one;
}

/// The design axes of a face, until it goes out of scope.
class DesignAxes {
  public:
    explicit DesignAxes(FT_Face face) : library_(face->glyph->library) {
        if (FT_HAS_MULTIPLE_MASTERS(face) && FT_Get_MM_Var(face, &axes_) != 0) axes_ = nullptr;
    }
    DesignAxes(const DesignAxes&) = delete;
    DesignAxes& operator=(const DesignAxes&) = delete;
    ~DesignAxes() {
        if (axes_ != nullptr) FT_Done_MM_Var(library_, axes_);
    }

    [[nodiscard]] std::span<const FT_Var_Axis> get() const {
        if (axes_ == nullptr) return {};
        return {axes_->axis, axes_->num_axis};
    }

  private:
    FT_Library library_;
    FT_MM_Var* axes_ = nullptr;
};

} // namespace

Font::Font(std::vector<std::byte> bytes, const FontOptions& options) : bytes_(std::move(bytes)) {
    FT_Library library = nullptr;
    if (FT_Init_FreeType(&library) != 0) throw std::bad_alloc();
    library_.reset(library);
    if (bytes_.empty() || bytes_.size() > std::numeric_limits<std::int32_t>::max())
        throw FileError(fmt::format("cannot read the font: it has {} bytes", bytes_.size()));
    const auto* data = reinterpret_cast<const FT_Byte*>(bytes_.data());
    const auto size = static_cast<FT_Long>(bytes_.size());
    FT_Face face = nullptr;
    if (FT_New_Memory_Face(library, data, size, -1, &face) != 0)
        throw FileError("cannot read the font: it is no TrueType or OpenType font, or it is damaged");
    face_.reset(face);
    const FT_Long faces = std::max<FT_Long>(face->num_faces, 1);
    if (options.index < 0 || options.index >= faces)
        throw FileError(
            fmt::format("cannot read the font: face {} is outside 0..{}", options.index, faces - 1));
    face_.reset();
    if (FT_New_Memory_Face(library, data, size, options.index, &face) != 0)
        throw FileError(fmt::format("cannot read the font: its face {} is damaged", options.index));
    face_.reset(face);
    if (!FT_IS_SCALABLE(face) || face->units_per_EM == 0)
        throw FileError("cannot read the font: it has no outlines");
    units_per_em_ = face->units_per_EM;
    name_ = face->family_name == nullptr ? "unnamed" : face->family_name;
    if (face->style_name != nullptr && std::string_view(face->style_name) != "Regular")
        name_ += std::string(" ") + face->style_name;

    const Owned<hb_blob_t> blob(hb_blob_create(reinterpret_cast<const char*>(bytes_.data()),
                                               static_cast<unsigned>(bytes_.size()), HB_MEMORY_MODE_READONLY,
                                               nullptr, nullptr));
    const Owned<hb_face_t> shaped(hb_face_create(blob.get(), static_cast<unsigned>(options.index)));
    shaper_.reset(hb_font_create(shaped.get()));
    const int scale = static_cast<int>(face->units_per_EM) * parts_of_unit;
    hb_font_set_scale(shaper_.get(), scale, scale);
    set_axes(options.axes);
    hb_font_make_immutable(shaper_.get());
}

std::vector<FontAxisRange> Font::axes() const {
    std::vector<FontAxisRange> result;
    const DesignAxes axes(face_.get());
    for (const FT_Var_Axis& axis : axes.get())
        result.push_back(
            {text_of_tag(axis.tag), number_of(axis.minimum), number_of(axis.def), number_of(axis.maximum)});
    return result;
}

void Font::set_axes(const std::vector<FontAxis>& wanted) {
    if (wanted.empty()) return;
    const std::vector<FontAxisRange> ranges = axes();
    std::vector<FT_Fixed> values;
    values.reserve(ranges.size());
    for (const FontAxisRange& range : ranges)
        values.push_back(static_cast<FT_Fixed>(range.usual * fixed_one));
    std::vector<hb_variation_t> variations;
    for (const FontAxis& axis : wanted) {
        const auto range = std::ranges::find(ranges, axis.tag, &FontAxisRange::tag);
        if (range == ranges.end()) fail_without_axis(axis.tag, ranges);
        if (!(axis.value >= range->lowest && axis.value <= range->highest))
            throw ArgumentError(fmt::format("value {} of the font's axis {} is outside {}..{}", axis.value,
                                            axis.tag, range->lowest, range->highest));
        values[static_cast<std::size_t>(range - ranges.begin())] =
            static_cast<FT_Fixed>(axis.value * fixed_one);
        variations.push_back({hb_tag_from_string(axis.tag.data(), static_cast<int>(axis.tag.size())),
                              static_cast<float>(axis.value)});
    }
    if (FT_Set_Var_Design_Coordinates(face_.get(), static_cast<FT_UInt>(values.size()), values.data()) != 0)
        throw FileError("cannot read the font: its axes are damaged");
    hb_font_set_variations(shaper_.get(), variations.data(), static_cast<unsigned>(variations.size()));
}

} // namespace coldbrick::fonts
