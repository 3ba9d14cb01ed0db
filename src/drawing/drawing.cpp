#include <coldbrick/drawing.hpp>

#include <coldbrick/draw.hpp>

namespace coldbrick {

void draw(const ImageView& view, const Drawing& drawing) {
    for (const Drawing::Item& item : drawing.items()) {
        if (item.picture) {
            overlay(view, *item.picture->image, item.picture->at, item.picture->options);
            continue;
        }
        const auto paint = [&]<class S>(const S& shape) {
            if constexpr (ClosedShape<S>)
                if (item.fill) draw(view, shape, *item.fill);
            if (item.stroke) draw(view, shape, *item.stroke);
        };
        std::visit(paint, item.shape);
    }
}

} // namespace coldbrick
