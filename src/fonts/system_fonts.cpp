#include "base/nearest_word.hpp"
#include "base/range_checks.hpp"
#include "base/shown_text.hpp"
#include "fonts/font_file.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/font.hpp>

#include <fmt/core.h>
#include <fontconfig/fontconfig.h>

#include <algorithm>
#include <cmath>
#include <memory>
#include <new>
#include <set>
#include <tuple>

namespace coldbrick {

namespace {

struct Delete {
    void operator()(FcConfig* config) const { FcConfigDestroy(config); }
    void operator()(FcPattern* pattern) const { FcPatternDestroy(pattern); }
    void operator()(FcObjectSet* objects) const { FcObjectSetDestroy(objects); }
    void operator()(FcFontSet* fonts) const { FcFontSetDestroy(fonts); }
};
template <class T>
using Owned = std::unique_ptr<T, Delete>;

/// What is installed, as it was at the first use: of this component alone, whoever else uses the library.
FcConfig* installed() {
    static const Owned<FcConfig> config(FcInitLoadConfigAndFonts());
    if (config == nullptr) throw std::bad_alloc();
    return config.get();
}

const FcChar8* bytes_of(const std::string& text) {
    return reinterpret_cast<const FcChar8*>(text.c_str());
}

std::string text_of(const FcPattern* pattern, const char* object) {
    FcChar8* text = nullptr;
    if (FcPatternGetString(pattern, object, 0, &text) != FcResultMatch) return {};
    return reinterpret_cast<const char*>(text);
}

int whole_of(const FcPattern* pattern, const char* object) {
    int value = 0;
    FcPatternGetInteger(pattern, object, 0, &value);
    return value;
}

bool truth_of(const FcPattern* pattern, const char* object) {
    FcBool value = FcFalse;
    FcPatternGetBool(pattern, object, 0, &value);
    return value == FcTrue;
}

std::int32_t weight_of(const FcPattern* pattern) {
    double weight = FC_WEIGHT_REGULAR; // of variable fonts it is a range
    FcPatternGetDouble(pattern, FC_WEIGHT, 0, &weight);
    return static_cast<std::int32_t>(std::lround(FcWeightToOpenTypeDouble(weight)));
}

SystemFace face_of(const FcPattern* pattern) {
    return {.family = text_of(pattern, FC_FAMILY),
            .style = text_of(pattern, FC_STYLE),
            .weight = weight_of(pattern),
            .slanted = whole_of(pattern, FC_SLANT) != FC_SLANT_ROMAN,
            .variable = truth_of(pattern, FC_VARIABLE),
            .file = text_of(pattern, FC_FILE),
            .index = whole_of(pattern, FC_INDEX) & 0xFFFF}; // above are named instances
}

/// Where a variable font's weights come nearest to one; nothing for other fonts.
std::vector<FontAxis> axes_for(std::int32_t weight, std::span<const std::byte> font, std::int32_t index) {
    const std::vector<FontAxisRange> axes = font_axes(font, index);
    const auto axis = std::ranges::find(axes, "wght", &FontAxisRange::tag);
    if (axis == axes.end()) return {};
    return {{axis->tag, std::clamp(static_cast<double>(weight), axis->lowest, axis->highest)}};
}

bool same_family(const std::string& a, const std::string& b) {
    return FcStrCmpIgnoreCase(bytes_of(a), bytes_of(b)) == 0;
}

/// True if a match has a family among its names.
bool has_family(const FcPattern* pattern, const std::string& family) {
    FcChar8* name = nullptr;
    for (int i = 0; FcPatternGetString(pattern, FC_FAMILY, i, &name) == FcResultMatch; ++i)
        if (same_family(reinterpret_cast<const char*>(name), family)) return true;
    return false;
}

[[noreturn]] void fail_without_family(const std::string& family) {
    std::set<std::string> families;
    for (const SystemFace& face : system_faces()) families.insert(face.family);
    const std::vector<std::string_view> names(families.begin(), families.end());
    throw ArgumentError(fmt::format("no family {} is installed; there are {}{}", base::in_quotes(family),
                                    names.empty() ? "none" : base::list_of(names),
                                    base::did_you_mean(family, names)));
}

} // namespace

std::vector<SystemFace> system_faces() {
    const Owned<FcPattern> pattern(FcPatternCreate());
    const Owned<FcObjectSet> objects(FcObjectSetBuild(FC_FAMILY, FC_STYLE, FC_WEIGHT, FC_SLANT, FC_VARIABLE,
                                                      FC_FILE, FC_INDEX, static_cast<char*>(nullptr)));
    if (pattern == nullptr || objects == nullptr) throw std::bad_alloc();
    FcPatternAddBool(pattern.get(), FC_OUTLINE, FcTrue);
    const Owned<FcFontSet> fonts(FcFontList(installed(), pattern.get(), objects.get()));
    std::vector<SystemFace> result;
    if (fonts == nullptr) return result;
    for (int i = 0; i < fonts->nfont; ++i) result.push_back(face_of(fonts->fonts[i]));
    std::ranges::sort(result, {}, [](const SystemFace& face) {
        return std::tie(face.family, face.weight, face.slanted, face.style, face.file, face.index);
    });
    return result;
}

Face system_face(const std::string& family, const FaceChoice& choice) {
    base::check_range("face weight", choice.weight, 1, 1000);
    const Owned<FcPattern> pattern(FcPatternCreate());
    if (pattern == nullptr) throw std::bad_alloc();
    FcPatternAddString(pattern.get(), FC_FAMILY, bytes_of(family));
    FcPatternAddDouble(pattern.get(), FC_WEIGHT, FcWeightFromOpenTypeDouble(choice.weight));
    FcPatternAddInteger(pattern.get(), FC_SLANT, choice.slanted ? FC_SLANT_ITALIC : FC_SLANT_ROMAN);
    FcPatternAddBool(pattern.get(), FC_OUTLINE, FcTrue);
    FcConfigSubstitute(installed(), pattern.get(), FcMatchPattern);
    FcDefaultSubstitute(pattern.get());
    FcResult status = FcResultNoMatch;
    const Owned<FcPattern> match(FcFontMatch(installed(), pattern.get(), &status));
    if (match == nullptr || !has_family(match.get(), family)) fail_without_family(family);
    const SystemFace found = face_of(match.get());
    const std::vector<std::byte> bytes = fonts::bytes_of_file(found.file, FontOptions().most_bytes);
    std::vector<FontAxis> axes = axes_for(choice.weight, bytes, found.index);
    axes.insert(axes.end(), choice.axes.begin(), choice.axes.end());
    return read_face(bytes, {.index = found.index, .axes = std::move(axes)});
}

} // namespace coldbrick
