#include <coldbrick/squared_paper.hpp>

#include "base/range_checks.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/text.hpp>

#include <fmt/core.h>

#include <algorithm>

namespace coldbrick {

namespace {

void check(const SquaredPaper& paper) {
    constexpr std::int32_t most = 32767;
    base::check_range("spacing of squared paper", paper.spacing, 2, most);
    base::check_range("margin of squared paper", paper.margin, 0, most);
    base::check_range("distance of heavy lines", paper.heavy, 1, most);
}

/// One direction of the page: where its lines are.
struct Ruling {
    std::int32_t first;
    std::int32_t squares;
    std::int32_t spacing;

    /// @param before what is kept free before the first line besides the margin
    Ruling(std::int32_t length, std::int32_t before, const SquaredPaper& paper)
        : first(0), squares((length - 2 * paper.margin - before - 1) / paper.spacing),
          spacing(paper.spacing) {
        first = paper.margin + before + (length - 2 * paper.margin - before - 1 - squares * spacing) / 2;
    }

    [[nodiscard]] std::int32_t at(std::int32_t square) const { return first + square * spacing; }
    [[nodiscard]] std::int32_t end() const { return at(squares); }
    [[nodiscard]] std::int32_t middle(std::int32_t square) const { return at(square) + spacing / 2; }
};

TextStyle number_style(const SquaredPaper& paper) {
    return {.size = std::clamp(0.6 * paper.spacing, 9.0, 40.0)};
}

/// How many pixels the numbers take beside the squares.
std::int32_t room_for_numbers(const SquaredPaper& paper) {
    return paper.numbered ? static_cast<std::int32_t>(number_style(paper).size * 2.4) : 0;
}

void draw_lines(Image& page, const Ruling& columns, const Ruling& rows, const SquaredPaper& paper,
                bool heavy) {
    const std::int32_t width = heavy && paper.spacing >= 20 ? 3 : 1;
    const Stroke stroke{.paint = heavy ? paper.heavy_line : paper.line, .width = width};
    for (std::int32_t i = 0; i <= columns.squares; ++i)
        if ((i % paper.heavy == 0) == heavy)
            draw(page, Line{{columns.at(i), rows.first}, {columns.at(i), rows.end()}}, stroke);
    for (std::int32_t i = 0; i <= rows.squares; ++i)
        if ((i % paper.heavy == 0) == heavy)
            draw(page, Line{{columns.first, rows.at(i)}, {columns.end(), rows.at(i)}}, stroke);
}

void draw_numbers(Image& page, const Ruling& columns, const Ruling& rows, const SquaredPaper& paper) {
    TextStyle style = number_style(paper);
    const auto gap = static_cast<std::int32_t>(style.size / 3);
    style.anchor = {TextColumn::centre, TextRow::baseline};
    for (std::int32_t i = 0; i < columns.squares; i += paper.heavy)
        draw(page, Text(fmt::format("{}", i), {columns.middle(i), rows.first - gap}, style), paper.ink);
    style.anchor = {TextColumn::right, TextRow::middle};
    for (std::int32_t i = 0; i < rows.squares; i += paper.heavy)
        draw(page, Text(fmt::format("{}", i), {columns.first - gap, rows.middle(i)}, style), paper.ink);
}

} // namespace

Image squared_paper(const SquaredPaper& paper) {
    check(paper);
    Image page(paper.size, PixelFormat::rgb8, paper.ground);
    const std::int32_t before = room_for_numbers(paper);
    const Ruling columns(paper.size.width, before, paper);
    const Ruling rows(paper.size.height, before, paper);
    if (columns.squares < 1 || rows.squares < 1)
        throw ArgumentError(fmt::format("a page of {} x {} with margins of {} has no room for a square of {}",
                                        paper.size.width, paper.size.height, paper.margin, paper.spacing));
    draw_lines(page, columns, rows, paper, false);
    draw_lines(page, columns, rows, paper, true);
    if (paper.numbered) draw_numbers(page, columns, rows, paper);
    return page;
}

} // namespace coldbrick
