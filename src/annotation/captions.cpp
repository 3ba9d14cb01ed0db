#include <coldbrick/captions.hpp>

#include "annotation/box_index.hpp"
#include "base/limits.hpp"
#include "base/range_checks.hpp"
#include "image/drawing/style_checks.hpp"
#include "text/layout/style_checks.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>

#include <algorithm>
#include <array>
#include <cstdint>
#include <limits>
#include <utility>
#include <vector>

namespace coldbrick {

namespace {

/// How far two intervals lie apart; 0 if they touch or overlap.
std::int64_t gap_between(std::int64_t begin, std::int64_t end, std::int64_t other_begin,
                         std::int64_t other_end) {
    return std::max({std::int64_t{0}, other_begin - end, begin - other_end});
}

/// The square of the distance of two boxes, whose sides have 32 bits.
double squared_distance(const Box& a, const Box& b) {
    const auto across = static_cast<double>(gap_between(a.x, a.end_x(), b.x, b.end_x()));
    const auto down = static_cast<double>(gap_between(a.y, a.end_y(), b.y, b.end_y()));
    return across * across + down * down;
}

/// The pixel of an interval that is nearest to another interval; the middle of what both have in common.
std::int64_t nearest_in(std::int64_t begin, std::int64_t end, std::int64_t other_begin,
                        std::int64_t other_end) {
    const auto first = std::max(begin, other_begin);
    const auto last = std::min(end, other_end) - 1;
    if (first <= last) return first + (last - first) / 2;
    return other_begin >= end ? end - 1 : begin;
}

Point nearest_pixel(const Box& of, const Box& to) {
    const auto cut = [](std::int64_t value) {
        return static_cast<std::int32_t>(
            std::clamp<std::int64_t>(value, base::first_coordinate, base::last_coordinate));
    };
    return {cut(nearest_in(of.x, of.end_x(), to.x, to.end_x())),
            cut(nearest_in(of.y, of.end_y(), to.y, to.end_y()))};
}

/// Finds places for plates among obstacles.
class PlaceFinder {
  public:
    PlaceFinder(const Box& picture, std::int64_t gap, std::span<const Box> obstacles)
        : picture_(picture), gap_(gap) {
        for (const Box& obstacle : obstacles) add(obstacle);
    }

    struct Place {
        Box plate;
        bool beside = true; ///< its own box
        bool free = true;
    };

    /// @param size of the plate, which fits the picture
    [[nodiscard]] Place find(const Box& box, const Box& size) {
        const auto beside = places_beside(box, size);
        for (const Box& plate : beside)
            if (is_free(plate)) return {plate};
        if (may_have_room(size)) {
            if (const Box plate = nearest_free(box, size); !plate.empty())
                return {plate, squared_distance(plate, box) <= static_cast<double>((gap_ + 1) * (gap_ + 1))};
            std::erase_if(without_room_, [&](const Box& larger) {
                return size.width <= larger.width && size.height <= larger.height;
            });
            without_room_.push_back(size);
        }
        return {*std::ranges::min_element(beside, {}, [&](const Box& plate) { return covered_area(plate); }),
                true, false};
    }

    /// Plates lie in the picture: only what is there is in their way.
    void add(const Box& obstacle) {
        if (const Box seen = obstacle.intersection(picture_); !seen.empty()) obstacles_.add(seen);
    }

  private:
    /// Above, below, to the right and to the left of a box, moved into the picture.
    [[nodiscard]] std::array<Box, 8> places_beside(const Box& box, const Box& size) const {
        const auto left = box.x;
        const auto right = box.end_x() - size.width;
        const auto above = box.y - gap_ - size.height;
        const auto below = box.end_y() + gap_;
        const auto behind = box.end_x() + gap_;
        const auto before = box.x - gap_ - size.width;
        const auto bottom = box.end_y() - size.height;
        const auto at = [&](std::int64_t x, std::int64_t y) { return inside(x, y, size); };
        return {at(left, above),   at(right, above),  at(left, below),    at(right, below),
                at(behind, box.y), at(before, box.y), at(behind, bottom), at(before, bottom)};
    }

    [[nodiscard]] Box inside(std::int64_t x, std::int64_t y, const Box& size) const {
        return {std::clamp(x, picture_.x, picture_.end_x() - size.width),
                std::clamp(y, picture_.y, picture_.end_y() - size.height), size.width, size.height};
    }

    /// Obstacles only become more: where a plate has found no room, no larger one will.
    [[nodiscard]] bool may_have_room(const Box& size) const {
        return std::ranges::none_of(without_room_, [&](const Box& smaller) {
            return smaller.width <= size.width && smaller.height <= size.height;
        });
    }

