#include "raster/path/convex_pieces.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <numeric>

namespace coldbrick::raster {

namespace {

/// So few pieces are swept at once.
constexpr std::size_t few_pieces = 8;

/// Squares are halved no further, in sub-pixels.
constexpr std::int64_t smallest_square = sub_pixels >> 6;

/// What cutting_edges() returns for pieces that do not reach a square.
constexpr std::size_t misses = std::numeric_limits<std::size_t>::max();

/// How near to an edge a corner is not taken to be on one side of it, for rounding far away.
constexpr double doubt = 2;

/// True if as good as nothing of one half of a square lies outside another one.
bool lies_within(const SquareHalf& one, const SquareHalf& other) {
    for (std::size_t i = 0; i < 4; ++i) {
        const double begin = one.depths[i];
        const double end = one.depths[(i + 1) % 4];
        const double other_begin = other.depths[i];
        if (begin > 0 && other_begin < -doubt) return false;
        if ((begin > 0) == (end > 0)) continue;
        const double share = begin / (begin - end);
        if (other_begin + share * (other.depths[(i + 1) % 4] - other_begin) < -doubt) return false;
    }
    return true;
}

/// The last halves of a square that pieces have: dashes one behind the other have the same sides.
class KnownHalves {
  public:
    /// False if the half is within one that is known.
    bool add(const SquareHalf& half) {
        for (std::size_t i = 0; i < std::min(count_, halves_.size()); ++i)
            if (lies_within(half, halves_[i])) return false;
        halves_[count_++ % halves_.size()] = half;
        return true;
    }

