/// @file
/// All of Cold Brick.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/fill_rule.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/line_style.hpp>
#include <coldbrick/magnify.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/polygon.hpp>
#include <coldbrick/polyline.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/sheet.hpp>
#include <coldbrick/span.hpp>
#include <coldbrick/stroke.hpp>
