#include "arguments.hpp"
#include "commands.hpp"
#include "picture_input.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/magnify.hpp>
#include <coldbrick/rulers.hpp>
#include <coldbrick/squared_paper.hpp>
#include <coldbrick/visibility.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <string>
#include <utility>
#include <vector>

namespace coldbrick::tool {

namespace {

/// Boxes round what each statement owns of the picture, with the numbers of their lines.
std::vector<RulerOutline> outlines_of(const Sheet& sheet) {
    Image picture = sheet.blank(format_for(sheet, FileType::png));
    const Owners owners = coldbrick::owners(picture, sheet.drawing);
    std::map<std::uint32_t, Box> boxes;
    auto item = owners.items.begin();
    for (std::int32_t y = 0; y < sheet.size.height; ++y)
        for (std::int32_t x = 0; x < sheet.size.width; ++x, ++item) {
            if (*item == 0) continue;
            Box& box = boxes[owners.tags[*item - 1]];
            box = box.united({x, y, 1, 1});
        }
    std::vector<RulerOutline> result;
    result.reserve(boxes.size());
    for (const auto& [tag, box] : boxes) result.push_back({box, std::to_string(sheet.place_of(tag).line)});
    return result;
}

void draw_paper(const GridArguments& arguments) {
    SquaredPaper page;
    const bool is_a4 =
        arguments.paper->width == page.size.width && arguments.paper->height == page.size.height;
    page.size = *arguments.paper;
    if (arguments.spacing) page.spacing = *arguments.spacing;
    if (!is_a4) page.margin = std::min(page.margin, std::min(page.size.width, page.size.height) / 20);
    page.numbered = arguments.rulers;
    ImageOutput output = arguments.output;
    if (is_a4 && !output.options.resolution) output.options.resolution = Resolution{300, 300};
    save_image(squared_paper(page), output);
}

/// Throws WrongCall if an option says something of sheets.
void refuse_for_images(const GridArguments& arguments) {
    const auto refuse = [&](const char* option) {
        throw WrongCall(option, fmt::format("{} is an image, and this is for sheets",
                                            base::in_quotes(arguments.input.path)));
    };
    if (arguments.frame) refuse("--frame");
    if (!arguments.input.settings.empty()) refuse("--set");
    if (arguments.outlines) refuse("--outlines");
}

/// Throws WrongCall if a mark lies outside of what is shown.
void check_marks(const GridArguments& arguments, Size size) {
    const Box shown = arguments.part ? *arguments.part : Box::of(size);
    for (const Point& mark : arguments.marks)
        if (!shown.contains(mark))
            throw WrongCall("--mark", fmt::format("{},{} lies outside of {},{} {} x {}", mark.x, mark.y,
                                                  shown.x, shown.y, shown.width, shown.height));
}

} // namespace

void grid(const GridArguments& arguments) {
    if (arguments.paper) return draw_paper(arguments);
    const PictureInput input = read_picture(arguments.input, arguments.frame.value_or(0));
    refuse_to_replace(arguments.output.path, input.files);
    const Image image = part_of(input.image, arguments.part);
    if (!input.sheet) refuse_for_images(arguments);
    Magnification magnification{.zoom = arguments.zoom};
    constexpr int least_with_lines = 4; // fewer would be lines for the most part
    if (!arguments.lines || arguments.zoom < least_with_lines) {
        magnification.grid.alpha = 0;
        magnification.tenth_grid.alpha = 0;
    }
    check_marks(arguments, image.size());
    if (!arguments.rulers && arguments.marks.empty() && !arguments.outlines)
        return save_image(magnified(image, magnification), arguments.output);
    Rulers rulers;
    if (arguments.part) rulers.first = arguments.part->at(Anchor::top_left);
    for (const Point& mark : arguments.marks) rulers.marks.push_back({mark});
    if (arguments.outlines && input.sheet) rulers.outlines = outlines_of(*input.sheet);
    save_image(ruled(image, magnification, rulers), arguments.output);
}

} // namespace coldbrick::tool
