/// @file
/// Plain versions of the primitives as textbooks print them, to measure against: every pixel's place is
/// checked against the image and worked out afresh. They need not follow the pixel rules.
#pragma once

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <vector>

namespace textbook {

/// Pixels of four bytes.
struct Canvas {
    int width;
    int height;
    std::vector<std::uint32_t> pixels;

    Canvas(int canvas_width, int canvas_height)
        : width(canvas_width), height(canvas_height),
          pixels(static_cast<std::size_t>(canvas_width) * static_cast<std::size_t>(canvas_height)) {}

    void set(int x, int y, std::uint32_t colour) {
        if (x >= 0 && x < width && y >= 0 && y < height)
            pixels[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                   static_cast<std::size_t>(x)] = colour;
    }

    /// Columns [left, right] of a row.
    void set_row(int left, int right, int y, std::uint32_t colour) {
        if (y < 0 || y >= height) return;
        left = std::max(left, 0);
        right = std::min(right, width - 1);
        if (left > right) return;
        const auto row = pixels.begin() + std::ptrdiff_t{y} * width;
        std::fill(row + left, row + right + 1, colour);
    }
};

/// Bresenham's line in all eight octants.
inline void line(Canvas& canvas, int x0, int y0, int x1, int y1, std::uint32_t colour) {
    const int dx = std::abs(x1 - x0);
    const int dy = -std::abs(y1 - y0);
    const int step_x = x0 < x1 ? 1 : -1;
    const int step_y = y0 < y1 ? 1 : -1;
    int error = dx + dy;
    while (true) {
        canvas.set(x0, y0, colour);
        if (x0 == x1 && y0 == y1) return;
        const int doubled = 2 * error;
        if (doubled >= dy) {
            error += dy;
            x0 += step_x;
        }
        if (doubled <= dx) {
            error += dx;
            y0 += step_y;
        }
    }
}

/// Calls visit(x, y) along one eighth of the midpoint circle.
template <class Visit>
void circle_octant(std::int64_t radius, Visit visit) {
    std::int64_t x = radius;
    std::int64_t y = 0;
    std::int64_t decision = 1 - radius;
    while (x >= y) {
        visit(static_cast<int>(x), static_cast<int>(y));
        ++y;
        if (decision <= 0) {
            decision += 2 * y + 1;
        } else {
            --x;
            decision += 2 * (y - x) + 1;
        }
    }
}

inline void circle_outline(Canvas& canvas, int cx, int cy, int radius, std::uint32_t colour) {
    circle_octant(radius, [&](int x, int y) {
        for (const auto& [dx, dy] :
             {std::pair{x, y}, {y, x}, {-x, y}, {-y, x}, {x, -y}, {y, -x}, {-x, -y}, {-y, -x}})
            canvas.set(cx + dx, cy + dy, colour);
    });
}

/// Calls draw_row(left, right, y) for four rows at each step of the octant.
template <class DrawRow>
void circle_rows(int cx, int cy, int radius, DrawRow draw_row) {
    circle_octant(radius, [&](int x, int y) {
        draw_row(cx - x, cx + x, cy + y);
        draw_row(cx - x, cx + x, cy - y);
        draw_row(cx - y, cx + y, cy + x);
        draw_row(cx - y, cx + y, cy - x);
    });
}

inline void filled_circle(Canvas& canvas, int cx, int cy, int radius, std::uint32_t colour) {
    circle_rows(cx, cy, radius, [&](int left, int right, int y) {
        for (int x = left; x <= right; ++x) canvas.set(x, y, colour);
    });
}

/// A better one: each row is cut to the image once and filled by std::fill.
inline void filled_circle_by_rows(Canvas& canvas, int cx, int cy, int radius, std::uint32_t colour) {
    circle_rows(cx, cy, radius, [&](int left, int right, int y) { canvas.set_row(left, right, y, colour); });
}

/// Each pixel of the bounding box asked how far it is from the segment.
inline void wide_line(Canvas& canvas, int x0, int y0, int x1, int y1, int width, std::uint32_t colour) {
    const double dx = x1 - x0;
    const double dy = y1 - y0;
    const double half = width / 2.0;
    for (int y = std::min(y0, y1) - width; y <= std::max(y0, y1) + width; ++y)
        for (int x = std::min(x0, x1) - width; x <= std::max(x0, x1) + width; ++x) {
            const double along = std::clamp(((x - x0) * dx + (y - y0) * dy) / (dx * dx + dy * dy), 0.0, 1.0);
            const double from_x = x - (x0 + along * dx);
            const double from_y = y - (y0 + along * dy);
            if (from_x * from_x + from_y * from_y <= half * half) canvas.set(x, y, colour);
        }
}

/// The midpoint ellipse in two regions, its four reflections pixel by pixel or as filled rows.
inline void ellipse(Canvas& canvas, int cx, int cy, int rx, int ry, bool filled, std::uint32_t colour) {
    const auto set = [&](int x, int y) {
        if (filled) {
            for (int column = cx - x; column <= cx + x; ++column) {
                canvas.set(column, cy + y, colour);
                canvas.set(column, cy - y, colour);
            }
            return;
        }
        canvas.set(cx + x, cy + y, colour);
        canvas.set(cx - x, cy + y, colour);
        canvas.set(cx + x, cy - y, colour);
        canvas.set(cx - x, cy - y, colour);
    };
    const std::int64_t a = std::int64_t{rx} * rx;
    const std::int64_t b = std::int64_t{ry} * ry;
    int x = 0;
    int y = ry;
    std::int64_t decision = 4 * b - 4 * a * ry + a;
    while (b * x <= a * y) {
        set(x, y);
        ++x;
        decision += 4 * b * (2 * x + 1);
        if (decision >= 0) {
            --y;
            decision -= 8 * a * y;
        }
    }
    decision = b * (2 * x + 1) * (2 * x + 1) + 4 * a * (y - 1) * (y - 1) - 4 * a * b;
    while (y >= 0) {
        set(x, y);
        --y;
        decision += 4 * a * (1 - 2 * y);
        if (decision <= 0) {
            ++x;
            decision += 8 * b * x;
        }
    }
}

/// Each pixel of the square asked whether it lies between two radii.
inline void wide_circle(Canvas& canvas, int cx, int cy, int radius, int width, std::uint32_t colour) {
    const double inner = radius - width / 2.0;
    const double outer = radius + width / 2.0;
    const int reach = static_cast<int>(outer) + 1;
    for (int y = -reach; y <= reach; ++y)
        for (int x = -reach; x <= reach; ++x) {
            const double square = double(x) * x + double(y) * y;
            if (square >= inner * inner && square < outer * outer) canvas.set(cx + x, cy + y, colour);
        }
}

/// Each pixel of the box asked whether it lies between two ellipses.
inline void wide_ellipse(Canvas& canvas, int cx, int cy, int rx, int ry, int width, std::uint32_t colour) {
    const double half = width / 2.0;
    const auto within = [](double x, double y, double a, double b) {
        return x * x / (a * a) + y * y / (b * b) < 1;
    };
    for (int y = -ry - width; y <= ry + width; ++y)
        for (int x = -rx - width; x <= rx + width; ++x)
            if (within(x, y, rx + half, ry + half) && !within(x, y, rx - half, ry - half))
                canvas.set(cx + x, cy + y, colour);
}

/// The same with the pixel's angle, in degrees, between two others.
inline void wide_arc(Canvas& canvas, int cx, int cy, int radius, int width, double from, double to,
                     std::uint32_t colour) {
    const double inner = radius - width / 2.0;
    const double outer = radius + width / 2.0;
    const int reach = static_cast<int>(outer) + 1;
    for (int y = -reach; y <= reach; ++y)
        for (int x = -reach; x <= reach; ++x) {
            const double square = double(x) * x + double(y) * y;
            if (square < inner * inner || square >= outer * outer) continue;
            const double angle = std::atan2(y, x) * 57.29577951308232;
            const double positive = angle < 0 ? angle + 360 : angle;
            if (positive >= from && positive <= to) canvas.set(cx + x, cy + y, colour);
        }
}

/// A line cut into shorter ones, each of them drawn on its own.
inline void dashed_line(Canvas& canvas, int x0, int y0, int x1, int y1, int width, double on, double off,
                        std::uint32_t colour) {
    const double length = std::hypot(x1 - x0, y1 - y0);
    for (double at = 0; at < length; at += on + off) {
        const double end = std::min(at + on, length);
        const auto along = [length](int from, int to, double distance) {
            return static_cast<int>(std::lround(from + (to - from) * distance / length));
        };
        if (width == 1)
            line(canvas, along(x0, x1, at), along(y0, y1, at), along(x0, x1, end), along(y0, y1, end),
                 colour);
        else
            wide_line(canvas, along(x0, x1, at), along(y0, y1, at), along(x0, x1, end), along(y0, y1, end),
                      width, colour);
    }
}

struct Vertex {
    int x;
    int y;
};

/// On every row all edges are asked for their crossing, which are sorted; between pairs of them pixels are
/// set.
inline void polygon(Canvas& canvas, const std::vector<Vertex>& ring, std::uint32_t colour) {
    const auto [top, bottom] =
        std::minmax_element(ring.begin(), ring.end(), [](Vertex a, Vertex b) { return a.y < b.y; });
    std::vector<double> crossings;
    for (int y = top->y; y <= bottom->y; ++y) {
        crossings.clear();
        for (std::size_t i = 0; i < ring.size(); ++i) {
            const Vertex a = ring[i];
            const Vertex b = ring[(i + 1) % ring.size()];
            if ((a.y <= y) != (b.y <= y))
                crossings.push_back(a.x + double(y - a.y) * (b.x - a.x) / (b.y - a.y));
        }
        std::sort(crossings.begin(), crossings.end());
        for (std::size_t i = 0; i + 1 < crossings.size(); i += 2)
            for (int x = static_cast<int>(std::ceil(crossings[i])); x <= static_cast<int>(crossings[i + 1]);
                 ++x)
                canvas.set(x, y, colour);
    }
}

inline void filled_box(Canvas& canvas, int x, int y, int width, int height, std::uint32_t colour) {
    for (int row = y; row < y + height; ++row) canvas.set_row(x, x + width - 1, row, colour);
}

} // namespace textbook
