#include "raster/thin/thin_line_steps.hpp"

#include <coldbrick/line.hpp>

namespace coldbrick {

bool Line::contains(Point pixel) const {
    return raster::ThinLineSteps(*this, base::Clip::at(pixel)).count > 0;
}

} // namespace coldbrick