  private:
    std::array<SquareHalf, 4> halves_{};
    std::size_t count_ = 0;
};

/// The square of a pixel, as those of its parts, from its top-left corner.
SubPoint corner_of(std::int64_t x, std::int64_t y) {
    return SubPoint::of_pixel(x, y) - SubPoint{half_a_pixel, half_a_pixel};
}

} // namespace

void ConvexPieces::end() {
    Piece& piece = pieces_.back();
    piece.last = edges_.size();
    if (piece.first == piece.last) return pieces_.pop_back();
    const SubPoint start = edges_[piece.first].from;
    piece.bounds = {start.x, start.y, start.x, start.y};
    Bounds& box = piece.bounds;
    for (std::size_t i = piece.first; i < piece.last; ++i)
        for (const SubPoint at : {edges_[i].from, edges_[i].to})
            box = {std::min(box.left, at.x), std::min(box.top, at.y), std::max(box.right, at.x),
                   std::max(box.bottom, at.y)};
}

ConvexPieces::Reached ConvexPieces::reached(std::size_t first, std::size_t last, SubPoint corner,
                                            std::int64_t size) {
    Reached result{numbers_.size(), false};
    const SubPoint far = corner + SubPoint{size, size};
    KnownHalves halves;
    for (std::size_t i = first; i < last; ++i) {
        const std::uint32_t number = numbers_[i];
        const Bounds& box = pieces_[number].bounds;
        if (box.left >= far.x || box.right <= corner.x || box.top >= far.y || box.bottom <= corner.y)
            continue;
        SquareHalf half{};
        const std::size_t cutting = cutting_edges(pieces_[number], corner, size, half);
        if (cutting == misses) continue;
        // Not before a pixel is reached, which depends on nothing else.
        if (size <= sub_pixels && cutting == 1 && !halves.add(half)) continue;
        numbers_.push_back(number);
        if (cutting > 0) continue;
        result.is_full = true;
        return result;
    }
    return result;
}

/// How many edges of a piece pass a square, or `misses` if it is outside. Edges elsewhere may be coarser than
/// they are in other clips, and change nothing.
/// @param half what the last one's line leaves of the square
std::size_t ConvexPieces::cutting_edges(const Piece& piece, SubPoint corner, std::int64_t size,
                                        SquareHalf& half) const {
    std::size_t result = 0;
    bool has_middle = true;
    const auto wide = static_cast<double>(size);
    constexpr auto near = static_cast<std::int64_t>(doubt);
    for (std::size_t k = piece.first; k < piece.last; ++k) {
        const auto& [from, to] = edges_[k];
        // The inside lies on the left.
        const SubVector way = SubVector::between(from, to);
        const double inwards = cross(SubVector::between(from, corner), way);
        const double across = wide * way.y;
        const double down = -wide * way.x;
        const double spare = doubt * (std::abs(way.x) + std::abs(way.y));
        if (inwards + std::max(across, 0.0) + std::max(down, 0.0) < -spare) return misses;
        if (inwards + std::min(across, 0.0) + std::min(down, 0.0) > spare) continue;
        has_middle = has_middle && inwards + (across + down) / 2 > 0;
        if (std::max(from.x, to.x) < corner.x - near || std::min(from.x, to.x) > corner.x + size + near ||
            std::max(from.y, to.y) < corner.y - near || std::min(from.y, to.y) > corner.y + size + near)
            continue;
        ++result;
        const double unit = 1 / way.length();
        half = {{unit * inwards, unit * (inwards + across), unit * (inwards + across + down),
                 unit * (inwards + down)}};
    }
    return result == 0 && !has_middle ? misses : result;
}

void ConvexPieces::give(const AreaRule& rule, std::span<const AreaEdge> others, SpanSink& sink) {
    if (pieces_.empty()) return;
    rule_ = rule;
    others_ = others;
    Bounds all = pieces_.front().bounds;
    for (const Piece& piece : pieces_)
        all = {std::min(all.left, piece.bounds.left), std::min(all.top, piece.bounds.top),
               std::max(all.right, piece.bounds.right), std::max(all.bottom, piece.bounds.bottom)};
    const auto first = [](std::int64_t at) { return (at + half_a_pixel) >> sub_pixel_bits; };
    const base::Clip shown{std::max(clip_.left, first(all.left)), std::max(clip_.top, first(all.top)),
                           std::min(clip_.right, first(all.right) + 1),
                           std::min(clip_.bottom, first(all.bottom) + 1)};
    if (shown.empty()) return;
    numbers_.resize(pieces_.size());
    std::iota(numbers_.begin(), numbers_.end(), std::uint32_t{0});
    constexpr std::int64_t size = 4096;
    const auto down_to = [](std::int64_t at) { return at & -size; };
    for (std::int64_t y = down_to(shown.top); y < shown.bottom; y += size)
        for (std::int64_t x = down_to(shown.left); x < shown.right; x += size)
            give_square(x, y, size, 0, pieces_.size(), sink);
}

void ConvexPieces::give_square(std::int64_t x, std::int64_t y, std::int64_t size, std::size_t first,
                               std::size_t last, SpanSink& sink) {
    const base::Clip square{std::max(clip_.left, x), std::max(clip_.top, y), std::min(clip_.right, x + size),
                            std::min(clip_.bottom, y + size)};
    if (square.empty()) return;
    const Reached found = reached(first, last, corner_of(x, y), size * sub_pixels);
    const std::size_t end = numbers_.size();
    if (found.is_full) {
        give_full(square, sink);
    } else if (found.first < end && size == 1) {
        give_pixel(x, y, found.first, end, sink);
    } else if (found.first < end) {
        const std::int64_t half = size / 2;
        for (const std::int64_t down : {std::int64_t{0}, half})
            for (const std::int64_t across : {std::int64_t{0}, half})
                give_square(x + across, y + down, half, found.first, end, sink);
    }
    numbers_.resize(found.first);
}

/// What is all covered, joined with the other parts.
void ConvexPieces::give_full(const base::Clip& square, SpanSink& sink) const {
    if (rule_.kind == AreaRule::Kind::stroked) {
        for (std::int64_t y = square.top; y < square.bottom; ++y)
            sink.add(static_cast<std::int32_t>(y), square.left, square.right);
        return;
    }
    CoveredArea area(square);
    for (const AreaEdge& edge : others_) area.add(edge);
    const SubPoint corner = corner_of(square.left, square.top);
    const SubPoint far = corner_of(square.right, square.bottom);
    area.add({far.x, corner.y}, far, AreaPart::stroke);
    area.add({corner.x, far.y}, corner, AreaPart::stroke);
    area.give(rule_, sink);
}

void ConvexPieces::give_pixel(std::int64_t x, std::int64_t y, std::size_t first, std::size_t last,
                              SpanSink& sink) {
    const double share = area_of(corner_of(x, y), sub_pixels, first, last);
    constexpr double near_half = 1.0 / 4096; // goes up with halves, so that what is symmetric stays so
    const auto coverage = static_cast<std::uint8_t>(std::floor(share * 255 + 0.5 + near_half * 255));
    if (coverage == 255) return sink.add(static_cast<std::int32_t>(y), x, x + 1);
    if (coverage != 0) sink.add_coverage(static_cast<std::int32_t>(y), x, coverage);
}

/// The share of a square that is covered.
double ConvexPieces::area_of(SubPoint corner, std::int64_t size, std::size_t first, std::size_t last) {
    if (last - first <= few_pieces || size <= smallest_square)
        return swept_area(corner, size, {numbers_.data() + first, last - first}, false);
    const std::int64_t half = size / 2;
    double sum = 0;
    for (const std::int64_t down : {std::int64_t{0}, half})
        for (const std::int64_t across : {std::int64_t{0}, half}) {
            const SubPoint part = corner + SubPoint{across, down};
            const Reached found = reached(first, last, part, half);
            const std::size_t end = numbers_.size();
            if (found.is_full)
                sum += swept_area(part, half, {}, true);
            else if (found.first < end)
                sum += area_of(part, half, found.first, end);
            numbers_.resize(found.first);
        }
    return sum / 4;
}

/// As the share of a pixel that the square is scaled to.
/// @param is_full whether all of it is covered by pieces
double ConvexPieces::swept_area(SubPoint corner, std::int64_t size, std::span<const std::uint32_t> pieces,
                                bool is_full) const {
    if (is_full && rule_.kind == AreaRule::Kind::stroked) return 1;
    const std::int64_t scale = sub_pixels / size;
    CoveredArea area({0, 0, 1, 1});
    const auto scaled = [&](SubPoint at) {
        const SubPoint from = at - corner;
        return SubPoint{from.x * scale - half_a_pixel, from.y * scale - half_a_pixel};
    };
    for (const std::uint32_t number : pieces)
        for (std::size_t i = pieces_[number].first; i < pieces_[number].last; ++i)
            area.add(scaled(edges_[i].from), scaled(edges_[i].to), AreaPart::stroke);
    if (is_full) {
        area.add({half_a_pixel, -half_a_pixel}, {half_a_pixel, half_a_pixel}, AreaPart::stroke);
        area.add({-half_a_pixel, half_a_pixel}, {-half_a_pixel, -half_a_pixel}, AreaPart::stroke);
    }
    for (const AreaEdge& edge : others_) {
        const SubPoint top = scaled({edge.top_x - half_a_pixel, edge.top_y - half_a_pixel});
        const SubPoint bottom = scaled({edge.bottom_x - half_a_pixel, edge.bottom_y - half_a_pixel});
        edge.direction >= 0 ? area.add(top, bottom, edge.part) : area.add(bottom, top, edge.part);
    }
    return area.share_of_pixel(rule_);
}

} // namespace coldbrick::raster
