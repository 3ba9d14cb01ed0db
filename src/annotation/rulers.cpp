#include <coldbrick/rulers.hpp>

#include <coldbrick/captions.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/text.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>

namespace coldbrick {

namespace {

/// The labels of rulers.
TextStyle label_style() {
    return {.face = Face::bitmap(), .size = 9, .edges = Edges::crisp};
}

std::int64_t width_of(std::int64_t number) {
    return static_cast<std::int64_t>(std::ceil(measure(fmt::format("{}", number), label_style()).advance));
}

/// The smallest of 1, 2, 5, 10, 20, 50, ... that is so large.
std::int64_t step_of_at_least(double least) {
    std::int64_t power = 1;
    while (true) {
        for (const std::int64_t factor : {1, 2, 5})
            if (static_cast<double>(power * factor) >= least) return power * factor;
        power *= 10;
    }
}

/// One of the two rulers: where its numbers and ticks are.
struct Scale {
    std::int64_t first; ///< the number of the first pixel
    std::int64_t count;
    std::int64_t zoom;
    std::int64_t label_step;

    /// The middle of a pixel's side, from the ruler's beginning.
    [[nodiscard]] std::int64_t middle(std::int64_t index) const { return index * zoom + zoom / 2; }

    [[nodiscard]] static std::int64_t tick_of(std::int64_t number) {
        if (number % 10 == 0) return 6;
        return number % 5 == 0 ? 4 : 2;
    }

    /// Calls use(offset, length of the tick, number) for each pixel that has a tick.
    template <class Use>
    void for_each_tick(Use use) const {
        const std::int64_t step = zoom >= 4 ? 1 : step_of_at_least(4.0 / static_cast<double>(zoom));
        for (std::int64_t i = 0; i < count; ++i)
            if ((first + i) % step == 0 || (first + i) % label_step == 0)
                use(middle(i), tick_of(first + i), first + i);
    }
};

Image in_format_with_all_colours(const Image& image) {
    return image.format() == PixelFormat::indexed8 ? converted(image, PixelFormat::rgb8) : image;
}

Point pixel(std::int64_t x, std::int64_t y) {
    return {static_cast<std::int32_t>(x), static_cast<std::int32_t>(y)};
}

/// The magnified image within the rulers.
struct Field {
    Box numbers;    ///< of the image, in the rulers' numbers
    Point top_left; ///< where it begins
    std::int64_t zoom;

