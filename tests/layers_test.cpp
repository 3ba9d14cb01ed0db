// The layers: each file includes only its own layer and those below it, and the core prints nothing and opens
// no file.

#include "support/files.hpp"

#include <gtest/gtest.h>

#include <algorithm>
#include <map>
#include <regex>
#include <set>
#include <sstream>
#include <vector>

namespace coldbrick::test {

namespace {

namespace fs = std::filesystem;

const fs::path root = COLDBRICK_SOURCE_FOLDER; // NOLINT(cert-err58-cpp): a path of the build

/// From bottom to top. files and text stand beside each other on the core, fonts, annotation and sheet on
/// text.
const std::map<std::string, std::set<std::string>> allowed{
    {"base", {"base"}},
    {"geometry", {"base", "geometry"}},
    {"raster", {"base", "geometry", "raster"}},
    {"paint", {"base", "geometry", "paint"}},
    {"image", {"base", "geometry", "raster", "paint", "image"}},
    {"drawing", {"base", "geometry", "raster", "paint", "image", "drawing"}},
    {"files", {"base", "geometry", "paint", "image", "files"}},
    {"text", {"base", "geometry", "raster", "paint", "image", "drawing", "text"}},
    {"annotation", {"base", "geometry", "raster", "paint", "image", "drawing", "text", "annotation"}},
    {"fonts", {"base", "geometry", "text", "fonts"}},
    {"sheet", {"base", "geometry", "raster", "paint", "image", "drawing", "text", "annotation", "sheet"}},
};

/// The layer that each public header belongs to.
const std::map<std::string, std::string> public_layer{
    {"error", "base"},
    {"point", "base"},
    {"anchor", "base"},
    {"arc", "geometry"},
    {"dots", "geometry"},
    {"regular_polygon", "geometry"},
    {"rounded_box", "geometry"},
    {"mirror", "geometry"},
    {"hash", "paint"},
    {"angle", "geometry"},
    {"box", "base"},
    {"line", "geometry"},
    {"circle", "geometry"},
    {"span", "base"},
    {"line_style", "geometry"},
    {"fill_rule", "geometry"},
    {"polyline", "geometry"},
    {"polygon", "geometry"},
    {"ellipse", "geometry"},
    {"shape", "geometry"},
    {"orientation", "geometry"},
    {"channel", "paint"},
    {"blend", "paint"},
    {"paint", "paint"},
    {"palette", "paint"},
    {"deep_colour", "paint"},
    {"colour_space", "paint"},
    {"bitmap", "image"},
    {"overlay", "image"},
    {"convert", "image"},
    {"resize", "image"},
    {"flood", "image"},
    {"bounds", "image"},
    {"measure", "image"},
    {"colour", "paint"},
    {"colour_text", "paint"},
    {"colour_mixing", "paint"},
    {"pattern", "paint"},
    {"shared", "base"},
    {"version", "base"},
    {"pixel_format", "paint"},
    {"fill", "paint"},
    {"stroke", "paint"},
    {"image", "image"},
    {"region", "image"},
    {"series", "geometry"},
    {"image_view", "image"},
    {"draw", "image"},
    {"magnify", "image"},
    {"terminal_text", "image"},
    {"drawing", "drawing"},
    {"render", "drawing"},
    {"visibility", "drawing"},
    {"files", "files"},
    {"file_type", "files"},
    {"image_info", "files"},
    {"row_files", "files"},
    {"reel", "files"},
    {"quantise", "image"},
    {"function_ref", "base"},
    {"callback", "base"},
    {"own_state", "base"},
    {"stop_signal", "base"},
    {"duration", "base"},
    {"frame_rate", "base"},
    {"position", "base"},
    {"edges", "geometry"},
    {"line_width", "geometry"},
    {"path", "geometry"},
    {"path_of", "raster"},
    {"path_text", "geometry"},
    {"transform", "geometry"},
    {"stencil", "image"},
    {"sheet", "sheet"},
    {"sheet_check", "sheet"},
    {"sheet_place", "sheet"},
    {"mark_table", "sheet"},
    {"sweep", "sheet"},
    {"face", "text"},
    {"text_style", "text"},
    {"text", "text"},
    {"captions", "annotation"},
    {"rulers", "annotation"},
    {"legend", "annotation"},
    {"marks", "annotation"},
    {"picture_table", "annotation"},
    {"squared_paper", "annotation"},
    {"font", "fonts"},
};

/// The layers of the core, from bottom to top.
const std::vector<std::string> core_layers{"base", "geometry", "raster", "paint", "image", "drawing"};

/// Of each layer, the symbols that its object files define or need.
using Symbols = std::map<std::string, std::set<std::string>>;

Symbols symbols_of_objects(const std::string& which) {
    Symbols result;
    for (const std::string& layer : core_layers) {
        const fs::path folder = fs::path(COLDBRICK_OBJECT_FOLDER) / ("coldbrick_" + layer + ".dir");
        for (const auto& entry : fs::recursive_directory_iterator(folder)) {
            if (entry.path().extension() != ".o") continue;
            std::istringstream lines(
                run_command("nm --format=just-symbols " + which + " '" + entry.path().string() + "'").output);
            for (std::string symbol; std::getline(lines, symbol);) result[layer].insert(symbol);
        }
    }
    return result;
}

/// The symbols that a layer needs and that only layers define that it may not know.
std::vector<std::string> linked_upwards(const Symbols& defined, const Symbols& needed) {
    std::vector<std::string> found;
    for (const auto& [layer, symbols] : needed)
        for (const std::string& symbol : symbols) {
            bool in_allowed = false;
            bool in_other = false;
            for (const auto& [other, theirs] : defined)
                if (theirs.contains(symbol))
                    (allowed.at(layer).contains(other) ? in_allowed : in_other) = true;
            if (in_other && !in_allowed) found.push_back(layer + " needs " + symbol);
        }
    return found;
}

/// What is wrong with the includes of a file in this layer.
std::vector<std::string> offences(const std::string& layer, const std::string& text) {
    std::vector<std::string> found;
    const std::regex include(R"re(#include (?:"(\w+)/|<coldbrick/(\w+)\.hpp>))re");
    for (std::sregex_iterator match(text.begin(), text.end(), include), end; match != end; ++match) {
        const std::string header = (*match)[2];
        const std::string included = header.empty() ? std::string((*match)[1])
                                                    : (public_layer.contains(header) ? public_layer.at(header)
                                                                                     : "no layer: " + header);
        if (!allowed.at(layer).contains(included)) found.push_back((*match)[0]);
    }
    const bool core = layer != "files" && layer != "fonts" && layer != "sheet";
    const std::regex forbidden(
        R"(#include <(iostream|fstream|cstdio|filesystem|fmt/os\.h|fmt/ostream\.h)>|\bprintf\b|fmt::print)");
    std::smatch match;
    if (core && std::regex_search(text, match, forbidden)) found.push_back(match[0]);
    return found;
}

} // namespace

