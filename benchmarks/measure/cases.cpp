#include "cases.hpp"

#include "subjects.hpp"
#include "textbook.hpp"

#include <coldbrick/bitmap.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/regular_polygon.hpp>

#include <cmath>
#include <cstddef>
#include <memory>
#include <numbers>
#include <utility>

namespace {

namespace cb = coldbrick;

/// A style that hides what is there, and its see-through sister.
const cb::Colour see_through(0x70, 0x50, 0x30, 0x80); // NOLINT(cert-err58-cpp): four numbers
constexpr std::uint32_t textbook_see_through = 0x80305070;

/// A canvas for each side.
struct Canvases {
    explicit Canvases(cb::Size size)
        : ours(size, cb::PixelFormat::rgba8),
          bytes(4 * static_cast<std::size_t>(size.width) * static_cast<std::size_t>(size.height)),
          theirs{bytes.data(), size.width, size.height, std::ptrdiff_t{4} * size.width} {
        cb::clear(ours, cb::Colour(255, 255, 255));
        std::fill(bytes.begin(), bytes.end(), std::uint8_t{255});
    }
    cb::Image ours;
    std::vector<std::uint8_t> bytes;
    textbook::Buffer theirs;
};

/// Gathers cases.
class Cases {
  public:
    explicit Cases(cb::Size size) : size_(size), canvases_(std::make_shared<Canvases>(size)) {}

    [[nodiscard]] cb::Size size() const { return size_; }
    [[nodiscard]] std::vector<Case> take() { return std::move(cases_); }

    void begin(std::string group) { group_ = std::move(group); }

    /// Adds what draws each of the subjects: opponent(buffer, subject) and ours(view, subject).
    template <class Subject, class Opponent, class Ours>
    void add(std::string name, std::vector<Subject> subjects, Opponent opponent, Ours ours) {
        const auto shared = std::make_shared<std::vector<Subject>>(std::move(subjects));
        add_pair(
            std::move(name), static_cast<int>(shared->size()),
            [shared, opponent](Canvases& on) {
                for (const Subject& subject : *shared) opponent(on.theirs, subject);
            },
            [shared, ours](Canvases& on) {
                const cb::ImageView view = on.ours;
                for (const Subject& subject : *shared) ours(view, subject);
            });
    }

    /// Adds what each side draws in one go.
    template <class Opponent, class Ours>
    void add_pair(std::string name, int calls, Opponent opponent, Ours ours) {
        const auto canvases = canvases_;
        cases_.push_back({group_, std::move(name), calls, [canvases, opponent] { opponent(*canvases); },
                          [canvases, ours] { ours(*canvases); }});
    }

