#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

int main() {
    coldbrick::Image image({9, 9}, coldbrick::PixelFormat::rgb8);
    coldbrick::draw(image, coldbrick::Circle{{4, 4}, 3}, coldbrick::Fill{coldbrick::colour("gold")});
    return image.pixel({4, 4}) == coldbrick::colour("gold") ? 0 : 1;
}
