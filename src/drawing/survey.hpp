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
/// the drawing, from 1 on, those of a group before the group.
class ItemCounts {
  public:
    /// @throws ArgumentError if there are too many
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
    const std::int32_t* hiders;
    std::int64_t on_top = 0; ///< how many no later item hides
    const std::byte* before = nullptr;

    [[nodiscard]] std::size_t count() const { return static_cast<std::size_t>(span.x_end - span.x_begin); }
    [[nodiscard]] std::size_t bytes() const { return (count() - 1) * stride + pixel_bytes; }
    [[nodiscard]] bool changed() const { return std::memcmp(before, after, bytes()) != 0; }
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

/// A picture, the view's own or that of a layer, onto which items are painted. First hide() all, then paint()
/// all: only what comes later tells what can be seen of an item. Where owners are wanted, hide() is not
/// needed.
class Survey {
  public:
    Survey(const ImageView& view, const ItemCounts& counts, const SurveyResults& results);

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
    void paint_layer(const ImageView& part, const Drawing::Group& group, std::int32_t number,
                     std::int32_t first);
    void take_owners(Survey& inner, const Span& run, std::int32_t number);

    const ItemCounts& counts_;
    const SurveyResults& results_;
    CoverFinder covers_;
    PixelNumbers hiders_; ///< the number of the last item that hides each pixel; 0 where there is none
    std::optional<PixelNumbers> owners_;
    std::vector<SpanPixels> open_;  ///< those spans of an item of which anything stays on top
    std::vector<std::byte> before_; ///< their pixels before it is painted
};

} // namespace coldbrick::drawing
