#include "sheet/style_values.hpp"

#include "base/limits.hpp"
#include "image/style_checks.hpp"

#include <cmath>
#include <cstdint>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

/// Stops without a place of their own lie evenly between the ends.
std::vector<ColourStop> stops_of(const std::vector<StopWords>& words, const Definitions& names) {
    std::vector<ColourStop> result;
    for (std::size_t i = 0; i < words.size(); ++i) {
        const double even =
            words.size() == 1 ? 0 : static_cast<double>(i) / static_cast<double>(words.size() - 1);
        const double place = words[i].place ? share(*words[i].place, names, "place") : even;
        result.push_back({place, colour_value(*words[i].colour, names)});
    }
    return result;
}

/// Works out what a shape is painted with.
struct PaintMaker {
    const Definitions& names;

    Paint operator()(const ExpressionPtr& colour) const { return colour_value(*colour, names); }

    Paint operator()(const AlongWords& words) const {
        LinearGradient gradient{pixel(*words.from, names), pixel(*words.to, names),
                                stops_of(words.stops, names)};
        return at_place(words.to->location, [&] { return Paint(Pattern(std::move(gradient))); });
    }

    Paint operator()(const AroundWords& words) const {
        RadialGradient gradient{pixel(*words.centre, names), pixels(*words.radius, names, "radius", 1),
                                stops_of(words.stops, names)};
        return at_place(words.radius->location, [&] { return Paint(Pattern(std::move(gradient))); });
    }

    Paint operator()(const HatchWords& words) const {
        Hatch hatch;
        hatch.direction = words.direction;
        hatch.colour = colour_value(*words.colour, names);
        if (words.spacing) hatch.spacing = pixels(*words.spacing, names, "spacing", 1);
        if (words.width) hatch.width = pixels(*words.width, names, "width", 1);
        if (words.ground) hatch.ground = colour_value(*words.ground, names);
        return hatch;
    }
};

} // namespace

Paint paint_of(const PaintWords& words, const Definitions& names) {
    return std::visit(PaintMaker{names}, words);
}

Blending blending_of(const BlendingWords& words, const Definitions& names) {
    Blending result{words.mode, 255, words.space};
    if (words.opacity)
        result.opacity =
            static_cast<std::uint8_t>(std::floor(255 * share(*words.opacity, names, "opacity") + 0.5));
    return result;
}

Fill fill_of(const FillWords& words, const Definitions& names, Edges edges) {
    return {paint_of(words.paint, names), words.rule, words.extent, blending_of(words.blending, names),
            words.edges.value_or(edges)};
}

Stroke stroke_of(const StrokeWords& words, const Definitions& names, Edges edges) {
    Stroke result{paint_of(words.paint, names)};
    result.blending = blending_of(words.blending, names);
    result.edges = words.edges.value_or(edges);
    if (words.width) {
        result.width = number(*words.width, names, "stroke width");
        at_place(words.width->location, [&result] { image::check_width(result); });
    }
    result.cap = words.cap;
    result.join = words.join;
    if (words.limit) result.mitre_limit = number(*words.limit, names, "mitre limit");
    result.alignment = words.alignment;
    for (const ExpressionPtr& length : words.dashes)
        result.dashes.lengths.push_back(number(*length, names, "dash length"));
    if (words.offset) result.dashes.offset = number(*words.offset, names, "dash offset");
    if (words.offset && words.dashes.empty()) fail(words.offset->location, "there are no dashes to offset");
    // What else could be wrong has its place in the whole statement.
    if (words.limit)
        at_place(words.limit->location, [&result] { image::check_mitre_limit(result.mitre_limit); });
    if (!words.dashes.empty())
        at_place(words.dashes.front()->location, [&result] { image::check(result.dashes); });
    return result;
}

} // namespace coldbrick::sheet