TEST(Layers, TheCheckSeesOffences) {
    EXPECT_EQ(offences("raster", "#include \"paint/painter.hpp\"").size(), 1U);
    EXPECT_EQ(offences("geometry", "#include <coldbrick/image.hpp>").size(), 1U);
    EXPECT_EQ(offences("image", "#include <coldbrick/drawing.hpp>\n#include <cstdio>").size(), 2U);
    EXPECT_EQ(offences("image", "#include \"raster/shapes/box.hpp\"\n#include <coldbrick/box.hpp>").size(),
              0U);
}

TEST(Layers, IncludesPointDownwardsAndTheCoreIsQuiet) {
    int files = 0;
    for (const auto& [layer, below] : allowed)
        for (const auto& entry : fs::recursive_directory_iterator(root / "src" / layer)) {
            if (!entry.is_regular_file()) continue;
            const auto found = offences(layer, read_file(entry.path()));
            EXPECT_TRUE(found.empty()) << entry.path() << ": " << found.front();
            ++files;
        }
    EXPECT_GT(files, 100);
}

TEST(Layers, TemplatesOfPublicHeadersAreVisibleInSharedLibraries) {
    const std::regex instance(
        R"((HIDDEN|DEFAULT) +\d+ [\w:]+ coldbrick::(draw|region|bounds|path_of)<coldbrick::[\w:<>() ]+>\([^{[]*$)");
    int visible = 0;
    for (const char* layer : {"image", "raster"})
        for (const auto& entry : fs::recursive_directory_iterator(
                 fs::path(COLDBRICK_OBJECT_FOLDER) / ("coldbrick_" + std::string(layer) + ".dir"))) {
            if (entry.path().extension() != ".o") continue;
            std::istringstream lines(
                run_command("readelf --syms --wide --demangle '" + entry.path().string() + "'").output);
            for (std::string line; std::getline(lines, line);) {
                std::smatch match;
                if (line.find("coldbrick::") == std::string::npos ||
                    !std::regex_search(line, match, instance))
                    continue;
                EXPECT_EQ(match[1], "DEFAULT") << line;
                ++visible;
            }
        }
    EXPECT_GT(visible, 80);
}

TEST(Layers, ObjectsNeedNoSymbolOfAHigherLayer) {
    const Symbols planted{{"geometry", {"low"}}, {"raster", {"high"}}};
    const Symbols planted_needs{{"geometry", {"low", "high", "elsewhere"}}, {"raster", {"low", "high"}}};
    EXPECT_EQ(linked_upwards(planted, planted_needs), std::vector<std::string>{"geometry needs high"});

    const Symbols defined = symbols_of_objects("--defined-only");
    const Symbols needed = symbols_of_objects("--undefined-only");
    ASSERT_EQ(defined.size(), core_layers.size());
    EXPECT_GT(needed.at("image").size(), 100U);
    for (const std::string& offence : linked_upwards(defined, needed)) ADD_FAILURE() << offence;
}

TEST(Layers, PublicHeadersPointDownwardsWithoutThirdParties) {
    const std::regex third_party(R"(#include <(?!coldbrick/)\w+[/.])");
    for (const auto& entry : fs::directory_iterator(root / "include/coldbrick")) {
        const std::string name = entry.path().stem();
        if (name == "coldbrick" || name == "format") continue; // all, and what is for users of {fmt} alone
        ASSERT_TRUE(public_layer.contains(name)) << name << " belongs to no layer";
        const std::string text = read_file(entry.path());
        const auto found = offences(public_layer.at(name), text);
        EXPECT_TRUE(found.empty()) << entry.path() << ": " << found.front();
        EXPECT_FALSE(std::regex_search(text, third_party)) << entry.path();
    }
}

} // namespace coldbrick::test