  private:
    cb::Size size_;
    std::shared_ptr<Canvases> canvases_;
    std::string group_;
    std::vector<Case> cases_;
};

const cb::Fill fill{colour};     // NOLINT(cert-err58-cpp): plain values, likewise below
const cb::Stroke stroke{colour}; // NOLINT(cert-err58-cpp)

std::string pixels(const std::string& before, int count) {
    return before + std::to_string(count);
}

void add_boxes(Cases& cases) {
    cases.begin("boxes");
    for (const int side : {4, 20}) {
        cases.add(
            "box " + std::to_string(side) + " x " + std::to_string(side), places(cases.size(), side),
            [side](textbook::Buffer& on, cb::Point at) {
                textbook::fill_rect(on, at.x, at.y, side, side, textbook_colour);
            },
            [side](const cb::ImageView& view, cb::Point at) {
                cb::draw(view, cb::Box{at.x, at.y, side, side}, fill);
            });
        cases.add(
            "see-through box " + std::to_string(side) + " x " + std::to_string(side),
            places(cases.size(), side),
            [side](textbook::Buffer& on, cb::Point at) {
                textbook::blend_rect(on, at.x, at.y, side, side, textbook_see_through);
            },
            [side, style = cb::Fill{see_through}](const cb::ImageView& view, cb::Point at) {
                cb::draw(view, cb::Box{at.x, at.y, side, side}, style);
            });
    }
}

/// Lines of `length` pixels in all directions about places.
std::vector<cb::Line> lines_about(const std::vector<cb::Point>& centres, int length) {
    std::vector<cb::Line> result;
    int turn = 0;
    for (const cb::Point& centre : centres) {
        const double angle = 2.399963 * turn++; // the golden angle: no direction is favoured
        const double longer = std::max(std::abs(std::cos(angle)), std::abs(std::sin(angle)));
        const auto reach = [&](double share) {
            return static_cast<std::int32_t>(std::lround((length - 1) / 2.0 * share / longer));
        };
        const std::int32_t dx = reach(std::cos(angle));
        const std::int32_t dy = reach(std::sin(angle));
        result.push_back({{centre.x - dx, centre.y - dy}, {centre.x + dx, centre.y + dy}});
    }
    return result;
}

std::vector<cb::Line> lines(cb::Size size, int length) {
    return lines_about(places(size, std::min(length / 2 + 1, size.height / 2 - 1)), length);
}

void draw_textbook_line(textbook::Buffer& on, const cb::Line& line) {
    textbook::line(on, line.from.x, line.from.y, line.to.x, line.to.y, textbook_colour);
}

void add_lines(Cases& cases) {
    cases.begin("lines");
    const auto ours = [](const cb::ImageView& view, const cb::Line& line) { cb::draw(view, line, stroke); };
    for (const int length : {16, 100}) {
        cases.add("line of " + std::to_string(length) + " pixels", lines(cases.size(), length),
                  draw_textbook_line, ours);
    }
    if (cases.size().width > 1000)
        cases.add("line of 1000 pixels", lines(cases.size(), 1000), draw_textbook_line, ours);
    std::vector<cb::Line> half = lines_about(places(cases.size(), 51), 100);
    for (cb::Line& line : half) line = line.moved(-(line.from.x + line.to.x) / 2, 0);
    cases.add("line of 100 pixels, half outside", half, draw_textbook_line, ours);
    for (const int width : {5, 25}) {
        cases.add(
            "line of 100 pixels, " + std::to_string(width) + " wide",
            lines_about(places(cases.size(), 80), 100),
            [width](textbook::Buffer& on, const cb::Line& line) {
                textbook::thick_line(on, line.from.x, line.from.y, line.to.x, line.to.y, width,
                                     textbook_colour);
            },
            [style = cb::Stroke{colour, width}](const cb::ImageView& view, const cb::Line& line) {
                cb::draw(view, line, style);
            });
    }
}

/// Lines of dashes of 6 pixels and gaps of 4, each dash a line of its own.
void draw_textbook_dashes(textbook::Buffer& on, const cb::Line& line) {
    const double length = std::hypot(line.to.x - line.from.x, line.to.y - line.from.y);
    const auto along = [length](std::int32_t from, std::int32_t to, double distance) {
        return static_cast<int>(std::lround(from + (to - from) * distance / length));
    };
    for (double at = 0; at < length; at += 10) {
        const double end = std::min(at + 5, length); // its last pixel's centre
        textbook::line(on, along(line.from.x, line.to.x, at), along(line.from.y, line.to.y, at),
                       along(line.from.x, line.to.x, end), along(line.from.y, line.to.y, end),
                       textbook_colour);
    }
}

void add_dashes(Cases& cases) {
    cases.begin("lines");
    cb::Stroke dashed = stroke;
    dashed.dashes.lengths = {6, 4};
    cases.add("dashed line of 100 pixels", lines(cases.size(), 100), draw_textbook_dashes,
              [dashed](const cb::ImageView& view, const cb::Line& line) { cb::draw(view, line, dashed); });
    std::vector<cb::Polyline> paths;
    for (const cb::Point& at : places(cases.size(), 80, 128))
        paths.push_back(
            cb::Polyline{{at, {at.x + 60, at.y + 10}, {at.x + 50, at.y + 69}, {at.x - 5, at.y + 45}, at}});
    cases.add(
        "dashed path of 240 pixels", paths,
        [](textbook::Buffer& on, const cb::Polyline& path) {
            for (std::size_t i = 1; i < path.points.size(); ++i)
                draw_textbook_dashes(on, {path.points[i - 1], path.points[i]});
        },
        [dashed](const cb::ImageView& view, const cb::Polyline& path) { cb::draw(view, path, dashed); });
}

void add_circles(Cases& cases) {
    cases.begin("circles and ellipses");
    for (const int radius : {4, 20, 200}) {
        const auto centres = places(cases.size(), radius + 1, radius > 100 ? 64 : 512);
        cases.add(
            pixels("outline of radius ", radius), centres,
            [radius](textbook::Buffer& on, cb::Point at) {
                textbook::circle(on, at.x, at.y, radius, textbook_colour);
            },
            [radius](const cb::ImageView& view, cb::Point at) {
                cb::draw(view, cb::Circle{at, radius}, stroke);
            });
        cases.add(
            pixels("disc of radius ", radius), centres,
            [radius](textbook::Buffer& on, cb::Point at) {
                textbook::fill_circle(on, at.x, at.y, radius, textbook_colour);
            },
            [radius](const cb::ImageView& view, cb::Point at) {
                cb::draw(view, cb::Circle{at, radius}, fill);
            });
    }
    for (const auto& [radius, width] : {std::pair{20, 3}, {60, 20}}) {
        cases.add(
            pixels("outline of radius ", radius) + pixels(", wide by ", width), places(cases.size(), 80, 128),
            [radius = radius, width = width](textbook::Buffer& on, cb::Point at) {
                textbook::thick_circle(on, at.x, at.y, radius, width, textbook_colour);
            },
            [radius = radius, style = cb::Stroke{colour, width}](const cb::ImageView& view, cb::Point at) {
                cb::draw(view, cb::Circle{at, radius}, style);
            });
    }
    // Other radii each time: of a shape that is repeated the processor would learn every turn by heart.
    for (const cb::Size radii : {cb::Size{4, 3}, cb::Size{20, 12}}) {
        const int vary = radii.width / 5;
        const auto across = [radii, vary](cb::Point at) {
            return radii.width + (vary > 0 ? at.x % vary : 0);
        };
        const auto down = [radii, vary](cb::Point at) { return radii.height + (vary > 0 ? at.y % vary : 0); };
        cases.add(
            pixels("ellipse of radii ", radii.width) + pixels(" and ", radii.height),
            places(cases.size(), 26),
            [across, down](textbook::Buffer& on, cb::Point at) {
                textbook::ellipse(on, at.x, at.y, across(at), down(at), textbook_colour);
            },
            [across, down](const cb::ImageView& view, cb::Point at) {
                cb::draw(view, cb::Ellipse::about(at, across(at), down(at)), stroke);
            });
    }
}

/// A ring about a place, the corners in turns at the radius and nearer.
std::vector<cb::Point> ring(int corners, cb::Point centre, double radius, double nearer) {
    std::vector<cb::Point> result;
    for (int i = 0; i < corners; ++i) {
        const double angle = 2 * std::numbers::pi * i / corners + 0.3 * centre.x;
        const double distance = radius * (i % 2 == 0 ? 1.0 : nearer);
        result.push_back({centre.x + static_cast<std::int32_t>(std::lround(distance * std::cos(angle))),
                          centre.y + static_cast<std::int32_t>(std::lround(distance * std::sin(angle)))});
    }
    return result;
}

/// A polygon for both sides.
struct TwoPolygons {
    explicit TwoPolygons(const std::vector<cb::Point>& points) : ours(points) {
        for (const cb::Point& point : points) theirs.push_back({point.x + 0.5, point.y + 0.5});
    }
    cb::Polygon ours;
    std::vector<textbook::Point> theirs;
};

void add_polygons(Cases& cases) {
    cases.begin("polygons");
    struct Kind {
        const char* name;
        int corners;
        int radius;
        double nearer;
    };
    for (const Kind& kind : {Kind{"polygon of 5 corners, radius 150", 5, 150, 1},
                             {"polygon of 20 corners, radius 20", 20, 20, 0.7},
                             {"polygon of 50 corners, radius 150", 50, 150, 0.8},
                             {"polygon of 1000 corners, jagged", 1000, 200, 0.8},
                             {"polygon of 1000 corners, round", 1000, 200, 1}})
        for (const cb::FillExtent extent : {cb::FillExtent::whole, cb::FillExtent::tiling}) {
            std::vector<TwoPolygons> polygons;
            for (const cb::Point& at : places(cases.size(), kind.radius + 1, kind.corners > 100 ? 16 : 64))
                polygons.emplace_back(ring(kind.corners, at, kind.radius, kind.nearer));
            cb::Fill style = fill;
            style.extent = extent;
            cases.add(
                kind.name + std::string(extent == cb::FillExtent::tiling ? ", tiling" : ""), polygons,
                [](textbook::Buffer& on, const TwoPolygons& polygon) {
                    textbook::fill_polygon(on, polygon.theirs, textbook_colour);
                },
                [style](const cb::ImageView& view, const TwoPolygons& polygon) {
                    cb::draw(view, polygon.ours, style);
                });
        }
}

/// A checked load, as the textbook would write it.
[[gnu::noinline]] std::uint32_t textbook_pixel(const textbook::Buffer& on, int x, int y) {
    if (x < 0 || x >= on.width || y < 0 || y >= on.height) return 0;
    std::uint32_t result = 0;
    std::memcpy(&result, on.data + y * on.stride + std::ptrdiff_t{4} * x, 4);
    return result;
}

[[gnu::noinline]] void textbook_set_pixel(textbook::Buffer& on, int x, int y, std::uint32_t rgba) {
    textbook::put_pixel(on, x, y, rgba);
}

void add_pixels(Cases& cases) {
    cases.begin("single pixels");
    const auto scattered = places(cases.size(), 1);
    std::vector<cb::Point> row;
    for (std::int32_t x = 0; x < 512; ++x) row.push_back({x, 100});
    for (const auto& [name, positions] : {std::pair{"scattered", scattered}, {"along a row", row}}) {
        cases.add(
            std::string("set_pixel, ") + name, positions,
            [](textbook::Buffer& on, cb::Point at) { textbook_set_pixel(on, at.x, at.y, textbook_colour); },
            [](const cb::ImageView& view, cb::Point at) { view.set_pixel(at, colour); });
        const auto sum = std::make_shared<std::uint32_t>();
        cases.add(
            std::string("pixel, ") + name, positions,
            [sum](textbook::Buffer& on, cb::Point at) { *sum += textbook_pixel(on, at.x, at.y); },
            [sum](const cb::ImageView& view, cb::Point at) { *sum += view.pixel(at).green; });
    }
}

/// Arrays in one call beside a loop of single calls.
void add_arrays(Cases& cases) {
    cases.begin("arrays");
    using Kind = cb::Series::Kind;
    const auto small_lines = lines(cases.size(), 8);
    std::vector<std::int32_t> line_numbers;
    std::vector<std::int32_t> box_numbers;
    std::vector<std::int32_t> disc_numbers;
    std::vector<cb::Shape> shapes;
    const auto centres = places(cases.size(), 6);
    for (const cb::Line& line : small_lines)
        line_numbers.insert(line_numbers.end(), {line.from.x, line.from.y, line.to.x, line.to.y});
    for (const cb::Point& at : centres) {
        box_numbers.insert(box_numbers.end(), {at.x, at.y, at.x + 3, at.y + 3});
        disc_numbers.insert(disc_numbers.end(), {at.x, at.y, 2});
        shapes.push_back(cb::Box{at.x, at.y, 4, 4});
    }
    const int count = static_cast<int>(centres.size());
    const auto add_series = [&](const char* name, Kind kind, std::vector<std::int32_t> numbers, auto style,
                                auto draw_singly) {
        cases.add_pair(name, count, draw_singly, [kind, numbers = std::move(numbers), style](Canvases& on) {
            cb::draw(on.ours, cb::Series{kind, numbers}, style);
        });
    };
    add_series("lines of 8 pixels", Kind::lines, line_numbers, stroke, [small_lines](Canvases& on) {
        const cb::ImageView view = on.ours;
        for (const cb::Line& line : small_lines) cb::draw(view, line, stroke);
    });
    const auto boxes_singly = [centres](Canvases& on) {
        const cb::ImageView view = on.ours;
        for (const cb::Point& at : centres) cb::draw(view, cb::Box{at.x, at.y, 4, 4}, fill);
    };
    add_series("boxes 4 x 4", Kind::boxes, box_numbers, fill, boxes_singly);
    add_series("discs of radius 2", Kind::circles, disc_numbers, fill, [centres](Canvases& on) {
        const cb::ImageView view = on.ours;
        for (const cb::Point& at : centres) cb::draw(view, cb::Circle{at, 2}, fill);
    });
    cases.add_pair("a span of boxes 4 x 4", count, boxes_singly,
                   [shapes](Canvases& on) { cb::draw(on.ours, shapes, fill); });
}

/// Patterns and overlays with options beside laying a see-through image over the same pixels, with nothing
/// more.
void add_patterns(Cases& cases) {
    cases.begin("patterns");
    constexpr cb::Size size{300, 100};
    const cb::Box box{100, 200, size.width, size.height};
    const auto picture = std::make_shared<cb::Image>(size, cb::PixelFormat::rgba8);
    const auto mask = std::make_shared<cb::Bitmap>(size);
    for (std::int32_t y = 0; y < size.height; ++y)
        for (std::int32_t x = 0; x < size.width; ++x) {
            picture->set_pixel({x, y}, cb::Colour(x % 256, x * y % 256, 3 * y % 256, 100 + (x + y) % 100));
            mask->set({x, y}, (x / 7 + y / 5) % 3 != 0);
        }
    const auto lay = [picture](Canvases& on) { cb::overlay(on.ours, *picture, {100, 200}); };
    const auto add_pattern = [&](const char* name, const cb::Pattern& pattern) {
        cases.add_pair(name, 1, lay,
                       [box, style = cb::Fill{pattern}](Canvases& on) { cb::draw(on.ours, box, style); });
    };
    const cb::Colour one(10, 40, 200, 120);
    const cb::Colour other(250, 180, 30, 200);
    add_pattern("linear gradient", cb::LinearGradient{{100, 200}, {400, 260}, {{0, one}, {1, other}}});
    add_pattern("radial gradient", cb::RadialGradient{{250, 250}, 160, {{0, one}, {1, other}}});
    add_pattern("opaque linear gradient",
                cb::LinearGradient{{100, 200}, {400, 260}, {{0, colour}, {1, cb::Colour(250, 180, 30)}}});
    add_pattern("hatch", cb::Hatch{.colour = one, .ground = other});
    add_pattern("stipple", cb::Stipple{{1, 2, 4, 8, 16, 32, 64, 128}, one, other});
    add_pattern("texture", cb::texture(*picture));
    const auto add_overlay = [&](const char* name, const auto& set) {
        cases.add_pair(name, 1, lay, [picture, mask, set](Canvases& on) {
            cb::Overlay options;
            set(options, *mask);
            cb::overlay(on.ours, *picture, {100, 200}, options);
        });
    };
    add_overlay("image with a mask",
                [](cb::Overlay& options, const cb::Bitmap& bits) { options.mask = &bits; });
    add_overlay("image with a key",
                [](cb::Overlay& options, const cb::Bitmap&) { options.key = cb::Colour(0, 0, 0, 100); });
    add_overlay("image with an opacity",
                [](cb::Overlay& options, const cb::Bitmap&) { options.blending.opacity = 128; });
}

/// What lies outside, or reaches far.
void add_outside(Cases& cases) {
    cases.begin("outside and far");
    std::vector<cb::Point> beyond;
    for (std::int32_t i = 0; i < 512; ++i) beyond.push_back({4000 + i, -500 + 2 * i});
    cases.add(
        "line of 30 pixels outside", beyond,
        [](textbook::Buffer& on, cb::Point at) {
            textbook::line(on, at.x, at.y, at.x + 30, at.y + 20, textbook_colour);
        },
        [](const cb::ImageView& view, cb::Point at) {
            cb::draw(view, cb::Line{at, {at.x + 30, at.y + 20}}, stroke);
        });
    cases.add(
        "disc of radius 20 outside", beyond,
        [](textbook::Buffer& on, cb::Point at) {
            textbook::fill_circle(on, at.x, at.y, 20, textbook_colour);
        },
        [](const cb::ImageView& view, cb::Point at) {
            cb::draw(view, cb::Circle{at, 20}, fill);
        });
    constexpr std::int32_t far_radius = 20000;
    const std::vector<cb::Point> far{{cases.size().width / 2 - far_radius, cases.size().height / 2}};
    cases.add(
        "outline of radius 20000", far,
        [](textbook::Buffer& on, cb::Point at) {
            textbook::circle(on, at.x, at.y, far_radius, textbook_colour);
        },
        [](const cb::ImageView& view, cb::Point at) {
            cb::draw(view, cb::Circle{at, far_radius}, stroke);
        });
    cases.add(
        "disc of radius 20000", far,
        [](textbook::Buffer& on, cb::Point at) {
            textbook::fill_circle(on, at.x, at.y, far_radius, textbook_colour);
        },
        [](const cb::ImageView& view, cb::Point at) {
            cb::draw(view, cb::Circle{at, far_radius}, fill);
        });
}

/// Large shapes beside std::fill on the very rows that they have.
void add_large_fills(Cases& cases) {
    cases.begin("large fills");
    const cb::Box all = cb::Box::of(cases.size());
    const cb::Box inner{10, 10, all.width - 20, all.height - 20};
    const cb::Ellipse ellipse{inner};
    const auto add = [&](const char* name, const auto& shape) {
        const auto rows = std::make_shared<cb::Region>(cb::region(shape, fill, all));
        cases.add_pair(
            name, 1,
            [rows](Canvases& on) {
                for (const cb::Span& span : rows->spans()) {
                    auto* const row =
                        reinterpret_cast<std::uint32_t*>(on.theirs.data + span.y * on.theirs.stride);
                    std::fill(row + span.x_begin, row + span.x_end, textbook_colour);
                }
            },
            [shape](Canvases& on) { cb::draw(on.ours, shape, fill); });
    };
    add("box", all);
    add("circle", cb::Circle{inner.centre(), static_cast<std::int32_t>(inner.height / 2 - 1)});
    add("ellipse", ellipse);
    add("turned ellipse",
        cb::Ellipse{{all.width / 10, all.height / 10, all.width * 8 / 10, all.height * 8 / 10},
                    cb::degrees(10)});
    add("rounded box", cb::RoundedBox{inner, 60});
    add("sector", cb::Sector{ellipse, cb::degrees(20), cb::degrees(300)});
    add("segment", cb::Segment{ellipse, cb::degrees(20), cb::degrees(300)});
    add("polygon of 12 corners",
        cb::regular_polygon(inner.centre(), static_cast<std::int32_t>(inner.height / 2 - 1), 12));
    const auto width = static_cast<std::int32_t>(all.width);
    const auto height = static_cast<std::int32_t>(all.height);
    add("triangle over all",
        cb::Polygon({{width / 2, -4 * height}, {4 * width, 4 * height}, {-4 * width, 4 * height}}));
}

} // namespace

std::vector<Case> cases(coldbrick::Size canvas) {
    Cases result(canvas);
    add_boxes(result);
    add_lines(result);
    add_dashes(result);
    add_circles(result);
    add_polygons(result);
    add_pixels(result);
    add_arrays(result);
    add_patterns(result);
    add_outside(result);
    add_large_fills(result);
    return result.take();
}
