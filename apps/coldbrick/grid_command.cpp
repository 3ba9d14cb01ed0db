#include "commands.hpp"
#include "picture_input.hpp"

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

namespace cb = coldbrick;

namespace {

/// Boxes round what each statement owns of the picture, with the numbers of their lines.
std::vector<cb::RulerOutline> outlines_of(const cb::Sheet& sheet) {
    cb::Image picture = sheet.blank(format_for(sheet, cb::FileType::png));
    const cb::Owners owners = cb::owners(picture, sheet.drawing);
    std::map<std::uint32_t, cb::Box> boxes;
    auto item = owners.items.begin();
    for (std::int32_t y = 0; y < sheet.size.height; ++y)
        for (std::int32_t x = 0; x < sheet.size.width; ++x, ++item) {
            if (*item == 0) continue;
            cb::Box& box = boxes[owners.tags[*item - 1]];
            box = box.united({x, y, 1, 1});
        }
    std::vector<cb::RulerOutline> result;
    result.reserve(boxes.size());
    for (const auto& [tag, box] : boxes) result.push_back({box, std::to_string(sheet.line_of(tag))});
    return result;
}

void draw_paper(const GridArguments& arguments) {
    cb::SquaredPaper page;
    const bool is_a4 =
        arguments.paper->width == page.size.width && arguments.paper->height == page.size.height;
    page.size = *arguments.paper;
    if (arguments.spacing) page.spacing = *arguments.spacing;
    if (!is_a4) page.margin = std::min(page.margin, std::min(page.size.width, page.size.height) / 20);
    page.numbered = arguments.rulers;
    ImageOutput output = arguments.output;
    if (is_a4 && !output.options.resolution) output.options.resolution = cb::Resolution{300, 300};
    save_image(cb::squared_paper(page), output);
}

} // namespace

void grid(const GridArguments& arguments) {
    if (arguments.paper) return draw_paper(arguments);
    const PictureInput input = read_picture(arguments.input, arguments.frame);
    refuse_to_replace(arguments.output.path, input.files);
    const cb::Image image = part_of(input.image, arguments.part);
    const cb::Magnification magnification{.zoom = arguments.zoom};
    if (!arguments.rulers && arguments.marks.empty() && !arguments.outlines)
        return save_image(cb::magnified(image, magnification), arguments.output);
    cb::Rulers rulers;
    if (arguments.part) rulers.first = arguments.part->at(cb::Anchor::top_left);
    for (const cb::Point& mark : arguments.marks) rulers.marks.push_back({mark});
    if (arguments.outlines && input.sheet) rulers.outlines = outlines_of(*input.sheet);
    save_image(cb::ruled(image, magnification, rulers), arguments.output);
}
