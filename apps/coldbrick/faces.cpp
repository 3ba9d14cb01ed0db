#include "faces.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <string_view>

namespace coldbrick::tool {

namespace {

constexpr std::string_view font_extensions[] = {".ttf", ".otf", ".ttc", ".otc"};

/// The weight of a variable font's file; other files have the one that they have.
FontOptions options_for(const WantedFace& wanted) {
    if (wanted.slanted)
        throw ArgumentError("a font file is slanted or not: name the file of the slanted face");
    FontOptions options{.axes = wanted.axes};
    if (wanted.weight != WantedFace().weight)
        options.axes.push_back({"wght", static_cast<double>(wanted.weight)});
    return options;
}

} // namespace

bool is_font_file(const std::string& name) {
    return std::ranges::any_of(font_extensions,
                               [&](std::string_view extension) { return name.ends_with(extension); });
}

Face face_named(const WantedFace& wanted, const std::filesystem::path& folder) {
    const auto built_in = Face::built_in_names();
    if (std::ranges::find(built_in, wanted.name) != built_in.end()) {
        if (wanted.weight != WantedFace().weight || wanted.slanted)
            throw ArgumentError(
                fmt::format("the built-in face {} has one weight and is not slanted", wanted.name));
        return Face::built_in(wanted.name);
    }
    if (is_font_file(wanted.name)) return load_face((folder / wanted.name).string(), options_for(wanted));
    return system_face(wanted.name,
                       {.weight = wanted.weight, .slanted = wanted.slanted, .axes = wanted.axes});
}

} // namespace coldbrick::tool
