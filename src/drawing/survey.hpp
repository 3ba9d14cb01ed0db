/// @file
/// Drawing a drawing while looking at what each item does to the picture.
#pragma once

#include "drawing/item_cover.hpp"
#include "drawing/item_painting.hpp"
#include "drawing/zeroed_memory.hpp"

#include <coldbrick/visibility.hpp>

#include <cstddef>
#include <cstdint>
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

/// A number a pixel of a view's clip.
class PixelNumbers {
  public:
    explicit PixelNumbers(const Box& clip)
        : clip_(clip),
          numbers_(static_cast<std::size_t>(clip.width) * static_cast<std::size_t>(clip.height)) {}

    /// Of a span's first pixel, those to its right following.
    [[nodiscard]] std::int32_t* at(const Span& span) {
        return numbers_.data() + (span.y - clip_.y) * clip_.width + (span.x_begin - clip_.x);
    }

  private:
    Box clip_;
    ZeroedMemory<std::int32_t> numbers_;
};

/// What is wanted of a survey.
struct SurveyResults {
    std::vector<Visibility>* items; ///< by number - 1; already there
    double least_contrast = 0;
    bool wants_owners = false;
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
    /// What hides a pixel of a layer that does not show, but is not hidden by an item.
    static constexpr std::int32_t unseen = 2147483647;

    template <class Visit>
    void for_each(const Drawing& drawing, std::int32_t first, const Visit& visit);
    template <class Item>
    void hide_item(const ImageView& part, const Item& item, std::int32_t number, std::int32_t first);
    template <class Item>
    void paint_item(const ImageView& part, const Item& item, std::int32_t number, std::int32_t first);
    void note_hidden(std::span<const Span> spans, std::int32_t number);
    void set_owner(const Span& run, std::int32_t number);
    template <class Paint, class OnSeen>
    void paint_and_compare(const ImageView& part, const std::vector<Span>& spans, std::int32_t number,
                           const Paint& paint_it, const OnSeen& on_seen);
    void paint_layer(const ImageView& part, const Drawing::Group& group, std::int32_t number,
                     std::int32_t first);
    void take_owners(Survey& inner, const Span& run, std::int32_t number);
    void tell_hiders(const std::vector<Span>& spans, Visibility& item);

    const ItemCounts& counts_;
    const SurveyResults& results_;
    CoverFinder covers_;
    PixelNumbers hiders_; ///< the number of the last item that hides each pixel; 0 where there is none
    std::optional<PixelNumbers> owners_;
    std::vector<std::byte> before_; ///< the pixels of an item's spans before it is painted
};

} // namespace coldbrick::drawing
