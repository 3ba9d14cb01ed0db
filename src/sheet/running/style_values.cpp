#include "sheet/running/style_values.hpp"

#include "base/limits.hpp"
#include "image/drawing/style_checks.hpp"
#include "sheet/running/evaluator.hpp"
#include "sheet/running/loaded_files.hpp"

#include <fmt/core.h>

#include <cmath>
#include <cstdint>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

/// Stops without a place of their own lie evenly between the ends.
std::vector<ColourStop> stops_of(const std::vector<StopWords>& words, const Context& context) {
    std::vector<ColourStop> result;
    for (std::size_t i = 0; i < words.size(); ++i) {
        const double even =
            words.size() == 1 ? 0 : static_cast<double>(i) / static_cast<double>(words.size() - 1);
        const double place = words[i].place ? share(*words[i].place, context, "place") : even;
        result.push_back({place, colour_value(*words[i].colour, context)});
    }
    return result;
}

/// Works out what a shape is painted with.
struct PaintMaker {
    const Context& context;

    Paint operator()(const ExpressionPtr& colour) const { return colour_value(*colour, context); }

    Paint operator()(const AlongWords& words) const {
        LinearGradient gradient{placed_pixel(*words.from, context), placed_pixel(*words.to, context),
                                stops_of(words.stops, context)};
        return at_place(words.to->location, [&] { return Paint(Pattern(std::move(gradient))); });
    }

    Paint operator()(const AroundWords& words) const {
        const double radius = context.placing.scale * number(*words.radius, context, "radius");
        RadialGradient gradient{placed_pixel(*words.centre, context),
                                whole_number(words.radius->location, "radius", radius, 1),
                                stops_of(words.stops, context)};
        return at_place(words.radius->location, [&] { return Paint(Pattern(std::move(gradient))); });
    }

    Paint operator()(const HatchWords& words) const {
        Hatch hatch;
        hatch.direction = words.direction;
        hatch.colour = colour_value(*words.colour, context);
        if (words.spacing) hatch.spacing = pixels(*words.spacing, context, "spacing", 1);
        if (words.width) hatch.width = pixels(*words.width, context, "width", 1);
        if (words.ground) hatch.ground = colour_value(*words.ground, context);
        return hatch;
    }

    Paint operator()(const StippleWords& words) const {
        Stipple stipple{words.rows, colour_value(*words.colour, context)};
        if (words.ground) stipple.ground = colour_value(*words.ground, context);
        return stipple;
    }

    Paint operator()(const TextureWords& words) const { return context.files->texture(words.file); }
};

} // namespace

Paint paint_of(const PaintWords& words, const Context& context) {
    return std::visit(PaintMaker{context}, words);
}

Blending blending_of(const BlendingWords& words, const Context& context) {
    Blending result{words.mode, 255, words.space};
    if (words.opacity)
        result.opacity =
            static_cast<std::uint8_t>(std::floor(255 * share(*words.opacity, context, "opacity") + 0.5));
    return result;
}

Fill fill_of(const FillWords& words, const Context& context, Edges edges) {
    return {paint_of(words.paint, context), words.rule, words.extent, blending_of(words.blending, context),
            words.edges.value_or(edges)};
}

Stroke stroke_of(const StrokeWords& words, const Context& context, Edges edges) {
    Stroke result{paint_of(words.paint, context)};
    result.blending = blending_of(words.blending, context);
    result.edges = words.edges.value_or(edges);
    if (words.width) {
        result.width = context.placing.scale * number(*words.width, context, "stroke width");
        at_place(words.width->location, [&result] { image::check_width(result); });
    }
    result.cap = words.cap;
    result.join = words.join;
    if (words.limit) result.mitre_limit = number(*words.limit, context, "mitre limit");
    result.alignment = words.alignment;
    for (const ExpressionPtr& length : words.dashes)
        result.dashes.lengths.push_back(context.placing.scale * number(*length, context, "dash length"));
    if (words.offset)
        result.dashes.offset = context.placing.scale * number(*words.offset, context, "dash offset");
    if (words.offset && words.dashes.empty()) fail(words.offset->location, "there are no dashes to offset");
    // What else could be wrong has its place in the whole statement.
    if (words.limit)
        at_place(words.limit->location, [&result] { image::check_mitre_limit(result.mitre_limit); });
    if (!words.dashes.empty())
        at_place(words.dashes.front()->location, [&result] { image::check(result.dashes); });
    return result;
}

ShapeStyle shape_style_of(const StyleWords& words, const Context& context, Edges edges) {
    ShapeStyle result;
    if (words.base) {
        const Value value = evaluate(*words.base, context);
        const auto* const style = std::get_if<Style>(&value);
        const auto* const base = style == nullptr ? nullptr : std::get_if<ShapeStyle>(&**style);
        if (base == nullptr)
            fail(words.base->location, fmt::format("expected a style of shapes, not {}",
                                                   style == nullptr ? kind_name(value) : "one of texts"));
        result = *base;
    }
    if (words.fill) result.fill = fill_of(*words.fill, context, edges);
    if (words.stroke) result.stroke = stroke_of(*words.stroke, context, edges);
    return result;
}

} // namespace coldbrick::sheet
