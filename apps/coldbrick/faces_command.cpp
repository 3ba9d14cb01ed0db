#include "commands.hpp"
#include "face_specimens.hpp"
#include "json_output.hpp"

#include <coldbrick/font.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::tool {

namespace {

/// The faces of a family as one line tells them: "400, 700 slanted".
std::string styles_of(const std::vector<SystemFace>& faces) {
    std::set<std::pair<std::int32_t, bool>> styles;
    bool variable = false;
    for (const SystemFace& face : faces) {
        styles.emplace(face.weight, face.slanted);
        variable = variable || face.variable;
    }
    std::string result;
    for (const auto& [weight, slanted] : styles)
        result += fmt::format("{}{}{}", result.empty() ? "" : ", ", weight, slanted ? " slanted" : "");
    return result + (variable ? ", and weights between" : "");
}

std::map<std::string, std::vector<SystemFace>> families() {
    std::map<std::string, std::vector<SystemFace>> result;
    for (SystemFace& face : system_faces()) {
        std::vector<SystemFace>& family = result[face.family];
        family.push_back(std::move(face));
    }
    return result;
}

void print_text() {
    fmt::print("stroke: built in, drawn with strokes of any width\n");
    fmt::print("bitmap: built in, of pixels, for sizes of 9, 18, 27, ...\n");
    for (const auto& [family, faces] : families()) fmt::print("{}: {}\n", family, styles_of(faces));
}

void print_as_json() {
    Json list = Json::list();
    for (const std::string_view name : Face::built_in_names())
        list.add({{"family", name}, {"built_in", true}});
    for (const SystemFace& face : system_faces())
        list.add({{"family", face.family},
                  {"built_in", false},
                  {"style", face.style},
                  {"weight", face.weight},
                  {"slanted", face.slanted},
                  {"variable", face.variable},
                  {"file", face.file},
                  {"index", face.index}});
    print_json(list);
}

} // namespace

void list_faces(const FacesArguments& arguments) {
    if (!arguments.output.path.empty()) {
        const auto built_in = Face::built_in_names();
        std::vector<std::string> names(built_in.begin(), built_in.end());
        for (const auto& [family, faces] : families()) names.push_back(family);
        save_image(arguments.face.empty()
                       ? specimen_of_all(names, arguments.sample)
                       : specimen_of({arguments.face, arguments.weight, arguments.slanted}, arguments.sample),
                   arguments.output);
    } else if (arguments.json) {
        print_as_json();
    } else {
        print_text();
    }
}

} // namespace coldbrick::tool
