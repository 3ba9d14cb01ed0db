/// @file
/// Drawing a drawing while looking at what each item does to the picture.
#pragma once

#include "drawing/hider_counts.hpp"
#include "drawing/item_cover.hpp"
#include "drawing/item_painting.hpp"

#include <coldbrick/visibility.hpp>

#include <cstddef>
#include <cstdint>
#include <cstring>
#include <optional>
#include <span>
#include <unordered_map>
#include <vector>

namespace coldbrick::drawing {

/// How many items there are in a drawing, with those in groups. Each is known by its number: in the order of
/// the drawing, from 1 on, those of a group before the group. There are Drawing::most_items at most.
class ItemCounts {
  public:
    explicit ItemCounts(const Drawing& drawing) { (void)count(drawing); }

    [[nodiscard]] std::int32_t of(const Drawing& drawing) const { return counts_.at(&drawing); }

  private:
    std::int32_t count(const Drawing& drawing);

    std::unordered_map<const Drawing*, std::int32_t> counts_;
};

/// What is wanted of a survey.
struct SurveyResults {
    std::vector<Visibility>* items; ///< in the order of their numbers; already there
    HiderCounts* hiders;            ///< null where owners are wanted
    double least_contrast = 0;
    bool wants_owners = false;

    [[nodiscard]] Visibility& item(std::int32_t number) const {
        return (*items)[static_cast<std::size_t>(number - 1)];
    }
};

/// The pixels of a span in a view and as they were before.
struct SpanPixels {
    Span span;
    const std::byte* after;
    std::size_t stride;
    std::size_t pixel_bytes;
    const std::int32_t* hiders; ///< the number of the last item that hides each, or `hidden`
    std::int64_t on_top = 0;    ///< how many no later item hides
    static constexpr std::int32_t hidden = 2147483647; ///< no item, but nothing shows
    const std::byte* before = nullptr;

    [[nodiscard]] std::size_t count() const { return static_cast<std::size_t>(span.x_end - span.x_begin); }
    [[nodiscard]] std::size_t bytes() const { return (count() - 1) * stride + pixel_bytes; }
    [[nodiscard]] bool changed() const { return std::memcmp(before, after, bytes()) != 0; }
    [[nodiscard]] bool changed(std::size_t i) const {
        return std::memcmp(before + i * stride, after + i * stride, pixel_bytes) != 0;
    }
    /// All pixels were alike and still are.
    [[nodiscard]] bool alike() const {
        const auto are_alike = [this](const std::byte* pixels) {
            return count() == 1 || std::memcmp(pixels, pixels + stride, bytes() - stride) == 0;
        };
        return are_alike(before) && are_alike(after);
    }
    [[nodiscard]] Span part(std::size_t begin, std::size_t end) const {
        return {span.y, static_cast<std::int32_t>(span.x_begin + static_cast<std::int64_t>(begin)),
                span.x_begin + static_cast<std::int64_t>(end)};
    }
};

struct Backdrop;

/// A run of a layer's pixels as they come out in the picture.
class LaidRun {
  public:
    /// Lays pixels onto all that is below them. @param first those of the layer, one after the other
    void lay(const Backdrop& backdrop, const ImageView& layer, const Span& span, const std::byte* first);
    /// What is below, with nothing laid onto it.
    void show_backdrop(const Backdrop& backdrop, const Span& span);

    [[nodiscard]] const std::byte* bytes() const { return bytes_.data(); }
    [[nodiscard]] std::size_t pixel_bytes() const { return pixel_bytes_; }

  private:
    void take(const ImageView& view, const Span& span);

    std::vector<std::byte> bytes_;
    std::size_t pixel_bytes_ = 0;
};

/// What a layer is laid onto, as it is before that.
struct Backdrop {
    const ImageView& below;
    const Blending& blending;    ///< how the layer is laid onto it
    const Backdrop* further;     ///< null if `below` is the picture itself
    const PixelNumbers& finally; ///< 1 where the finished layer changes the picture
    bool mixed; ///< whether some item in the layer is not simply laid over what is there, so that one that
                ///< does not show may matter to a later one

    [[nodiscard]] const Backdrop& lowest() const;
    /// A colour of the layer with the opacities of all layers, if these are simply laid over what is there.
    [[nodiscard]] std::optional<Colour> laid(Colour colour) const;
};

/// A picture, the view's own or that of a layer, onto which items are painted. First hide() all, then paint()
/// all: only what comes later tells what can be seen of an item. Where owners are wanted, hide() is not
/// needed.
class Survey {
  public:
    /// @param backdrop of a layer, whose items are then judged by what they change in the picture; else null
    Survey(const ImageView& view, const ItemCounts& counts, const SurveyResults& results,
           const Backdrop* backdrop = nullptr);

    /// Notes which pixels the items hide. @param first the number of the first item
    void hide(const ImageView& part, const Drawing& drawing, std::int32_t first);

    /// Paints the items and notes what it changes.
    void paint(const ImageView& part, const Drawing& drawing, std::int32_t first);

    /// The number of the last item that changed or hid each pixel, which has to be wanted; 0 where there is
    /// none.
    [[nodiscard]] PixelNumbers& owners() { return *owners_; }

  private:
    template <class Visit>
    void for_each(const Drawing& drawing, std::int32_t first, const Visit& visit);
    template <class Item>
    void hide_item(const ImageView& part, const Item& item, std::int32_t number, std::int32_t first);
    template <class Item>
    void paint_item(const ImageView& part, const Item& item, std::int32_t number, std::int32_t first);
    void note_hidden(std::span<const Span> spans, std::int32_t number);
    void set_owner(const Span& run, std::int32_t number);
    void keep_before(const ImageView& part, const std::vector<Span>& spans, std::int32_t number);
    template <class Paint, class OnSeen>
    void paint_and_compare(const ImageView& part, const std::vector<Span>& spans, std::int32_t number,
                           const Paint& paint_it, const OnSeen& on_seen);
    template <class OnSeen>
    void compare(const ImageView& part, std::int32_t number, const OnSeen& on_seen);
    void compare_in_layer(const ImageView& layer, std::int32_t number);
    static void note_finally(const Backdrop& backdrop, const Drawing::Group& group, PixelNumbers& finally);
    void hide_in_layer(Survey& inner, const std::vector<Span>& covered, std::int32_t number);
    void take_unchanged(const Box& changed, std::int32_t number, std::vector<Span>& covered);
    void paint_layer(const ImageView& part, const Drawing::Group& group, std::int32_t number,
                     std::int32_t first);
    void take_owners(Survey& inner, const Span& run, std::int32_t number);

    const ItemCounts& counts_;
    const SurveyResults& results_;
    const Backdrop* backdrop_;
    CoverFinder covers_;
    PixelNumbers hiders_; ///< the number of the last item that hides each pixel; 0 where there is none
    std::optional<PixelNumbers> owners_;
    std::vector<SpanPixels> open_;  ///< those spans of an item of which anything stays on top
    std::vector<std::byte> before_; ///< their pixels before it is painted
};

} // namespace coldbrick::drawing
