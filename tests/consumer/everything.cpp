#include <coldbrick/coldbrick.hpp>

int main() {
    const coldbrick::Image image = coldbrick::read_sheet("sheet 4 x 3 on red", "inline").render();
    return coldbrick::encode(image, coldbrick::FileType::png).empty() ? 1 : 0;
}
