// Ellipses, arcs, wide circles and dashes beside the textbook's; large areas beside the memory limit; shapes
// that reach far or lie outside.

#include "subjects.hpp"
#include "textbook.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/regular_polygon.hpp>

#include <benchmark/benchmark.h>

#include <string>

namespace {

namespace cb = coldbrick;

constexpr cb::Size canvas_size{250, 240};

/// Runs draw_one(image, position) over places of the image that leave a margin.
template <class Draw>
void ours(benchmark::State& state, int margin, Draw draw_one) {
    cb::Image image(canvas_size, cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    const auto positions = places(canvas_size, margin);
    for (auto _ : state) {
        for (const cb::Point& at : positions) draw_one(view, at);
        benchmark::ClobberMemory();
    }
    state.SetItemsProcessed(state.iterations() * static_cast<std::int64_t>(positions.size()));
}

template <class Draw>
void theirs(benchmark::State& state, int margin, Draw draw_one) {
    textbook::Canvas canvas(canvas_size.width, canvas_size.height);
    const auto positions = places(canvas_size, margin);
    for (auto _ : state) {
        for (const cb::Point& at : positions) draw_one(canvas, at);
        benchmark::ClobberMemory();
    }
    state.SetItemsProcessed(state.iterations() * static_cast<std::int64_t>(positions.size()));
}

/// Of the benchmarks of ellipses: the radius, and 1 if all are drawn at one place. The radii grow from the
/// argument on and are about half as large down, other ones each time: of a shape that is repeated the
/// processor would learn every turn by heart.
struct Radii {
    std::int32_t across;
    std::int32_t down;

    Radii(const benchmark::State& state, cb::Point at)
        : across(static_cast<std::int32_t>(state.range(0)) + at.x % 8), down(across / 2 + at.y % 4) {}
};

/// All over the image, or again and again at the same place, which the nearest cache holds.
cb::Point centre(const benchmark::State& state, cb::Point at) {
    return state.range(1) != 0 ? cb::Point{canvas_size.width / 2, canvas_size.height / 2} : at;
}

cb::Ellipse ellipse(const benchmark::State& state, cb::Point at) {
    const Radii radii(state, at);
    return cb::Ellipse::about(centre(state, at), radii.across, radii.down);
}

void ellipse_fill(benchmark::State& state) {
    ours(state, 70, [&](const cb::ImageView& view, cb::Point at) {
        cb::draw(view, ellipse(state, at), cb::Fill{colour});
    });
}
BENCHMARK(ellipse_fill)->ArgsProduct({{6, 16, 60}, {0, 1}});

void textbook_ellipse(benchmark::State& state, bool filled) {
    theirs(state, 70, [&](textbook::Canvas& canvas, cb::Point at) {
        const Radii radii(state, at);
        const cb::Point middle = centre(state, at);
        textbook::ellipse(canvas, middle.x, middle.y, radii.across, radii.down, filled, textbook_colour);
    });
}

void ellipse_fill_textbook(benchmark::State& state) {
    textbook_ellipse(state, true);
}
BENCHMARK(ellipse_fill_textbook)->ArgsProduct({{6, 16, 60}, {0, 1}});

void ellipse_outline(benchmark::State& state) {
    const cb::Stroke stroke{colour};
    ours(state, 70,
         [&](const cb::ImageView& view, cb::Point at) { cb::draw(view, ellipse(state, at), stroke); });
}
BENCHMARK(ellipse_outline)->ArgsProduct({{6, 16, 60}, {0, 1}});

void ellipse_outline_textbook(benchmark::State& state) {
    textbook_ellipse(state, false);
}
BENCHMARK(ellipse_outline_textbook)->ArgsProduct({{6, 16, 60}, {0, 1}});

/// Arguments: radius and width.
void wide_circle(benchmark::State& state) {
    const auto radius = static_cast<std::int32_t>(state.range(0));
    const cb::Stroke stroke{colour, static_cast<std::int32_t>(state.range(1))};
    ours(state, 75, [&](const cb::ImageView& view, cb::Point at) {
        cb::draw(view, cb::Circle{at, radius}, stroke);
    });
}
BENCHMARK(wide_circle)->Args({20, 3})->Args({40, 3})->Args({60, 5})->Args({60, 20});

void wide_circle_textbook(benchmark::State& state) {
    const auto radius = static_cast<int>(state.range(0));
    const auto width = static_cast<int>(state.range(1));
    theirs(state, 75, [&](textbook::Canvas& canvas, cb::Point at) {
        textbook::wide_circle(canvas, at.x, at.y, radius, width, textbook_colour);
    });
}
BENCHMARK(wide_circle_textbook)->Args({20, 3})->Args({40, 3})->Args({60, 5})->Args({60, 20});

/// The band of constant width; the textbook's is the difference of two ellipses, which is not.
void wide_ellipse(benchmark::State& state) {
    const cb::Stroke stroke{colour, 5};
    ours(state, 75,
         [&](const cb::ImageView& view, cb::Point at) { cb::draw(view, ellipse(state, at), stroke); });
}
BENCHMARK(wide_ellipse)->Args({60, 0});

void wide_ellipse_textbook(benchmark::State& state) {
    const auto radius = static_cast<int>(state.range(0));
    theirs(state, 75, [&](textbook::Canvas& canvas, cb::Point at) {
        textbook::wide_ellipse(canvas, at.x, at.y, radius, radius / 2, 5, textbook_colour);
    });
}
BENCHMARK(wide_ellipse_textbook)->Args({60, 0});

/// Arguments: radius and width, 1 or more.
void arc(benchmark::State& state) {
    const auto radius = static_cast<std::int32_t>(state.range(0));
    const cb::Stroke stroke{colour, static_cast<std::int32_t>(state.range(1))};
    ours(state, 75, [&](const cb::ImageView& view, cb::Point at) {
        cb::draw(view, cb::Arc::about(at, radius, cb::degrees(200), cb::degrees(140)), stroke);
    });
}
BENCHMARK(arc)->Args({60, 1})->Args({60, 5});

void arc_textbook(benchmark::State& state) {
    const auto radius = static_cast<int>(state.range(0));
    const auto width = static_cast<int>(state.range(1));
    theirs(state, 75, [&](textbook::Canvas& canvas, cb::Point at) {
        textbook::wide_arc(canvas, at.x, at.y, radius, width, 200, 340, textbook_colour);
    });
}
BENCHMARK(arc_textbook)->Args({60, 1})->Args({60, 5});

void sector(benchmark::State& state) {
    const auto radius = static_cast<std::int32_t>(state.range(0));
    ours(state, 75, [&](const cb::ImageView& view, cb::Point at) {
        cb::draw(view, cb::Sector::about(at, radius, cb::degrees(200), cb::degrees(140)), cb::Fill{colour});
    });
}
BENCHMARK(sector)->Arg(60);

void sector_textbook(benchmark::State& state) {
    const auto radius = static_cast<int>(state.range(0));
    theirs(state, 75, [&](textbook::Canvas& canvas, cb::Point at) {
        textbook::wide_arc(canvas, at.x, at.y, radius / 2, radius, 200, 340, textbook_colour);
    });
}
BENCHMARK(sector_textbook)->Arg(60);

/// A path of four lines of 60 pixels with dashes of 6 and 4 pixels; the argument is the width.
void dashed_path(benchmark::State& state) {
    cb::Stroke stroke{colour, static_cast<std::int32_t>(state.range(0))};
    stroke.dashes.lengths = {6, 4};
    ours(state, 75, [&](const cb::ImageView& view, cb::Point at) {
        cb::draw(
            view,
            cb::Polyline{{at, {at.x + 60, at.y + 10}, {at.x + 50, at.y + 69}, {at.x - 5, at.y + 45}, at}},
            stroke);
    });
}
BENCHMARK(dashed_path)->Arg(1)->Arg(5);

void dashed_path_textbook(benchmark::State& state) {
    const auto width = static_cast<int>(state.range(0));
    theirs(state, 75, [&](textbook::Canvas& canvas, cb::Point at) {
        textbook::dashed_line(canvas, at.x, at.y, at.x + 60, at.y + 10, width, 6, 4, textbook_colour);
        textbook::dashed_line(canvas, at.x + 60, at.y + 10, at.x + 50, at.y + 69, width, 6, 4,
                              textbook_colour);
        textbook::dashed_line(canvas, at.x + 50, at.y + 69, at.x - 5, at.y + 45, width, 6, 4,
                              textbook_colour);
        textbook::dashed_line(canvas, at.x - 5, at.y + 45, at.x, at.y, width, 6, 4, textbook_colour);
    });
}
BENCHMARK(dashed_path_textbook)->Arg(1)->Arg(5);

/// Shapes that cover most of the screen.
const std::vector<std::pair<std::string, cb::Shape>>& large_shapes() {
    static const std::vector<std::pair<std::string, cb::Shape>> shapes{
        {"ellipse", cb::Ellipse{{10, 10, 1900, 1060}}},
        {"turned ellipse", cb::Ellipse{{210, 40, 1500, 1000}, cb::degrees(10)}},
        {"sector", cb::Sector{{{10, 10, 1900, 1060}}, cb::degrees(20), cb::degrees(300)}},
        {"segment", cb::Segment{{{10, 10, 1900, 1060}}, cb::degrees(20), cb::degrees(300)}},
        {"rounded box", cb::RoundedBox{{10, 10, 1900, 1060}, 100}},
        {"polygon", cb::regular_polygon({960, 540}, 530, 12)}};
    return shapes;
}

void large_fill(benchmark::State& state) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    const auto& [name, shape] = large_shapes().at(static_cast<std::size_t>(state.range(0)));
    for (auto _ : state) {
        const auto draw_one = [&]<class S>(const S& one) {
            if constexpr (cb::ClosedShape<S>) cb::draw(image, one, cb::Fill{colour});
        };
        std::visit(draw_one, shape);
        benchmark::ClobberMemory();
    }
    state.SetLabel(name);
}
BENCHMARK(large_fill)->DenseRange(0, 5);

/// std::fill on the very rows of the large shapes: the memory limit for their pixels.
void large_fill_std_fill(benchmark::State& state) {
    textbook::Canvas canvas(screen.width, screen.height);
    const auto& [name, shape] = large_shapes().at(static_cast<std::size_t>(state.range(0)));
    cb::Region rows;
    const auto find_rows = [&rows]<class S>(const S& one) {
        if constexpr (cb::ClosedShape<S>) rows = cb::region(one);
    };
    std::visit(find_rows, shape);
    for (auto _ : state) {
        for (const cb::Span& span : rows.spans())
            canvas.set_row(span.x_begin, static_cast<int>(span.x_end) - 1, span.y, textbook_colour);
        benchmark::ClobberMemory();
    }
    state.SetLabel(name);
}
BENCHMARK(large_fill_std_fill)->DenseRange(0, 5);

/// A shape that crosses the screen; the argument is how far it reaches beyond.
void far_reaching(benchmark::State& state, const auto& draw_one) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    const auto reach = static_cast<std::int32_t>(state.range(0));
    for (auto _ : state) {
        draw_one(view, reach);
        benchmark::ClobberMemory();
    }
}