    [[nodiscard]] bool is_free(const Box& plate) const {
        return !obstacles_.find(plate, [](const Box&) { return true; });
    }

    [[nodiscard]] double covered_area(const Box& plate) const {
        double result = 0;
        obstacles_.find(plate, [&](const Box& one) {
            const Box common = one.intersection(plate);
            result += static_cast<double>(common.width) * static_cast<double>(common.height);
            return false;
        });
        return result;
    }

    /// Obstacles from top to bottom.
    struct Obstacles {
        std::vector<Box> boxes;
        std::int64_t tallest = 0;
    };
    [[nodiscard]] Obstacles obstacles_in(const Box& window) const {
        Obstacles result;
        obstacles_.find(window, [&](const Box& one) {
            result.boxes.push_back(one);
            result.tallest = std::max(result.tallest, one.height);
            return false;
        });
        std::ranges::sort(result.boxes, {}, &Box::y);
        return result;
    }

    /// The free place nearest to a box; an empty box if there is none. It is looked for in a window around
    /// the box, ever larger until nothing outside can be nearer.
    [[nodiscard]] Box nearest_free(const Box& box, const Box& size) const {
        for (std::int64_t reach = size.height + gap_;; reach *= 2) {
            const auto beyond = [&](std::int64_t extent) { return reach + extent; };
            const Box window{box.x - beyond(size.width), box.y - beyond(size.height),
                             box.width + 2 * beyond(size.width), box.height + 2 * beyond(size.height)};
            const Obstacles obstacles = obstacles_in(window);
            const Box place = nearest_free_in(box, size, window.intersection(picture_), obstacles);
            const bool is_all = window.intersection(picture_) == picture_;
            const auto seen = static_cast<double>(reach);
            if (is_all || (!place.empty() && squared_distance(place, box) <= seen * seen)) return place;
        }
    }

    /// The free place in a part of the picture. A plate at any free place can be moved up until it meets an
    /// obstacle or the part's side and is free still: so it is enough to look at the rows where that may be,
    /// and at some more to be near.
    /// @param obstacles all that meet the part
    [[nodiscard]] Box nearest_free_in(const Box& box, const Box& size, const Box& part,
                                      const Obstacles& obstacles) const {
        std::vector<std::int64_t> rows{part.y, part.end_y() - size.height, box.y, box.y - gap_ - size.height,
                                       box.end_y() + gap_};
        for (const Box& one : obstacles.boxes) {
            rows.push_back(one.end_y());
            rows.push_back(one.y - size.height);
        }
        std::erase_if(rows, [&](std::int64_t y) { return y < part.y || y > part.end_y() - size.height; });
        const auto down = [&](std::int64_t y) { return gap_between(y, y + size.height, box.y, box.end_y()); };
        std::ranges::sort(rows, {}, [&](std::int64_t y) { return std::pair(down(y), y); });
        rows.erase(std::unique(rows.begin(), rows.end()), rows.end());
        Box best;
        double least = std::numeric_limits<double>::infinity();
        for (const std::int64_t y : rows) {
            const auto distance_down = static_cast<double>(down(y));
            if (distance_down * distance_down >= least) break;
            const Box plate = nearest_free_in_row(box, {0, y, size.width, size.height}, part, obstacles);
            if (plate.empty()) continue;
            if (const double distance = squared_distance(plate, box); distance < least) {
                least = distance;
                best = plate;
            }
        }
        return best;
    }

    /// The same with the plate's row given.
    [[nodiscard]] static Box nearest_free_in_row(const Box& box, Box plate, const Box& part,
                                                 const Obstacles& obstacles) {
        std::vector<std::pair<std::int64_t, std::int64_t>> taken; // columns where the plate may not begin
        auto one = std::ranges::lower_bound(obstacles.boxes, plate.y - obstacles.tallest, {}, &Box::y);
        for (; one != obstacles.boxes.end() && one->y < plate.end_y(); ++one)
            if (plate.y < one->end_y()) taken.emplace_back(one->x - plate.width + 1, one->end_x());
        std::ranges::sort(taken);
        std::int64_t best = 0;
        auto least = std::numeric_limits<std::int64_t>::max();
        const auto consider = [&](std::int64_t first, std::int64_t last) {
            if (first > last) return;
            const std::int64_t x = std::clamp(box.x, first, last);
            if (std::abs(x - box.x) >= least) return;
            least = std::abs(x - box.x);
            best = x;
        };
        std::int64_t begin = part.x;
        const std::int64_t last = part.end_x() - plate.width;
        for (const auto& [from, end] : taken) {
            consider(begin, std::min(from - 1, last));
            begin = std::max(begin, end);
        }
        consider(begin, last);
        if (least == std::numeric_limits<std::int64_t>::max()) return {};
        plate.x = best;
        return plate;
    }

