/// @file
/// The drawing routines that a competent programmer would write by hand from a graphics course, and nothing
/// cleverer: what the library is measured beside, case by case.
// Conventions
//   * Pixel (x, y) is a unit square; its centre lies at (x + 0.5, y + 0.5).
//     Integer coordinates of lines, circles and ellipses name pixel centres.
//   * A colour is 0xAABBGGRR, which on a little-endian machine is the memory
//     order R, G, B, A. Alpha is straight; a destination is taken as opaque
//     (or premultiplied), so each channel is round((s*a + d*(255-a)) / 255).
//   * Every routine accepts shapes lying partly or wholly off the canvas.
//
// Every routine is a plain function: `line(buffer, x0, y0, x1, y1, rgba)`.
// They are templates only so that rgba8 and rgb8 need no branch per pixel.
#pragma once

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <cstdlib>
#include <cstring>
#include <span>
#include <utility>
#include <vector>

#if defined(__GNUC__)
#define TEXTBOOK_FN __attribute__((noinline))
#else
#define TEXTBOOK_FN
#endif

namespace textbook {

template <int BytesPerPixel>
struct BasicBuffer {
    static constexpr int bytes_per_pixel = BytesPerPixel;
    std::uint8_t* data = nullptr;
    int width = 0;
    int height = 0;
    std::ptrdiff_t stride = 0; // bytes from one row to the next
};
using Buffer = BasicBuffer<4>;   // rgba8
using Buffer24 = BasicBuffer<3>; // rgb8

struct Point {
    double x, y;
};
struct Pixel {
    int x, y;
    std::uint32_t rgba;
};

// ---------------------------------------------------------------- one pixel

template <int N>
inline void store(std::uint8_t* p, std::uint32_t rgba) {
    if constexpr (N == 4) {
        std::memcpy(p, &rgba, 4);
    } else {
        p[0] = static_cast<std::uint8_t>(rgba);
        p[1] = static_cast<std::uint8_t>(rgba >> 8);
        p[2] = static_cast<std::uint8_t>(rgba >> 16);
    }
}

template <int N>
inline void put_pixel(BasicBuffer<N>& b, int x, int y, std::uint32_t rgba) {
    if (static_cast<unsigned>(x) >= static_cast<unsigned>(b.width) ||
        static_cast<unsigned>(y) >= static_cast<unsigned>(b.height))
        return;
    store<N>(b.data + y * b.stride + static_cast<std::ptrdiff_t>(x) * N, rgba);
}

inline std::uint8_t blend_channel(unsigned s, unsigned d, unsigned a) {
    return static_cast<std::uint8_t>((s * a + d * (255 - a) + 127) / 255);
}

template <int N>
inline void blend_pixel(BasicBuffer<N>& b, int x, int y, std::uint32_t rgba) {
    if (static_cast<unsigned>(x) >= static_cast<unsigned>(b.width) ||
        static_cast<unsigned>(y) >= static_cast<unsigned>(b.height))
        return;
    std::uint8_t* p = b.data + y * b.stride + static_cast<std::ptrdiff_t>(x) * N;
    const unsigned a = rgba >> 24;
    p[0] = blend_channel(rgba & 255, p[0], a);
    p[1] = blend_channel((rgba >> 8) & 255, p[1], a);
    p[2] = blend_channel((rgba >> 16) & 255, p[2], a);
    if constexpr (N == 4) p[3] = blend_channel(255, p[3], a);
}

// Pixels x0..x1 (inclusive) of row y: clipped once, then stored one by one.
template <int N>
inline void hline(BasicBuffer<N>& b, int x0, int x1, int y, std::uint32_t rgba) {
    if (y < 0 || y >= b.height) return;
    x0 = std::max(x0, 0);
    x1 = std::min(x1, b.width - 1);
    std::uint8_t* p = b.data + y * b.stride + static_cast<std::ptrdiff_t>(x0) * N;
    for (int x = x0; x <= x1; ++x, p += N) store<N>(p, rgba);
}

// ---------------------------------------------------------- pixels and rects

template <class B>
TEXTBOOK_FN void put_pixels(B& b, std::span<const Pixel> pixels) {
    for (const Pixel& p : pixels) put_pixel(b, p.x, p.y, p.rgba);
}

// Rectangle with a bounds-checked put_pixel for every pixel.
template <class B>
TEXTBOOK_FN void put_pixel_rect(B& b, int x, int y, int w, int h, std::uint32_t rgba) {
    for (int j = y; j < y + h; ++j)
        for (int i = x; i < x + w; ++i) put_pixel(b, i, j, rgba);
}

// Rectangle by horizontal runs.
template <class B>
TEXTBOOK_FN void fill_rect(B& b, int x, int y, int w, int h, std::uint32_t rgba) {
    for (int j = y; j < y + h; ++j) hline(b, x, x + w - 1, j, rgba);
}

// Alpha-blended rectangle, one bounds-checked blend for every pixel.
template <class B>
TEXTBOOK_FN void blend_rect(B& b, int x, int y, int w, int h, std::uint32_t rgba) {
    for (int j = y; j < y + h; ++j)
        for (int i = x; i < x + w; ++i) blend_pixel(b, i, j, rgba);
}

// --------------------------------------------------------------------- lines

// Bresenham's line, both end points included, stepping along the longer axis.
template <class B>
TEXTBOOK_FN void line(B& b, int x0, int y0, int x1, int y1, std::uint32_t rgba) {
    const int dx = std::abs(x1 - x0), sx = x0 < x1 ? 1 : -1;
    const int dy = std::abs(y1 - y0), sy = y0 < y1 ? 1 : -1;
    if (dx >= dy) {
        int d = 2 * dy - dx;
        for (int i = 0; i <= dx; ++i) {
            put_pixel(b, x0, y0, rgba);
            if (d > 0) {
                y0 += sy;
                d -= 2 * dx;
            }
            d += 2 * dy;
            x0 += sx;
        }
    } else {
        int d = 2 * dx - dy;
        for (int i = 0; i <= dy; ++i) {
            put_pixel(b, x0, y0, rgba);
            if (d > 0) {
                x0 += sx;
                d -= 2 * dy;
            }
            d += 2 * dx;
            y0 += sy;
        }
    }
}

// ------------------------------------------------------- circles and ellipses

// Midpoint circle: one octant is walked, eight pixels are set at each step.
template <class B>
TEXTBOOK_FN void circle(B& b, int cx, int cy, int r, std::uint32_t rgba) {
    int x = 0, y = r, d = 1 - r;
    while (x <= y) {
        put_pixel(b, cx + x, cy + y, rgba);
        put_pixel(b, cx - x, cy + y, rgba);
        put_pixel(b, cx + x, cy - y, rgba);
        put_pixel(b, cx - x, cy - y, rgba);
        put_pixel(b, cx + y, cy + x, rgba);
        put_pixel(b, cx - y, cy + x, rgba);
        put_pixel(b, cx + y, cy - x, rgba);
        put_pixel(b, cx - y, cy - x, rgba);
        if (d < 0) {
            d += 2 * x + 3;
        } else {
            d += 2 * (x - y) + 5;
            --y;
        }
        ++x;
    }
}

// The disc bounded by the midpoint circle; every row is drawn exactly once.
template <class B>
TEXTBOOK_FN void fill_circle(B& b, int cx, int cy, int r, std::uint32_t rgba) {
    int x = 0, y = r, d = 1 - r;
    while (x <= y) {
        hline(b, cx - y, cx + y, cy + x, rgba);
        if (x != 0) hline(b, cx - y, cx + y, cy - x, rgba);
        if (d < 0) {
            d += 2 * x + 3;
        } else {
            if (x != y) { // the last, hence widest, x of this y
                hline(b, cx - x, cx + x, cy + y, rgba);
                hline(b, cx - x, cx + x, cy - y, rgba);
            }
            d += 2 * (x - y) + 5;
            --y;
        }
        ++x;
    }
}

// Ring: every pixel of the bounding box is tested against the two radii.
template <class B>
TEXTBOOK_FN void thick_circle(B& b, int cx, int cy, int r, int width, std::uint32_t rgba) {
    const double outer = r + width * 0.5, inner = std::max(0.0, r - width * 0.5);
    const double outer2 = outer * outer, inner2 = inner * inner;
    const int reach = static_cast<int>(std::ceil(outer));
    const int x0 = std::max(0, cx - reach), x1 = std::min(b.width - 1, cx + reach);
    const int y0 = std::max(0, cy - reach), y1 = std::min(b.height - 1, cy + reach);
    for (int y = y0; y <= y1; ++y) {
        for (int x = x0; x <= x1; ++x) {
            const double dx = x - cx, dy = y - cy;
            const double d2 = dx * dx + dy * dy;
            if (d2 >= inner2 && d2 <= outer2) put_pixel(b, x, y, rgba);
        }
    }
}

// Midpoint ellipse, two regions split where the slope is -1. The decision
// value is kept times four so that it stays an integer (radii up to ~38000).
template <class B>
TEXTBOOK_FN void ellipse(B& b, int cx, int cy, int rx, int ry, std::uint32_t rgba) {
    using I = std::int64_t;
    const I a2 = I{rx} * rx, b2 = I{ry} * ry;
    const auto plot4 = [&](int x, int y) {
        put_pixel(b, cx + x, cy + y, rgba);
        put_pixel(b, cx - x, cy + y, rgba);
        put_pixel(b, cx + x, cy - y, rgba);
        put_pixel(b, cx - x, cy - y, rgba);
    };
    int x = 0, y = ry;
    I px = 0, py = 2 * a2 * y;
    I p = 4 * b2 - 4 * a2 * ry + a2;
    while (px < py) {
        plot4(x, y);
        ++x;
        px += 2 * b2;
        if (p < 0) {
            p += 4 * (b2 + px);
        } else {
            --y;
            py -= 2 * a2;
            p += 4 * (b2 + px - py);
        }
    }
    p = b2 * (I{2} * x + 1) * (I{2} * x + 1) + 4 * a2 * (y - 1) * (y - 1) - 4 * a2 * b2;
    while (y >= 0) {
        plot4(x, y);
        --y;
        py -= 2 * a2;
        if (p > 0) {
            p += 4 * (a2 - py);
        } else {
            ++x;
            px += 2 * b2;
            p += 4 * (a2 - py + px);
        }
    }
}

// ------------------------------------------------------------------ polygons

// Even-odd scanline fill: an edge table ordered by first row, and a list of
// active edges kept in order of x. A pixel is set when its centre is inside.
template <class B>
TEXTBOOK_FN void fill_polygon(B& b, std::span<const Point> points, std::uint32_t rgba) {
    struct Edge {
        int first, last; // rows first..last-1
        double x, slope; // where it meets the current row's centre; dx per row
    };
    const double h = b.height, w = b.width;
    const auto first_centre = [](double v, double limit) {
        return static_cast<int>(std::clamp(std::ceil(v - 0.5), 0.0, limit));
    };

    std::vector<Edge> table;
    table.reserve(points.size());
    for (std::size_t i = 0; i < points.size(); ++i) {
        Point p = points[i], q = points[i + 1 == points.size() ? 0 : i + 1];
        if (p.y > q.y) std::swap(p, q);
        const int first = first_centre(p.y, h), last = first_centre(q.y, h);
        if (first >= last) continue;
        const double slope = (q.x - p.x) / (q.y - p.y);
        table.push_back({first, last, p.x + (first + 0.5 - p.y) * slope, slope});
    }
    std::sort(table.begin(), table.end(), [](const Edge& p, const Edge& q) { return p.first < q.first; });

    std::vector<Edge> active;
    active.reserve(table.size());
    std::size_t next = 0;
    int y = table.empty() ? 0 : table.front().first;
    while (next < table.size() || !active.empty()) {
        std::erase_if(active, [y](const Edge& e) { return e.last <= y; });
        while (next < table.size() && table[next].first == y) active.push_back(table[next++]);
        for (std::size_t i = 1; i < active.size(); ++i) { // nearly sorted already
            const Edge e = active[i];
            std::size_t j = i;
            for (; j > 0 && active[j - 1].x > e.x; --j) active[j] = active[j - 1];
            active[j] = e;
        }
        for (std::size_t i = 0; i + 1 < active.size(); i += 2) {
            const int x0 = first_centre(active[i].x, w), x1 = first_centre(active[i + 1].x, w);
            if (x0 < x1) hline(b, x0, x1 - 1, y, rgba);
        }
        for (Edge& e : active) e.x += e.slope;
        ++y;
    }
}

// Thick line with square-cut ends: four corners in floating point, then filled.
template <class B>
TEXTBOOK_FN void thick_line(B& b, int x0, int y0, int x1, int y1, int width, std::uint32_t rgba) {
    const double dx = x1 - x0, dy = y1 - y0, length = std::hypot(dx, dy);
    if (length == 0) return;
    const double nx = -dy / length * width * 0.5, ny = dx / length * width * 0.5;
    const Point corners[4] = {{x0 + 0.5 + nx, y0 + 0.5 + ny},
                              {x1 + 0.5 + nx, y1 + 0.5 + ny},
                              {x1 + 0.5 - nx, y1 + 0.5 - ny},
                              {x0 + 0.5 - nx, y0 + 0.5 - ny}};
    fill_polygon(b, std::span<const Point>(corners), rgba);
}

} // namespace textbook
