/// @file
/// Shows how much of each pixel smooth shapes cover: the same shapes crisp and smooth, magnified, with the
/// coverage of 255 in every pixel.
///
/// usage: coverages shapes|strokes|tiles|paths|limits FILE

#include <coldbrick/coldbrick.hpp>

#include <array>
#include <functional>
#include <iostream>
#include <map>
#include <string>
#include <vector>

namespace cb = coldbrick;

namespace {

constexpr cb::Size window{20, 15};
constexpr std::int32_t zoom = 30;

/// Which of the seven strokes of a digit are there: top, upper left and right, middle, lower left and right,
/// bottom.
constexpr std::array<const char*, 10> digits{"1110111", "0010010", "1011101", "1011011", "0111010",
                                             "1101011", "1101111", "1010010", "1111111", "1111011"};

cb::Path digit_path(char digit, cb::Position at) {
    constexpr double wide = 3.6;
    constexpr double half = 3.2;
    const std::array<std::array<cb::Position, 2>, 7> strokes{{{{{0, 0}, {wide, 0}}},
                                                              {{{0, 0}, {0, half}}},
                                                              {{{wide, 0}, {wide, half}}},
                                                              {{{0, half}, {wide, half}}},
                                                              {{{0, half}, {0, 2 * half}}},
                                                              {{{wide, half}, {wide, 2 * half}}},
                                                              {{{0, 2 * half}, {wide, 2 * half}}}}};
    cb::Path path;
    const char* const there = digits.at(static_cast<std::size_t>(digit - '0'));
    for (std::size_t i = 0; i < strokes.size(); ++i)
        if (there[i] == '1') path.move_to(strokes[i][0]).line_to(strokes[i][1]);
    return path.transformed(cb::Transform::move(at.x, at.y));
}

void write_number(cb::Image& picture, int number, cb::Point centre, const cb::Colour& colour) {
    const std::string text = std::to_string(number);
    constexpr double step = 6.6;
    cb::Stroke stroke{colour, 1.1};
    stroke.cap = cb::Cap::round;
    stroke.edges = cb::Edges::smooth;
    double x = centre.x - step * static_cast<double>(text.size()) / 2 + 1.5;
    for (const char digit : text) {
        cb::draw(picture, digit_path(digit, {x, centre.y - 3.2}), stroke);
        x += step;
    }
}

/// Draws one half of a figure with its edges.
using Figure = std::function<void(cb::Image& picture, const cb::Paint& paint, cb::Edges edges)>;

void shapes(cb::Image& picture, const cb::Paint& paint, cb::Edges edges) {
    const cb::Fill fill{paint, {}, {}, {}, edges};
    cb::draw(picture, cb::Circle{{4, 5}, 4}, fill);
    cb::draw(picture, cb::Polygon({{10, 1}, {18, 4}, {12, 9}}), fill);
    cb::draw(picture, cb::Ellipse{{2, 11, 10, 3}}, fill);
    cb::draw(picture, cb::Box{14, 11, 4, 3}, fill);
}

void strokes(cb::Image& picture, const cb::Paint& paint, cb::Edges edges) {
    cb::Stroke stroke{paint, 1};
    stroke.edges = edges;
    cb::draw(picture, cb::Line{{1, 1}, {9, 4}}, stroke);
    cb::draw(picture, cb::Line{{12, 2}, {18, 2}}, stroke);
    stroke.width = 2;
    cb::draw(picture, cb::Line{{1, 6}, {9, 9}}, stroke);
    cb::draw(picture, cb::Line{{12, 5}, {18, 5}}, stroke);
    stroke.cap = cb::Cap::round;
    stroke.width = 3;
    cb::draw(picture, cb::Line{{2, 12}, {9, 12}}, stroke);
    stroke.join = cb::Join::round;
    cb::draw(picture, cb::Polyline{{{12, 8}, {17, 9}, {13, 13}}}, stroke);
}

void tiles(cb::Image& picture, const cb::Paint& paint, cb::Edges edges) {
    // The left tile; the right one, drawn beside it below, has what is missing to 255.
    const cb::Fill fill{paint, {}, cb::FillExtent::tiling, {}, edges};
    cb::draw(picture, cb::Polygon({{1, 1}, {12, 1}, {7, 7}, {1, 7}}), fill);
    cb::draw(picture, cb::Polygon({{12, 8}, {18, 8}, {18, 14}, {7, 14}}), fill);
}

void paths(cb::Image& picture, const cb::Paint& paint, cb::Edges edges) {
    const cb::Path leaf = cb::Path()
                              .move_to({1, 6.5})
                              .cubic_to({4, -1.5}, {8.5, 2.5}, {9.25, 0.5})
                              .quadratic_to({9.5, 8}, {1, 6.5})
                              .close();
    cb::Fill fill{paint, {}, cb::FillExtent::tiling, {}, edges};
    cb::draw(picture, leaf, fill);
    cb::draw(picture, cb::Path().arc_about({14.5, 4}, {3.6, 3.6}, cb::degrees(0), cb::degrees(360)).close(),
             fill);
    cb::Stroke stroke{paint, 1.5};
    stroke.edges = edges;
    cb::draw(picture, cb::Path().move_to({1.5, 13}).cubic_to({5, 6}, {10, 16}, {18, 9.5}), stroke);
}

/// Three tiles that meet within a pixel, drawn apart; a stroke wider than its curve bends; thin dashes that
/// begin within pixels.
void limits(cb::Image& picture, const cb::Paint& paint, cb::Edges edges) {
    const cb::Fill fill{paint, {}, cb::FillExtent::tiling, {}, edges};
    const cb::Position meeting{3.4, 2.3};
    const std::array<std::vector<cb::Position>, 3> tiles{{{meeting, {0.5, 0.5}, {5.5, 0.5}},
                                                          {meeting, {5.5, 0.5}, {5.5, 4.5}, {2.5, 4.5}},
                                                          {meeting, {2.5, 4.5}, {0.5, 4.5}, {0.5, 0.5}}}};
    for (std::size_t i = 0; i < tiles.size(); ++i) {
        cb::Path tile;
        for (const cb::Position& corner : tiles.at(i))
            corner == meeting ? tile.move_to(corner) : tile.line_to(corner);
        cb::draw(picture, tile.close().transformed(cb::Transform::move(7.0 * static_cast<double>(i), 0)),
                 fill);
    }
    cb::Stroke stroke{paint, 5};
    stroke.edges = edges;
    cb::draw(picture, cb::Path().move_to({3.5, 13}).cubic_to({3.5, 7}, {5.5, 7}, {5.5, 13}), stroke);
    stroke.width = 1;
    stroke.dashes = {{2, 2}, -2.3};
    cb::draw(picture, cb::Line{{10, 8}, {19, 8}}, stroke);
    stroke.dashes = {{1.5, 1.5}};
    cb::draw(picture, cb::Line{{10, 10}, {19, 10}}, stroke);
    cb::draw(picture, cb::Line{{10, 12}, {19, 14}}, stroke);
}

/// One half of the picture: every pixel as a square with its number.
void magnify(const cb::Image& numbers, cb::Image& picture, std::int32_t left) {
    const cb::Colour ground = cb::colour("#0b1d2e");
    const cb::Colour full = cb::colour("#f2b84b");
    for (std::int32_t y = 0; y < window.height; ++y)
        for (std::int32_t x = 0; x < window.width; ++x) {
            const int coverage = numbers.pixel({x, y}).red;
            const cb::Box cell{left + std::int64_t{x} * zoom, std::int64_t{y} * zoom, zoom - 1, zoom - 1};
            cb::draw(picture, cell, cb::Fill{cb::mix(ground, full, coverage / 255.0)});
            if (coverage == 0) continue;
            const cb::Colour ink = coverage > 110 ? ground : cb::colour("#f5efe0");
            write_number(picture, coverage, cell.centre(), ink);
        }
}

cb::Image shown(const Figure& figure) {
    cb::Image picture({2 * window.width * zoom + zoom, window.height * zoom}, cb::PixelFormat::rgb8,
                      cb::colour("#24384a"));
    std::int32_t left = 0;
    for (const cb::Edges edges : {cb::Edges::crisp, cb::Edges::smooth}) {
        cb::Image numbers(window, cb::PixelFormat::gray8, cb::Colour(0, 0, 0));
        figure(numbers, cb::Colour(255, 255, 255), edges);
        magnify(numbers, picture, left);
        left += window.width * zoom + zoom;
    }
    return picture;
}

} // namespace

int main(int argument_count, char** arguments) {
    const std::map<std::string, Figure> figures{
        {"shapes", shapes}, {"strokes", strokes}, {"tiles", tiles}, {"paths", paths}, {"limits", limits}};
    if (argument_count != 3 || !figures.contains(arguments[1])) {
        std::cerr << "usage: coverages shapes|strokes|tiles|paths|limits FILE\n";
        return 2;
    }
    try {
        cb::save(shown(figures.at(arguments[1])), arguments[2]);
    } catch (const cb::Error& error) {
        std::cerr << "coverages: " << error.what() << '\n';
        return 1;
    }
}