    /// The square of a pixel, or the frame round the squares of a box.
    [[nodiscard]] Box frame(const Box& box) const {
        return {top_left.x + (box.x - numbers.x) * zoom, top_left.y + (box.y - numbers.y) * zoom,
                box.width * zoom + 1, box.height * zoom + 1};
    }
    [[nodiscard]] Box all() const { return frame(numbers); }
};

CaptionStyle caption_style(const Colour& plate) {
    CaptionStyle style;
    style.text = label_style();
    style.paint = {.paint = Colour(255, 255, 255),
                   .plate = TextPlate{.paint = plate, .padding = 2, .radius = 2}};
    style.leader.paint = plate;
    return style;
}

/// Draws the frames of outlines and marked pixels, the lines of these, and then what is written beside them.
void draw_marks(Image& image, const Field& field, const Rulers& rulers) {
    const ImageView within = image.view().clipped(field.all());
    const Colour halo(255, 255, 255, 160);
    const auto draw_frame = [&](const Box& frame, const Colour& colour) {
        draw(within, frame, Stroke{halo, 3});
        draw(within, frame, Stroke{colour, 1});
    };
    std::vector<Caption> marks;
    std::vector<Caption> outlines;
    for (const RulerOutline& outline : rulers.outlines) {
        const Box shown = outline.box.intersection(field.numbers);
        if (shown.empty()) continue;
        draw_frame(field.frame(outline.box), rulers.outline);
        if (!outline.text.empty()) outlines.push_back({outline.text, field.frame(shown)});
    }
    for (const RulerMark& mark : rulers.marks) {
        if (!field.numbers.contains(mark.at)) continue;
        const Box square = field.frame({mark.at.x, mark.at.y, 1, 1});
        const Point middle = square.at(Anchor::centre);
        const Stroke line{.paint = rulers.mark, .dashes = {{5, 2}}};
        draw(within, Line{{field.top_left.x, middle.y}, {static_cast<std::int32_t>(square.x), middle.y}},
             line);
        draw(within, Line{{middle.x, field.top_left.y}, {middle.x, static_cast<std::int32_t>(square.y)}},
             line);
        draw_frame(square, rulers.mark);
        marks.push_back(
            {mark.text.empty() ? fmt::format("{}, {}", mark.at.x, mark.at.y) : mark.text, square});
    }
    const auto write = [&](const std::vector<Caption>& captions, const Colour& plate) {
        const CaptionStyle style = caption_style(plate);
        draw(within, place_captions(captions, field.all(), style), style);
    };
    write(outlines, rulers.outline);
    write(marks, rulers.mark);
}

} // namespace

Image ruled(const ConstImageView& image, const Magnification& magnification, const Rulers& rulers) {
    const Image large = in_format_with_all_colours(magnified(image, magnification));
    constexpr std::int64_t tick_room = 8;
    constexpr std::int64_t label_height = 9;
    const std::int64_t last_column = std::int64_t{rulers.first.x} + image.width() - 1;
    const std::int64_t last_row = std::int64_t{rulers.first.y} + image.height() - 1;
    const std::int64_t widest_column = std::max(width_of(rulers.first.x), width_of(last_column));
    const std::int64_t left = tick_room + 2 + std::max(width_of(rulers.first.y), width_of(last_row));
    const std::int64_t top = tick_room + 2 + label_height;
    const auto zoom = static_cast<double>(magnification.zoom);
    const Scale columns{rulers.first.x, image.width(), magnification.zoom,
                        step_of_at_least(static_cast<double>(widest_column + 4) / zoom)};
    const Scale rows{rulers.first.y, image.height(), magnification.zoom,
                     step_of_at_least(static_cast<double>(label_height + 2) / zoom)};

    // Room for the far lines of frames, where there is no grid that they could lie on.
    const std::int32_t far_line = large.width() == std::int64_t{image.width()} * magnification.zoom ? 1 : 0;
    Image result = padded(large,
                          {.left = static_cast<std::int32_t>(left),
                           .top = static_cast<std::int32_t>(top),
                           .right = far_line,
                           .bottom = far_line},
                          rulers.ground);
    TextStyle style = label_style();
    const auto label = [&](std::int64_t number, std::int64_t x, std::int64_t y) {
        draw(result, Text(fmt::format("{}", number), pixel(x, y), style), rulers.ink);
    };
    style.anchor = {TextColumn::centre, TextRow::baseline};
    columns.for_each_tick([&](std::int64_t offset, std::int64_t length, std::int64_t number) {
        const std::int64_t x = left + offset;
        draw(result, Line{pixel(x, top - 1 - length), pixel(x, top - 2)}, Stroke{rulers.ink});
        if (number % columns.label_step == 0) label(number, x, top - tick_room - 2);
    });
    style.anchor = {TextColumn::right, TextRow::middle};
    rows.for_each_tick([&](std::int64_t offset, std::int64_t length, std::int64_t number) {
        const std::int64_t y = top + offset;
        draw(result, Line{pixel(left - 1 - length, y), pixel(left - 2, y)}, Stroke{rulers.ink});
        if (number % rows.label_step == 0) label(number, left - tick_room - 2, y);
    });
    const Box numbers{rulers.first.x, rulers.first.y, image.width(), image.height()};
    draw_marks(result, {numbers, pixel(left, top), magnification.zoom}, rulers);
    return result;
}

} // namespace coldbrick