    Box picture_;
    std::int64_t gap_;
    text::BoxIndex obstacles_;
    std::vector<Box> without_room_; ///< sizes, none of which is larger than another
};

/// A caption's text so that its plate fits the picture, as far as it can.
Text text_within(const Caption& caption, const Box& picture, const CaptionStyle& style,
                 const TextPlate& plate) {
    TextStyle own = style.text;
    own.turn = {};
    own.anchor = {TextColumn::left, TextRow::top};
    own.alignment = style.text.alignment.value_or(TextColumn::left);
    Text text(caption.text, {}, own);
    const auto fits = [&] {
        const Box box = text.plate_box(plate);
        return box.width <= picture.width && box.height <= picture.height;
    };
    // Letters may reach out of their lines: what is too much then is taken away once more.
    for (std::int64_t spare = 2 * std::int64_t{plate.padding}, most = spare + 64; !fits() && spare < most;
         spare += 4) {
        const auto room = [&](std::int64_t length) {
            return static_cast<std::int32_t>(std::clamp<std::int64_t>(length - spare, 1, 1 << 30));
        };
        own.fit = Size{room(picture.width), room(picture.height)};
        text = Text(caption.text, {}, own);
    }
    return text;
}

/// Calls leader(line) for all leader lines and then text(caption) for all captions.
template <class OnLeader, class OnText>
void for_each_part(std::span<const PlacedCaption> captions, OnLeader on_leader, OnText on_text) {
    for (const PlacedCaption& caption : captions)
        if (caption.leader) on_leader(*caption.leader);
    for (const PlacedCaption& caption : captions) on_text(caption.text);
}

} // namespace

std::vector<PlacedCaption> place_captions(std::span<const Caption> captions, const Box& picture,
                                          const CaptionStyle& style) {
    base::check_range("caption's gap", style.gap, 0, 32767);
    text::check(style.paint);
    if (picture.empty()) throw ArgumentError("captions have no picture to lie in");
    for (const auto side : {picture.x, picture.y, picture.end_x() - 1, picture.end_y() - 1})
        base::check_range("side of the captions' picture", side, base::first_coordinate,
                          base::last_coordinate);
    const TextPlate plate = style.paint.plate.value_or(TextPlate{.paint = {}, .padding = 0});
    std::vector<Box> boxes;
    for (const Caption& caption : captions)
        if (!caption.box.empty()) boxes.push_back(caption.box);
    PlaceFinder finder(picture, style.gap, boxes);
    std::vector<PlacedCaption> result;
    for (const Caption& caption : captions) {
        if (caption.text.empty()) { // which takes no place
            result.push_back({Text("", {}, style.text), {}, std::nullopt, true});
            continue;
        }
        const Text text = text_within(caption, picture, style, plate);
        Box size = text.plate_box(plate);
        const Box whole = size;
        size.width = std::min(size.width, picture.width); // of the smallest pictures
        size.height = std::min(size.height, picture.height);
        const PlaceFinder::Place place = finder.find(caption.box, size);
        finder.add(place.plate);
        PlacedCaption placed{text.moved(place.plate.x - whole.x, place.plate.y - whole.y), place.plate,
                             std::nullopt, place.free};
        if (!place.beside && !caption.box.empty())
            placed.leader = Line{nearest_pixel(place.plate, caption.box),
                                 nearest_pixel(caption.box.intersection(picture).empty()
                                                   ? caption.box
                                                   : caption.box.intersection(picture),
                                               place.plate)};
        result.push_back(std::move(placed));
    }
    return result;
}

void draw(const ImageView& view, std::span<const PlacedCaption> captions, const CaptionStyle& style) {
    image::check(style.leader);
    image::check(style.leader.blending, view.format());
    image::check_suits<Line>(style.leader);
    text::check(style.paint);
    image::check(style.paint.blending, view.format());
    for_each_part(
        captions, [&](const Line& leader) { draw(view, leader, style.leader); },
        [&](const Text& text) { draw(view, text, style.paint); });
}

void add(Drawing& drawing, std::span<const PlacedCaption> captions, const CaptionStyle& style) {
    for_each_part(
        captions, [&](const Line& leader) { drawing.add(leader, style.leader); },
        [&](const Text& text) { add(drawing, text, style.paint); });
}

} // namespace coldbrick
