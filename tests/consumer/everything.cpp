// A program that uses every component.

#include <coldbrick/coldbrick.hpp>

namespace cb = coldbrick;

int main() {
    cb::Image image =
        cb::read_sheet("sheet 40 x 30 on red\ntext \"Quay\" at (2, 20) fill white", "inline").render();
    cb::Drawing drawing;
    drawing.add(cb::Circle{{20, 15}, 9}, cb::Fill{cb::colour("navy")});
    cb::render(drawing, image);
    cb::draw(image, cb::Text("9", {3, 9}, {.size = 8}), {.paint = cb::colour("gold")});
    bool refused = false;
    try {
        (void)cb::read_face({});
    } catch (const cb::Error&) {
        refused = true;
    }
    return refused && !cb::encode(image, cb::FileType::png).empty() ? 0 : 1;
}
