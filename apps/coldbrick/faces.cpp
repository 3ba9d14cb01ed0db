#include "faces.hpp"

#include <coldbrick/error.hpp>

#include <algorithm>
#include <string_view>

namespace cb = coldbrick;

namespace {

constexpr std::string_view font_extensions[] = {".ttf", ".otf", ".ttc", ".otc"};

/// The weight of a variable font's file; other files have the one that they have.
cb::FontOptions options_for(const cb::WantedFace& wanted) {
    if (wanted.slanted)
        throw cb::ArgumentError("a font file is slanted or not: name the file of the slanted face");
    cb::FontOptions options{.axes = wanted.axes};
    if (wanted.weight != cb::WantedFace().weight)
        options.axes.push_back({"wght", static_cast<double>(wanted.weight)});
    return options;
}

} // namespace

bool is_font_file(const std::string& name) {
    return std::ranges::any_of(font_extensions,
                               [&](std::string_view extension) { return name.ends_with(extension); });
}

cb::Face face_named(const cb::WantedFace& wanted, const std::filesystem::path& folder) {
    const auto built_in = cb::Face::built_in_names();
    if (std::ranges::find(built_in, wanted.name) != built_in.end()) return cb::Face::built_in(wanted.name);
    if (is_font_file(wanted.name)) return cb::load_face((folder / wanted.name).string(), options_for(wanted));
    return cb::system_face(wanted.name,
                           {.weight = wanted.weight, .slanted = wanted.slanted, .axes = wanted.axes});
}
