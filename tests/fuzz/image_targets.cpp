// Bytes that choose shapes, styles and images.

#include "fuzz/attempt.hpp"
#include "fuzz/input.hpp"
#include "fuzz/targets.hpp"

#include <coldbrick/bitmap.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/region.hpp>
#include <coldbrick/regular_polygon.hpp>
#include <coldbrick/render.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/visibility.hpp>

#include <algorithm>
#include <optional>

namespace coldbrick::fuzz {

namespace {

constexpr auto canary = std::byte{0xA5};

/// Pixels with canaries around all rows.
class Guarded {
  public:
    Guarded(Size size, PixelFormat format)
        : size_(size), format_(format),
          row_bytes_(static_cast<std::size_t>(size.width) * static_cast<std::size_t>(layout(format).bytes)),
          stride_(row_bytes_ + 7),
          bytes_(2 * margin + stride_ * static_cast<std::size_t>(size.height), canary) {
        for (std::int32_t y = 0; y < size.height; ++y)
            std::fill_n(bytes_.begin() + static_cast<std::ptrdiff_t>(begin(y)), row_bytes_, std::byte{0});
    }

    ImageView view() {
        return {bytes_.data() + margin, size_, format_, static_cast<std::ptrdiff_t>(stride_)};
    }

    void check() const {
        for (std::size_t i = 0; i < bytes_.size(); ++i) {
            const bool in_rows = i >= margin && i < bytes_.size() - margin;
            if (in_rows && (i - margin) % stride_ < row_bytes_) continue;
            require(bytes_[i] == canary, "no byte outside the pixels changes");
        }
    }

    friend bool operator==(const Guarded& a, const Guarded& b) { return a.bytes_ == b.bytes_; }

  private:
    static constexpr std::size_t margin = 64;
    [[nodiscard]] std::size_t begin(std::int32_t y) const {
        return margin + stride_ * static_cast<std::size_t>(y);
    }

