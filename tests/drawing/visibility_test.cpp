// What is told of a drawing's items is what painting every beginning of the drawing shows.

#include "support/drawings.hpp"
#include "support/errors.hpp"
#include "support/generators.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/visibility.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <array>
#include <concepts>
#include <functional>
#include <map>

namespace coldbrick::test {

namespace {

constexpr Size window{22, 16};
constexpr std::size_t pixel_count = 22 * 16;
using Pixels = std::vector<bool>;

Point at(std::size_t i) {
    return {static_cast<std::int32_t>(i % window.width), static_cast<std::int32_t>(i / window.width)};
}

template <class Is>
Pixels pixels_where(const Is& is) {
    Pixels result(pixel_count);
    for (std::size_t i = 0; i < pixel_count; ++i) result[i] = is(i);
    return result;
}

std::int64_t count(const Pixels& pixels) {
    return std::ranges::count(pixels, true);
}

/// What is known of an item by painting it alone, and all that comes before it.
struct Facts {
    std::uint32_t tag;
    Pixels covered = Pixels(pixel_count);
    Pixels changed = Pixels(pixel_count);
    Pixels hidden = Pixels(pixel_count);      ///< by it
    Pixels shows = Pixels(pixel_count, true); ///< the layer that it is in
    Pixels seen = Pixels(pixel_count);        ///< whatever comes later
    Pixels hidden_later = Pixels(pixel_count);
    Pixels on_top = Pixels(pixel_count);
    std::vector<Facts> inside = {}; ///< of a layer
};

/// Paints one item onto the pixels of a mask.
Image painted(const Image& ground, const Drawing::Item& item, const Pixels& mask) {
    Drawing one;
    if (const auto* const shape = std::get_if<Drawing::StyledShape>(&item)) one.add(*shape);
    if (const auto* const print = std::get_if<Drawing::Print>(&item))
        one.add(print->stencil, print->paint, print->blending);
    if (const auto* const group = std::get_if<Drawing::Group>(&item)) one.add(group->drawing, group->style);
    if (const auto* const picture = std::get_if<Drawing::Picture>(&item)) {
        Overlay options = picture->options;
        if (picture->mask) options.mask = &**picture->mask;
        one.add(picture->image, picture->at, options);
    }
    Image all = ground;
    draw(all, one);
    Image result = ground;
    for (std::size_t i = 0; i < pixel_count; ++i)
        if (mask[i]) result.view().set_pixel(at(i), all.pixel(at(i)));
    return result;
}

/// The item in opaque white, whatever its paint and the mode that it has.
Drawing::Item whitened(Drawing::Item item) {
    const Colour white(255, 255, 255);
    const auto whiten = [&](auto& style) {
        style.paint = white;
        style.blending = {};
    };
    if (auto* const shape = std::get_if<Drawing::StyledShape>(&item)) {
        if (shape->fill) whiten(*shape->fill);
        if (shape->stroke) whiten(*shape->stroke);
    } else if (auto* const print = std::get_if<Drawing::Print>(&item)) {
        whiten(*print);
    } else if (auto* const picture = std::get_if<Drawing::Picture>(&item)) {
        picture->options.blending = {};
        const Image& own = *picture->image;
        // What is left out is that key; the rest becomes white.
        Image opaque(own.size(), PixelFormat::rgba8, white);
        for (std::int32_t i = 0; i < own.width() * own.height(); ++i) {
            const Point pixel{i % own.width(), i / own.width()};
            if (picture->options.key == own.pixel(pixel)) opaque.view().set_pixel(pixel, own.pixel(pixel));
        }
        picture->image = std::move(opaque);
    }
    return item;
}

bool may_hide(const Blending& blending) {
    return blending.mode == BlendMode::source_over || blending.mode == BlendMode::copy ||
           blending.mode == BlendMode::clear;
}

/// Those parts of an item that may hide what is there, the others painting nothing.
std::vector<Drawing::Item> parts(const Drawing::Item& item) {
    const Blending nothing{BlendMode::source_over, 0};
    std::vector<Drawing::Item> result;
    if (const auto* const shape = std::get_if<Drawing::StyledShape>(&item)) {
        Drawing::StyledShape fill = *shape;
        Drawing::StyledShape stroke = *shape;
        if (fill.stroke) fill.stroke->blending = nothing;
        if (stroke.fill) stroke.fill->blending = nothing;
        if (fill.fill && may_hide(fill.fill->blending)) result.emplace_back(fill);
        if (stroke.stroke && may_hide(stroke.stroke->blending)) result.emplace_back(stroke);
    } else if (const auto* const print = std::get_if<Drawing::Print>(&item)) {
        if (may_hide(print->blending)) result.emplace_back(*print);
    } else if (const auto* const picture = std::get_if<Drawing::Picture>(&item)) {
        if (may_hide(picture->options.blending)) result.emplace_back(*picture);
    }
    return result;
}

/// The pixels that come out the same whatever was there.
Pixels hidden_by(const Drawing::Item& item, PixelFormat format, const Pixels& mask) {
    const std::array<Colour, 5> grounds{Colour(0, 0, 0), Colour(255, 255, 255), Colour(0, 0, 0, 0),
                                        Colour(13, 200, 90, 120), Colour(250, 3, 140)};
    Pixels result = mask;
    std::optional<Image> first;
    for (const Colour& ground : grounds) {
        Image other(window, format, ground);
        if (!layout(format).has_alpha() && ground.alpha != 255) continue;
        other = painted(other, item, mask);
        if (!first) first = other;
        for (std::size_t i = 0; i < pixel_count; ++i)
            if (other.pixel(at(i)) != first->pixel(at(i))) result[i] = false;
    }
    return result;
}

/// What the picture looks like with a layer as it is at some time: laid onto what is below it then.
using Laid = std::function<Image(const Image& layer)>;

bool is_simple(const Drawing& drawing) {
    const auto simple = [](const Blending& blending) { return blending.mode == BlendMode::source_over; };
    const auto of = [&]<class Item>(const Item& item) {
        if constexpr (std::same_as<Item, Drawing::StyledShape>)
            return (!item.fill || simple(item.fill->blending)) &&
                   (!item.stroke || simple(item.stroke->blending));
        else if constexpr (std::same_as<Item, Drawing::Picture>)
            return simple(item.options.blending);
        else if constexpr (std::same_as<Item, Drawing::Print>)
            return simple(item.blending);
        else
            return (!item.style.layer || simple(*item.style.layer)) && is_simple(*item.drawing);
    };
    return std::ranges::all_of(drawing.items(), [&](const auto& item) { return std::visit(of, item); });
}

/// The layer that items are painted in.
struct Surroundings {
    Laid laid;
    Image backdrop; ///< the picture without the layer
    Image finally;  ///< and with the finished one
    bool simple;
};

/// Notes where an item changes what is seen of the layer that it is in.
void note_in_layer(const Image& before, const Image& after, const Surroundings& layer, Facts& facts) {
    const Image with_before = layer.laid(before);
    const Image with_after = layer.laid(after);
    for (std::size_t i = 0; i < pixel_count; ++i) {
        const Colour backdrop = layer.backdrop.pixel(at(i));
        const bool finally = layer.finally.pixel(at(i)) != backdrop;
        const bool changes = with_before.pixel(at(i)) != with_after.pixel(at(i));
        facts.shows[i] =
            finally || with_before.pixel(at(i)) != backdrop || with_after.pixel(at(i)) != backdrop;
        facts.seen[i] = facts.changed[i] && (changes || finally || !layer.simple);
    }
}

/// Paints a drawing item by item, noting what each does.
/// @param layer none if it is painted onto the picture itself
void find_facts(const Drawing& drawing, Image& picture, const Pixels& mask, const Surroundings* layer,
                std::vector<Facts>& facts) {
    for (std::size_t n = 0; n < drawing.items().size(); ++n) {
        const Drawing::Item& item = drawing.items()[n];
        Facts own{drawing.tags()[n]};
        Pixels inner_mask = mask;
        const auto* const group = std::get_if<Drawing::Group>(&item);
        if (group != nullptr && group->style.clip)
            inner_mask =
                pixels_where([&](std::size_t i) { return mask[i] && (*group->style.clip)->contains(at(i)); });
        if (group != nullptr && !group->style.layer) {
            find_facts(*group->drawing, picture, inner_mask, layer, facts);
            facts.push_back(own);
            continue;
        }
        const Image before = picture;
        picture = painted(picture, item, mask);
        own.changed =
            pixels_where([&](std::size_t i) { return picture.pixel(at(i)) != before.pixel(at(i)); });
        own.seen = own.changed;
        if (layer != nullptr) note_in_layer(before, picture, *layer, own);
        if (group != nullptr) {
            const Laid laid = [&](const Image& top) {
                Image all = before;
                overlay(all, top, {0, 0}, {.blending = *group->style.layer});
                Image result = before;
                for (std::size_t i = 0; i < pixel_count; ++i)
                    if (inner_mask[i]) result.view().set_pixel(at(i), all.pixel(at(i)));
                return layer == nullptr ? result : layer->laid(result);
            };
            const Surroundings inner{laid, layer == nullptr ? before : layer->laid(before),
                                     layer == nullptr ? picture : layer->laid(picture),
                                     is_simple(*group->drawing)};
            Image own_layer(window, PixelFormat::rgba8);
            find_facts(*group->drawing, own_layer, inner_mask, &inner, own.inside);
            own.covered = inner_mask;
            if (may_hide(*group->style.layer)) own.hidden = hidden_by(item, picture.format(), inner_mask);
        } else {
            const Image black(window, PixelFormat::rgb8);
            const Image cover = painted(black, whitened(item), mask);
            own.covered = pixels_where([&](std::size_t i) { return cover.pixel(at(i)) != Colour(0, 0, 0); });
            for (const Drawing::Item& part : parts(item)) {
                const Pixels hidden = hidden_by(part, picture.format(), own.covered);
                for (std::size_t i = 0; i < pixel_count; ++i) own.hidden[i] = own.hidden[i] || hidden[i];
            }
        }
        facts.push_back(own);
    }
}

/// Finds what is on top, given what later items do not hide.
void settle(std::vector<Facts>& items, Pixels open) {
    for (auto item = items.rbegin(); item != items.rend(); ++item) {
        item->hidden_later = pixels_where([&](std::size_t i) { return !open[i] && item->covered[i]; });
        item->on_top =
            pixels_where([&](std::size_t i) { return open[i] && item->covered[i] && item->shows[i]; });
        settle(item->inside, open);
        for (std::size_t i = 0; i < pixel_count; ++i)
            if (item->hidden[i]) open[i] = false;
    }
}

std::vector<const Facts*> flat(const std::vector<Facts>& items) {
    std::vector<const Facts*> result;
    for (const Facts& item : items) {
        for (const Facts* inner : flat(item.inside)) result.push_back(inner);
        result.push_back(&item);
    }
    return result;
}

/// The number of the last item that changed or hid a pixel, 0 if there is none.
std::uint32_t owner(const std::vector<Facts>& items, std::size_t pixel, std::uint32_t first) {
    std::uint32_t result = 0;
    for (const Facts& item : items) {
        const auto number = first + static_cast<std::uint32_t>(flat(item.inside).size());
        if (item.changed[pixel] || item.hidden[pixel]) {
            const std::uint32_t inner = owner(item.inside, pixel, first);
            result = inner == 0 ? number : inner;
        }
        first = number + 1;
    }
    return result;
}

Image random_ground() {
    Image result(window, *rc::gen::element(PixelFormat::rgb8, PixelFormat::rgba8), Colour(200, 0, 0));
    draw(result, *any_box(window), Fill{Colour(20, 30, 40, 90)});
    return result;
}

const Pixels everywhere(pixel_count, true);

} // namespace

RC_GTEST_PROP(Visibility, IsWhatPaintingEveryBeginningShows, ()) {
    if (*rc::gen::inRange(0, 3) != 0) return; // each draws many pictures
    const Drawing drawing = random_drawing(window);
    const Image ground = random_ground();
    Image wanted = ground;
    std::vector<Facts> facts;
    find_facts(drawing, wanted, everywhere, nullptr, facts);
    settle(facts, everywhere);
    const std::vector<const Facts*> items = flat(facts);

    Image drawn = ground;
    const std::vector<Visibility> told = visibility(drawn, drawing);
    RC_ASSERT(told.size() == items.size());
    for (std::size_t n = 0; n < told.size(); ++n) {
        const Facts& item = *items[n];
        RC_ASSERT(told[n].tag == item.tag);
        RC_ASSERT(told[n].covered == count(item.covered));
        RC_ASSERT(told[n].hidden == count(item.hidden_later));
        RC_ASSERT(told[n].on_top == count(item.on_top));
        RC_ASSERT(told[n].seen ==
                  count(pixels_where([&](std::size_t i) { return item.on_top[i] && item.seen[i]; })));
        RC_ASSERT((told[n].largest_change > 0) == (told[n].seen > 0));
    }

    Image again = ground;
    const Owners owned = owners(again, drawing);
    RC_ASSERT(owned.box == Box::of(window));
    for (std::size_t i = 0; i < pixel_count; ++i) {
        RC_ASSERT(owned.items[i] == owner(facts, i, 1));
        RC_ASSERT(drawn.pixel(at(i)) == wanted.pixel(at(i)));
        RC_ASSERT(again.pixel(at(i)) == wanted.pixel(at(i)));
    }
    for (std::size_t n = 0; n < items.size(); ++n) RC_ASSERT(owned.tags[n] == items[n]->tag);
}

RC_GTEST_PROP(Visibility, ThePartsOfAViewAddUpToTheWhole, ()) {
    if (*rc::gen::inRange(0, 3) != 0) return; // each draws many pictures
    const Drawing drawing = random_drawing(window);
    const Image ground = random_ground();
    Image drawn = ground;
    const std::vector<Visibility> whole = visibility(drawn, drawing);
    std::vector<std::int64_t> seen(whole.size());
    Image banded = ground;
    for (int y = 0; y < window.height; y += 5) {
        const std::vector<Visibility> band =
            visibility(banded.view().clipped({0, y, window.width, 5}), drawing);
        for (std::size_t n = 0; n < band.size(); ++n) seen[n] += band[n].seen;
    }
    for (std::size_t n = 0; n < whole.size(); ++n) RC_ASSERT(seen[n] == whole[n].seen);
}

RC_GTEST_PROP(Visibility, AHistoryLeadsFromTheGroundToThePicture, ()) {
    if (*rc::gen::inRange(0, 3) != 0) return; // each draws many pictures
    const Drawing drawing = random_drawing(window);
    const Image ground = random_ground();
    Image wanted = ground;
    std::vector<Facts> facts;
    find_facts(drawing, wanted, everywhere, nullptr, facts);
    const Point pixel{*rc::gen::inRange(0, window.width), *rc::gen::inRange(0, window.height)};
    const auto i = static_cast<std::size_t>(pixel.y * window.width + pixel.x);

    Image drawn = ground;
    const std::vector<HistoryStep> steps = history(drawn, drawing, pixel);
    std::map<int, RealColour> last{{0, ground.view().real_pixel(pixel)}};
    std::vector<std::uint32_t> tags;
    const Drawing::Item* item = nullptr;
    for (const HistoryStep& step : steps) {
        for (int depth = static_cast<int>(last.size()); depth <= step.depth; ++depth)
            last[depth] = RealColour{0, 0, 0, 0};
        while (static_cast<int>(last.size()) > step.depth + 1) last.erase(std::prev(last.end()));
        RC_ASSERT(step.before == last[step.depth]);
        last[step.depth] = step.after;
        RC_ASSERT(step.coverage >= 1);
        RC_ASSERT(step.coverage <= 255);
        if (step.item != item || step.kind != HistoryStep::Kind::stroke) tags.push_back(step.tag);
        item = step.item;
    }
    last.erase(std::next(last.begin()), last.end());
    RC_ASSERT(last[0] == wanted.view().real_pixel(pixel));
    RC_ASSERT(drawn.pixel(pixel) == wanted.pixel(pixel));
    std::vector<std::uint32_t> covering;
    for (const Facts* fact : flat(facts))
        if (fact->covered[i]) covering.push_back(fact->tag);
    RC_ASSERT(tags == covering);
}

TEST(Visibility, TellsWhoHidesAnItem) {
    Drawing drawing;
    const Fill red{colour("red")};
    drawing.set_tag(1);
    drawing.add(Box{2, 2, 10, 4}, red);
    drawing.set_tag(2);
    drawing.add(Box{0, 0, 9, 16}, red);
    drawing.set_tag(3);
    drawing.add(Box{9, 0, 9, 16}, red);
    drawing.set_tag(4);
    drawing.add(Box{30, 30, 4, 4}, red);
    Image image(window, PixelFormat::rgb8);
    const std::vector<Visibility> told = visibility(image, drawing);
    ASSERT_EQ(told[0].hidden_by.size(), 2U);
    EXPECT_EQ(told[0].hidden_by[0].tag, 2U);
    EXPECT_EQ(told[0].hidden_by[0].pixels, 28);
    EXPECT_EQ(told[0].hidden_by[1].pixels, 12);
    EXPECT_EQ(told[0].covered, 40);
    EXPECT_EQ(told[0].seen, 0);
    EXPECT_TRUE(told[1].hidden_by.empty());
    EXPECT_EQ(told[1].largest_change, 255);
    EXPECT_EQ(told[3].covered, 0);
    EXPECT_EQ(told[0].item, &drawing.items()[0]);
}

TEST(Visibility, CountsThePixelsOfTooLittleContrast) {
    Image image(window, PixelFormat::rgb8, colour("white"));
    draw(image, Box{0, 0, 10, 16}, Fill{colour("black")});
    Drawing drawing;
    drawing.add(Box{5, 0, 10, 1}, Fill{colour("#202020")});
    drawing.add(Box{5, 2, 10, 1}, Fill{colour("#ffffff20")});
    drawing.add(Box{5, 4, 10, 1},
                Fill{LinearGradient{{0, 0}, {9, 0}, {{0, colour("black")}, {1, colour("black")}}}});
    const std::vector<Visibility> told = visibility(image, drawing, {.least_contrast = 3});
    EXPECT_EQ(told[0].faint, 5); // on black
    EXPECT_EQ(told[1].faint, 10);
    EXPECT_EQ(told[2].faint, 0);
}

TEST(Visibility, RefusesWhatItCannotLookAt) {
    Image image(window, PixelFormat::rgb8);
    Drawing drawing;
    drawing.add(Box{0, 0, 2, 2}, Fill{});
    expect_errors<ArgumentError>({
        {[&] {
             (void)history(image, drawing, {22, 3});
         },
         "pixel (22, 3) lies outside of the columns 0..21 and the rows 0..15"},
        {[&] {
             (void)history(image.view().clipped({3, 3, 2, 2}), drawing, {2, 3});
         },
         "pixel (2, 3) lies outside of the columns 3..4 and the rows 3..4"},
    });
    Drawing bits;
    bits.add(Box{0, 0, 2, 2}, Fill{{}, {}, {}, {BlendMode::bits_xor}});
    Image floats(window, PixelFormat::rgba32f);
    EXPECT_THROW((void)visibility(floats, bits), ArgumentError);
    EXPECT_THROW((void)owners(floats, bits), ArgumentError);
    EXPECT_THROW((void)history(floats, bits, {0, 0}), ArgumentError);
}

// A stroke sees its item's fill, by whatever rule that is filled.
TEST(Visibility, StrokesInsideHideWhereTheyCover) {
    const Polygon pentagram({{60, 10}, {90, 110}, {10, 45}, {110, 45}, {30, 110}});
    for (const FillRule rule : {FillRule::non_zero, FillRule::even_odd})
        for (const FillExtent extent : {FillExtent::whole, FillExtent::tiling}) {
            Drawing drawing;
            drawing.add(pentagram, Fill{.paint = colour("red"), .rule = rule, .extent = extent},
                        Stroke{.paint = colour("white"), .width = 6, .alignment = Alignment::inside});
            for (int i = 0; i < 120 * 120; i += 7) {
                Image image({120, 120}, PixelFormat::rgb8);
                for (const HistoryStep& step : history(image, drawing, {i % 120, i / 120}))
                    EXPECT_EQ(step.hides, step.coverage == 255) << i << ' ' << static_cast<int>(rule);
            }
        }
}

// What paints some channels only leaves the others.
TEST(Visibility, ViewsOfSomeChannelsHideNothing) {
    Drawing drawing;
    drawing.add(Box{2, 2, 9, 9}, Fill{colour("red")});
    drawing.add(Box{0, 0, 20, 16}, Fill{colour("blue")});
    Image image(window, PixelFormat::rgb8);
    const ImageView green = image.view().masked({.red = false, .blue = false});
    const std::vector<Visibility> told = visibility(green, drawing);
    EXPECT_EQ(told[0].on_top, 81);
    EXPECT_EQ(told[0].hidden, 0);
    for (const HistoryStep& step : history(green, drawing, {4, 4})) EXPECT_FALSE(step.hides);
}

TEST(Visibility, SharedGroupsAreLookedAtOnceAndTheirItemsCounted) {
    Drawing drawing;
    drawing.add(Box{0, 0, 1, 1}, Fill{});
    int levels = 0;
    try {
        for (; levels < 64; ++levels) {
            Drawing outer;
            const Shared<Drawing> group(std::move(drawing));
            outer.add(group, {});
            outer.add(group, {});
            drawing = std::move(outer);
        }
    } catch (const ArgumentError& error) {
        EXPECT_STREQ(
            error.what(),
            "a drawing of more than 2147483646 items, those of groups counted as often as they are drawn");
    }
    EXPECT_EQ(levels, 29); // of 3 times 2^29 items, and more
    Drawing nothing;
    nothing.add(Box{30, 30, 1, 1}, Fill{});
    for (int i = 0; i < 28; ++i) {
        Drawing outer;
        const Shared<Drawing> group(std::move(nothing));
        outer.add(group, {});
        outer.add(group, {});
        nothing = std::move(outer);
    }
    Image image(window, PixelFormat::rgb8);
    draw(image, nothing); // its modes are looked at once a drawing, and its items not at all
    expect_errors<ArgumentError>(
        {{[] {
              Drawing wrong;
              wrong.add(Box{0, 0, 1, 1}, Fill{{}, {}, {}, {static_cast<BlendMode>(99)}});
          },
          "blend mode 99 is outside 0..30"}});
}

TEST(Visibility, PicturesOfOwnersNeedANumberAPixel) {
    const auto white = [](std::uint32_t) { return Colour(255, 255, 255); };
    const auto picture = [&](const Owners& owners) { return [=] { (void)picture_of(owners, white, {}); }; };
    expect_errors<ArgumentError>({
        {picture({{0, 0, 5, 5}, {7}, {1}}), "number of owners' pixels 1 is outside 25..25"},
        {picture({{0, 0, 1, 1}, {7}, {1}}), "number of an owner 7 is outside 0..1"},
        {picture({{0, 0, 0, 1}, {}, {}}), "width of the owners' box 0 is outside 1..2147483647"},
    });
}

} // namespace coldbrick::test
