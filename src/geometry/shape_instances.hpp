/// @file
/// The list of shapes for which templates of the public interface are compiled.
#pragma once

#include <coldbrick/shape.hpp>

#include <variant>

/// Stands in an instantiation that public headers declare: the namespace's visibility does not reach it.
#define COLDBRICK_EXPORTED __attribute__((visibility("default")))

/// Expands instantiate(S) for each shape with and without an inside. A macro, since nothing else can make
/// explicit instantiations from a list.
#define COLDBRICK_FOR_EACH_CLOSED_SHAPE(instantiate)                                                         \
    instantiate(Box) instantiate(RoundedBox) instantiate(Circle) instantiate(Ellipse) instantiate(Sector)    \
        instantiate(Segment) instantiate(Polygon) instantiate(Path)
#define COLDBRICK_FOR_EACH_SHAPE(instantiate)                                                                \
    instantiate(Dots) instantiate(Line) instantiate(Polyline) instantiate(Arc)                               \
        COLDBRICK_FOR_EACH_CLOSED_SHAPE(instantiate)

namespace coldbrick::geometry {

// The lists leave none of the shapes out.
// NOLINTNEXTLINE(bugprone-macro-parentheses): it is one of many summands
#define COLDBRICK_COUNT(S) +1
static_assert(COLDBRICK_FOR_EACH_CLOSED_SHAPE(COLDBRICK_COUNT) == detail::ClosedShapes::count);
static_assert(COLDBRICK_FOR_EACH_SHAPE(COLDBRICK_COUNT) == std::variant_size_v<Shape>);
#undef COLDBRICK_COUNT

} // namespace coldbrick::geometry