    Size size_;
    PixelFormat format_;
    std::size_t row_bytes_;
    std::size_t stride_;
    std::vector<std::byte> bytes_;
};

Angle angle_of(Input& input) {
    return degrees(input.number(0, 1) == 0 ? 15.0 * input.number(-60, 60) : input.take<std::int32_t>() / 1e5);
}

std::vector<Point> points_of(Input& input) {
    std::vector<Point> points(static_cast<std::size_t>(input.number(1, 6)));
    for (Point& point : points) point = input.point();
    return points;
}

Ellipse ellipse_of(Input& input) {
    const Point corner = input.point();
    const std::int32_t width = input.extent();
    return {{corner.x, corner.y, width, input.extent()}, input.number(0, 1) == 0 ? Angle() : angle_of(input)};
}

Position position_of(Input& input) {
    const Point point = input.point();
    return {point.x + input.number(0, 15) / 16.0, static_cast<double>(point.y)};
}

Path path_of(Input& input) {
    Path path;
    for (int contours = input.number(1, 3); contours > 0; --contours) {
        path.move_to(position_of(input));
        for (int pieces = input.number(1, 4); pieces > 0; --pieces) switch (input.number(0, 3)) {
            case 0: path.line_to(position_of(input)); break;
            case 1: path.quadratic_to(position_of(input), position_of(input)); break;
            case 2: path.cubic_to(position_of(input), position_of(input), position_of(input)); break;
            default:
                path.arc_to(position_of(input), angle_of(input),
                            {input.number(0, 1) == 1, input.number(0, 1) == 1}, position_of(input));
            }
        if (input.number(0, 1) == 1) path.close();
    }
    return path;
}

Shape shape_of(Input& input) {
    switch (input.number(0, 11)) {
    case 0: return Dots{points_of(input)};
    case 1: return Line{input.point(), input.point()};
    case 2: return Polyline{points_of(input), input.number(0, 1) == 1};
    case 3: return Arc{ellipse_of(input), angle_of(input), angle_of(input)};
    case 4: return Box::between(input.point(), input.point());
    case 5: return RoundedBox{Box::between(input.point(), input.point()), input.extent()};
    case 6: return Circle{input.point(), input.extent()};
    case 7: return ellipse_of(input);
    case 8: return Sector{ellipse_of(input), angle_of(input), angle_of(input)};
    case 9: return path_of(input);
    case 10: return Segment{ellipse_of(input), angle_of(input), angle_of(input)};
    default: return Polygon({points_of(input), points_of(input)});
    }
}

Paint paint_of(Input& input) {
    switch (input.number(0, 4)) {
    case 0: return LinearGradient{{0, 0}, {31, 7}, {{0.1, input.colour()}, {0.7, input.colour()}}};
    case 1:
        return Hatch{input.choice(Hatch::Direction::lattice), input.number(1, 9), input.number(1, 9),
                     input.colour()};
    default: return input.colour();
    }
}

Blending blending_of(Input& input) {
    return {input.number(0, 1) == 0 ? BlendMode::source_over : input.choice(BlendMode::luminosity),
            static_cast<std::uint8_t>(input.number(0, 3) == 0 ? input.number(0, 255) : 255),
            input.number(0, 3) == 0 ? BlendSpace::linear : BlendSpace::encoded};
}

Stroke stroke_of(Input& input, bool is_closed) {
    Stroke stroke{paint_of(input)};
    stroke.width = std::max(1, input.extent());
    stroke.cap = input.choice(Cap::round);
    stroke.join = input.choice(Join::round);
    stroke.mitre_limit = 1 + input.number(0, 100) / 8.0;
    if (is_closed) stroke.alignment = input.choice(Alignment::outside);
    stroke.blending = blending_of(input);
    stroke.edges = input.choice(Edges::smooth);
    if (input.number(0, 2) == 0) {
        stroke.dashes.offset =
            input.number(0, 3) == 0 ? 4096.0 * input.take<std::int32_t>() : input.number(-99, 99) / 4.0;
        for (int count = input.number(1, 6); count > 0; --count)
            stroke.dashes.lengths.push_back(input.number(0, 5) == 0 ? 512.0 * input.extent()
                                                                    : input.number(0, 200) / 8.0);
        // All dashes within reach of what is seen are worked out.
        constexpr double widest_smooth = 64;
        if (stroke.edges == Edges::smooth) stroke.width = std::min<double>(stroke.width, widest_smooth);
    }
    return stroke;
}

template <class Paint>
void check_clips(Size size, PixelFormat format, Input& input, const Paint& paint) {
    Guarded whole(size, format);
    paint(whole.view());
    whole.check();
    Guarded banded(size, format);
    constexpr std::int32_t most_bands = 4; // each costs as much as the whole for strokes that reach far
    const std::int32_t height = input.number((size.height + most_bands - 1) / most_bands, size.height);
    for (std::int32_t y = 0; y < size.height; y += height)
        paint(banded.view().clipped({0, y, size.width, height}));
    require(banded == whole, "bands have the pixels of the whole");
}

Region region_of(Input& input) {
    std::vector<Span> spans(static_cast<std::size_t>(input.number(0, 12)));
    for (Span& span : spans) {
        const Point begin = input.point();
        span = {begin.y, begin.x,
                std::min<std::int64_t>(std::int64_t{begin.x} + input.extent(), std::int64_t{1} << 31)};
    }
    return Region(std::move(spans));
}

Image image_of(Input& input) {
    const std::int32_t width = input.number(1, 12);
    Image image({width, input.number(1, 12)}, input.format());
    for (int i = 0; i < 6; ++i)
        image.set_pixel({input.number(0, image.width() - 1), input.number(0, image.height() - 1)},
                        input.colour());
    return image;
}

} // namespace

void drawing(Bytes bytes) {
    Input input(bytes);
    const std::int32_t width = input.number(1, 48);
    const Size size{width, input.number(1, 40)};
    const PixelFormat format = input.format();
    Shape shape;
    try {
        shape = shape_of(input);
    } catch (const ArgumentError&) { // an arc's centre beyond the coordinates
        return;
    }
    const bool is_closed = std::visit([]<class S>(const S&) { return ClosedShape<S>; }, shape);
    const Stroke stroke = stroke_of(input, is_closed);
    const Fill fill{paint_of(input), input.choice(FillRule::non_zero), input.choice(FillExtent::tiling),
                    blending_of(input), input.choice(Edges::smooth)};
    try {
        check_clips(size, format, input, [&](const ImageView& view) {
            const auto draw_one = [&]<class S>(const S& one) {
                if constexpr (ClosedShape<S>)
                    draw(view, one, fill, stroke);
                else
                    draw(view, one, stroke);
            };
            std::visit(draw_one, shape);
        });
    } catch (const ArgumentError&) { // beyond the coordinates
    }
}

namespace {

Fill fill_of(Input& input) {
    return {paint_of(input), input.choice(FillRule::non_zero), input.choice(FillExtent::tiling),
            blending_of(input), input.choice(Edges::smooth)};
}

Drawing scene_of(Input& input, Size size, int depth) {
    Drawing result;
    for (int items = input.number(1, depth == 0 ? 7 : 4); items > 0; --items) {
        result.set_tag(static_cast<std::uint32_t>(input.number(1, 5)));
        const int kind = input.number(0, 7);
        if (kind == 0) {
            Overlay options{.blending = blending_of(input)};
            if (input.number(0, 3) == 0) options.key = input.colour();
            result.add(image_of(input), {input.number(-9, size.width), input.number(-9, size.height)},
                       options);
        } else if (kind <= 2 && depth < 3) {
            Drawing::GroupStyle style;
            if (input.number(0, 1) == 0)
                style.clip = Shared<Region>(
                    region(Circle{{input.number(0, 40), input.number(0, 40)}, input.number(0, 30)}, Fill{}));
            if (kind == 2) style.layer = blending_of(input);
            result.add(scene_of(input, size, depth + 1), style);
        } else {
            const Shape shape = shape_of(input);
            const bool is_closed = std::visit([]<class S>(const S&) { return ClosedShape<S>; }, shape);
            Drawing::StyledShape item{shape, std::nullopt, std::nullopt};
            if (is_closed && input.number(0, 1) == 0) item.fill = fill_of(input);
            if (!item.fill || input.number(0, 1) == 0) item.stroke = stroke_of(input, is_closed);
            result.add(std::move(item));
        }
    }
    return result;
}

bool same(const Image& a, const Image& b) {
    for (std::int32_t i = 0; i < a.width() * a.height(); ++i) {
        const Point at{i % a.width(), i / a.width()};
        if (a.view().real_pixel(at) != b.view().real_pixel(at)) return false;
    }
    return true;
}

} // namespace

void scenes(Bytes bytes) {
    attempt([&] {
        Input input(bytes);
        const std::int32_t width = input.number(1, 40);
        const Size size{width, input.number(1, 30)};
        const PixelFormat format = input.number(0, 1) == 0 ? PixelFormat::rgb8 : PixelFormat::rgba8;
        const Image ground(size, format, Colour(30, 60, 90));
        const Drawing drawing = scene_of(input, size, 0);
        Image whole = ground;
        draw(whole, drawing);
        Image tiled = ground;
        const std::int32_t step = input.number(size.width / 3 + 1, size.width);
        for (std::int32_t y = 0; y < size.height; y += step)
            for (std::int32_t x = 0; x < size.width; x += step)
                draw(tiled.view().clipped({x, y, step, step}), drawing);
        require(same(whole, tiled), "tiles have the pixels of the whole");
        Image threads = ground;
        render(drawing, threads, {.threads = 2});
        require(same(whole, threads), "threads make the pixels of one");
        Image seen = ground;
        for (const Visibility& item : visibility(seen, drawing)) {
            require(item.seen <= item.on_top && item.on_top + item.hidden <= item.covered,
                    "what is seen is on top");
            require((item.seen > 0) == (item.largest_change > 0), "what is seen has changed");
        }
        require(same(whole, seen), "looking at a drawing draws it");
        Image owned = ground;
        (void)owners(owned, drawing);
        require(same(whole, owned), "so does asking for owners");
        const Point pixel{input.number(0, size.width - 1), input.number(0, size.height - 1)};
        Image one = ground;
        (void)history(one, drawing, pixel);
        require(one.view().real_pixel(pixel) == whole.view().real_pixel(pixel),
                "a history ends in the picture");
    });
}

void region_algebra(Bytes bytes) {
    Input input(bytes);
    const Region a = region_of(input);
    const Region b = region_of(input);
    const Region c = region_of(input);
    require((a | b) == (b | a) && (a & b) == (b & a), "order does not matter");
    require(((a | b) & c) == ((a & c) | (b & c)), "intersections distribute");
    require((a - b) == (a & (a ^ b)) && ((a - b) | (a & b)) == a, "differences leave the rest");
    require((a | b).area() + (a & b).area() == a.area() + b.area(), "areas add up");
    require(a.touches(b) == !(a & b).empty(), "what touches has common pixels");
    const Region all[] = {a, b, c};
    require(united(all) == (a | b | c), "all at once is one after the other");
    require(Region(a.spans()) == a, "spans are in order");
}

void overlays(Bytes bytes) {
    Input input(bytes);
    const Size size{input.number(1, 30), 20};
    const PixelFormat format = input.format();
    const Image image = image_of(input);
    const Point at = input.point();
    Overlay options;
    options.blending = blending_of(input);
    options.hot_spot = input.point();
    options.orientation = {input.number(0, 1) == 1, input.number(-5, 5)};
    if (input.number(0, 1) == 1) options.key = image.pixel({0, 0});
    Bitmap mask(image.size());
    for (int i = 0; i < 9; ++i)
        mask.set({input.number(0, image.width() - 1), input.number(0, image.height() - 1)}, true);
    if (input.number(0, 1) == 1) options.mask = &mask;
    const Marker marker{input.colour(), std::nullopt, blending_of(input), input.point(), options.orientation};
    check_clips(size, format, input, [&](const ImageView& view) {
        overlay(view, image, at, options);
        overlay(view, mask, at, marker);
    });
}

void resizing(Bytes bytes) {
    Input input(bytes);
    const Image image = image_of(input);
    const std::int32_t width = input.number(1, 40);
    const Size size{width, input.number(1, 40)};
    const Resizing how{.resampling = input.choice(Resampling::bicubic), .fit = input.choice(Fit::cover)};
    const Image result = resized(image, size, how);
    require(result.size() == fitted(image.size(), size, how.fit), "a resized image has the size");
    require(result.format() == image.format(), "and its format");
}

} // namespace coldbrick::fuzz
