#include <coldbrick/text.hpp>

int main() {
    namespace cb = coldbrick;
    cb::Image image({80, 24}, cb::PixelFormat::gray8);
    cb::draw(image, cb::Text("quay 7", {4, 18}), cb::Colour(255, 255, 255));
    return cb::measure("quay 7").ink.empty() ? 1 : 0;
}