void far_line(benchmark::State& state) {
    far_reaching(state, [](const cb::ImageView& view, std::int32_t reach) {
        cb::draw(view, cb::Line{{-reach, 500}, {reach, 580}}, cb::Stroke{colour, 5});
    });
}
BENCHMARK(far_line)->Arg(1 << 12)->Arg(2147483647);

void far_circle(benchmark::State& state) {
    far_reaching(state, [](const cb::ImageView& view, std::int32_t reach) {
        cb::draw(view, cb::Circle{{960, 540 - reach}, reach}, cb::Stroke{colour, 5});
    });
}
BENCHMARK(far_circle)->Arg(1 << 12)->Arg(2147482000);

void far_ellipse(benchmark::State& state) {
    far_reaching(state, [](const cb::ImageView& view, std::int32_t reach) {
        cb::draw(view, cb::Ellipse::about({960, 540 - reach}, reach, reach), cb::Fill{colour});
    });
}
BENCHMARK(far_ellipse)->Arg(1 << 12)->Arg(2147482000);

/// 100,000 shapes of one kind outside the screen.
template <class Draw>
void outside(benchmark::State& state, Draw draw_one) {
    cb::Image image(screen, cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    for (auto _ : state)
        for (std::int32_t i = 0; i < 100000; ++i) draw_one(view, cb::Point{2000 + i % 1000, -5000 + i / 10});
    state.SetItemsProcessed(state.iterations() * 100000);
}

void outside_lines(benchmark::State& state) {
    outside(state, [stroke = cb::Stroke{colour}](const cb::ImageView& view, cb::Point at) {
        cb::draw(view, cb::Line{at, {at.x + 30, at.y + 20}}, stroke);
    });
}
BENCHMARK(outside_lines);

void outside_boxes(benchmark::State& state) {
    outside(state, [](const cb::ImageView& view, cb::Point at) {
        cb::draw(view, cb::Box{at.x, at.y, 30, 20}, cb::Fill{colour});
    });
}
BENCHMARK(outside_boxes);

void outside_circles(benchmark::State& state) {
    outside(state, [](const cb::ImageView& view, cb::Point at) {
        cb::draw(view, cb::Circle{at, 20}, cb::Fill{colour});
    });
}
BENCHMARK(outside_circles);

void outside_ellipses(benchmark::State& state) {
    outside(state, [stroke = cb::Stroke{colour, 3}](const cb::ImageView& view, cb::Point at) {
        cb::draw(view, cb::Ellipse::about(at, 20, 10), stroke);
    });
}
BENCHMARK(outside_ellipses);

/// Boxes and lines from an array of numbers beside the loop of single calls.
std::vector<std::int32_t> numbers(int reach) {
    std::vector<std::int32_t> result;
    for (const cb::Point& at : places(canvas_size, reach))
        result.insert(result.end(), {at.x, at.y, at.x + reach, at.y + reach / 2});
    return result;
}

void many_boxes(benchmark::State& state) {
    cb::Image image(canvas_size, cb::PixelFormat::rgba8);
    const auto array = numbers(4);
    for (auto _ : state) {
        cb::draw(image, cb::Series{cb::Series::Kind::boxes, array}, cb::Fill{colour});
        benchmark::ClobberMemory();
    }
    state.SetItemsProcessed(state.iterations() * 512);
}
BENCHMARK(many_boxes);

void many_boxes_in_a_loop(benchmark::State& state) {
    cb::Image image(canvas_size, cb::PixelFormat::rgba8);
    const cb::ImageView view = image;
    const auto array = numbers(4);
    for (auto _ : state) {
        for (std::size_t i = 0; i < array.size(); i += 4)
            cb::draw(view, cb::Box::between({array[i], array[i + 1]}, {array[i + 2], array[i + 3]}),
                     cb::Fill{colour});
        benchmark::ClobberMemory();
    }
    state.SetItemsProcessed(state.iterations() * 512);
}
BENCHMARK(many_boxes_in_a_loop);

void many_lines(benchmark::State& state) {
    cb::Image image(canvas_size, cb::PixelFormat::rgba8);
    const auto array = numbers(16);
    for (auto _ : state) {
        cb::draw(image, cb::Series{cb::Series::Kind::lines, array}, cb::Stroke{colour});
        benchmark::ClobberMemory();
    }
    state.SetItemsProcessed(state.iterations() * 512);
}
BENCHMARK(many_lines);

} // namespace
