/// @file
/// All of Cold Brick, layer by layer.
#pragma once

// Base: what everything else is made of.
#include <coldbrick/anchor.hpp>       // nine places of a box
#include <coldbrick/box.hpp>          // boxes of pixels
#include <coldbrick/duration.hpp>     // lengths of time
#include <coldbrick/error.hpp>        // what is thrown
#include <coldbrick/frame_rate.hpp>   // how fast frames follow
#include <coldbrick/function_ref.hpp> // functions that a call is handed
#include <coldbrick/point.hpp>        // pixels and sizes
#include <coldbrick/position.hpp>     // places between pixels' centres
#include <coldbrick/shared.hpp>       // values that copies share
#include <coldbrick/span.hpp>         // horizontal runs
#include <coldbrick/version.hpp>      // which Cold Brick this is

// Geometry: shapes as plain values.
#include <coldbrick/angle.hpp>           // angles, which know their unit
#include <coldbrick/arc.hpp>             // arcs, sectors, segments
#include <coldbrick/circle.hpp>          // circles about a pixel
#include <coldbrick/dots.hpp>            // many pixels
#include <coldbrick/edges.hpp>           // crisp and smooth
#include <coldbrick/ellipse.hpp>         // ellipses, upright and turned
#include <coldbrick/fill_rule.hpp>       // what is inside a polygon
#include <coldbrick/line.hpp>            // lines from pixel to pixel
#include <coldbrick/line_style.hpp>      // caps, joins and sides of strokes
#include <coldbrick/line_width.hpp>      // widths of strokes
#include <coldbrick/mirror.hpp>          // which sides change places
#include <coldbrick/orientation.hpp>     // the eight ways to lay an image
#include <coldbrick/path.hpp>            // lines and curves between pixels
#include <coldbrick/path_of.hpp>         // shapes as paths
#include <coldbrick/path_text.hpp>       // paths as text
#include <coldbrick/polygon.hpp>         // areas with holes
#include <coldbrick/polyline.hpp>        // connected lines
#include <coldbrick/regular_polygon.hpp> // polygons and stars with equal angles
#include <coldbrick/rounded_box.hpp>     // boxes with round corners
#include <coldbrick/series.hpp>          // many shapes as an array of numbers
#include <coldbrick/shape.hpp>           // any one shape
#include <coldbrick/transform.hpp>       // moving, turning, scaling, shearing

// Paint: colours, formats and styles.
#include <coldbrick/blend.hpp>         // blend modes
#include <coldbrick/channel.hpp>       // channels and masks
#include <coldbrick/colour.hpp>        // 8 bits a channel
#include <coldbrick/colour_mixing.hpp> // mixtures, contrasts, series
#include <coldbrick/colour_space.hpp>  // hue, saturation, lightness
#include <coldbrick/colour_text.hpp>   // from and to text
#include <coldbrick/deep_colour.hpp>   // more than 8 bits a channel
#include <coldbrick/fill.hpp>          // paints insides
#include <coldbrick/paint.hpp>         // a colour or a pattern
#include <coldbrick/palette.hpp>       // named lists of colours
#include <coldbrick/pattern.hpp>       // gradients, hatches, textures
#include <coldbrick/pixel_format.hpp>  // how pixels lie in memory
#include <coldbrick/stroke.hpp>        // paints edges

// Image: buffers, drawing into them, and what is made of them.
#include <coldbrick/bitmap.hpp>        // a bit for each pixel
#include <coldbrick/bounds.hpp>        // how far shapes reach with their styles
#include <coldbrick/convert.hpp>       // formats, copies, channels, margins
#include <coldbrick/draw.hpp>          // the verbs that paint
#include <coldbrick/flood.hpp>         // areas of one colour
#include <coldbrick/hash.hpp>          // values as keys
#include <coldbrick/image.hpp>         // buffers that own their memory
#include <coldbrick/image_view.hpp>    // windows onto anyone's memory
#include <coldbrick/magnify.hpp>       // single pixels made visible
#include <coldbrick/measure.hpp>       // differences, extents, histograms
#include <coldbrick/overlay.hpp>       // images laid onto images
#include <coldbrick/quantise.hpp>      // many colours made few
#include <coldbrick/region.hpp>        // sets of pixels
#include <coldbrick/render.hpp>        // drawings by many threads, and in bands
#include <coldbrick/resize.hpp>        // other sizes
#include <coldbrick/stencil.hpp>       // paint through coverages
#include <coldbrick/terminal_text.hpp> // images in the characters of a terminal

// Drawing: shapes and styles to be drawn again and again.
#include <coldbrick/drawing.hpp>
#include <coldbrick/visibility.hpp> // what of a drawing can be seen

// Components that are linked apart.
#include <coldbrick/captions.hpp>      // captions that keep out of each other's way
#include <coldbrick/face.hpp>          // sets of letterforms
#include <coldbrick/file_type.hpp>     // kinds of image files
#include <coldbrick/files.hpp>         // image files
#include <coldbrick/font.hpp>          // faces from font files
#include <coldbrick/image_info.hpp>    // what they tell of themselves
#include <coldbrick/legend.hpp>        // colours and what they stand for
#include <coldbrick/mark_table.hpp>    // marks from tables
#include <coldbrick/marks.hpp>         // marks round what was found
#include <coldbrick/picture_table.hpp> // many small pictures on one
#include <coldbrick/reel.hpp>          // frames that play
#include <coldbrick/row_files.hpp>     // files written and read row by row
#include <coldbrick/rulers.hpp>        // numbers along magnified images
#include <coldbrick/sheet.hpp>         // drawings written as text
#include <coldbrick/sheet_check.hpp>   // why something of a sheet cannot be seen
#include <coldbrick/squared_paper.hpp> // blank paper for planning
#include <coldbrick/sweep.hpp>         // a sheet with values run over ranges
#include <coldbrick/text.hpp>          // words in pictures
#include <coldbrick/text_style.hpp>    // how they are set and painted
