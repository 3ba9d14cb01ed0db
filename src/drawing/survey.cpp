#include "drawing/survey.hpp"

#include "image/colour_gap.hpp"
#include "paint/pixel_codec.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/error.hpp>

#include <algorithm>
#include <cstring>
#include <limits>
#include <type_traits>
#include <utility>

namespace coldbrick::drawing {

namespace {

/// Calls use(bytes) with a number of bytes that the compiler knows where pixels have the commonest ones.
template <class Use>
void with_pixel_bytes(int bytes, const Use& use) {
    switch (bytes) {
    case 3: return use(std::integral_constant<std::size_t, 3>());
    case 4: return use(std::integral_constant<std::size_t, 4>());
    default: return use(static_cast<std::size_t>(bytes));
    }
}

/// The colour that a see-through one leaves on an opaque one.
Colour laid_on(const Colour& top, const Colour& below) {
    return mix(below, Colour(top.red, top.green, top.blue, below.alpha), top.alpha / 255.0);
}

/// The colour that an item's contrast counts by, if it has one.
std::optional<Colour> contrast_colour(const Drawing::Item& item) {
    const Paint* paint = nullptr;
    std::uint8_t opacity = 255;
    const auto take = [&](const Paint& its, const Blending& blending) {
        if (blending.mode != BlendMode::source_over) return;
        paint = &its;
        opacity = blending.opacity;
    };
    if (const auto* const shape = std::get_if<Drawing::StyledShape>(&item)) {
        if (shape->stroke) take(shape->stroke->paint, shape->stroke->blending);
        if (shape->fill) take(shape->fill->paint, shape->fill->blending);
    } else if (const auto* const print = std::get_if<Drawing::Print>(&item)) {
        take(print->paint, print->blending);
    }
    const Colour* const colour = paint == nullptr ? nullptr : paint->colour<Colour>();
    if (colour == nullptr) return std::nullopt;
    return Colour(colour->red, colour->green, colour->blue, colour->alpha * opacity / 255);
}

/// Measures how pixels have changed.
class ChangeMeter {
  public:
    explicit ChangeMeter(const ImageView& view)
        : codec_{&layout(view.format()), view.palette()},
          are_bytes_(codec_.layout->kind == PixelLayout::Kind::bytes &&
                     view.pixel_stride_bytes() == codec_.layout->bytes) {}

    [[nodiscard]] const paint::Codec& codec() const { return codec_; }

    /// The largest change of a channel in the pixels [begin, end), or `known` if that is more.
    [[nodiscard]] int largest(const SpanPixels& pixels, std::size_t begin, std::size_t end, int known) const {
        if (known == 255) return known;
        if (!are_bytes_) {
            for (std::size_t i = begin; i < end; ++i)
                known =
                    std::max(known, image::ColourGap(codec_.decode<Colour>(pixels.before + i * pixels.stride),
                                                     codec_.decode<Colour>(pixels.after + i * pixels.stride))
                                        .largest());
            return known;
        }
        std::uint8_t most = 0;
        for (std::size_t i = begin * pixels.stride; i < end * pixels.stride; ++i) {
            const auto before = std::to_integer<std::uint8_t>(pixels.before[i]);
            const auto after = std::to_integer<std::uint8_t>(pixels.after[i]);
            const auto gap = static_cast<std::uint8_t>(std::max(before, after) - std::min(before, after));
            most = std::max(most, gap);
        }
        return std::max<int>(known, most);
    }

  private:
    paint::Codec codec_;
    bool are_bytes_;
};

/// How many pixels on top of an item are of too little contrast to its colour.
std::int64_t count_faint(const SpanPixels& pixels, std::int32_t number, const Colour& colour, double least,
                         const paint::Codec& codec) {
    std::int64_t result = 0;
    bool is_faint = false;
    const std::byte* last = nullptr;
    for (std::size_t i = 0; i < pixels.count(); ++i) {
        if (pixels.hiders[i] > number) continue;
        const std::byte* const before = pixels.before + i * pixels.stride;
        if (last == nullptr || std::memcmp(last, before, pixels.pixel_bytes) != 0) {
            const Colour below = codec.decode<Colour>(before);
            is_faint = contrast(laid_on(colour, below), below) < least;
        }
        last = before;
        result += is_faint ? 1 : 0;
    }
    return result;
}

std::int64_t count_on_top(const SpanPixels& pixels, std::int32_t number) {
    std::int32_t result = 0; // of 32 bits, so that several are counted at once
    constexpr std::size_t portion = std::size_t{1} << 30;
    for (std::size_t i = 0, end = std::min(pixels.count(), portion); i < end; ++i)
        result += pixels.hiders[i] <= number ? 1 : 0;
    std::int64_t more = 0;
    for (std::size_t i = portion; i < pixels.count(); ++i) more += pixels.hiders[i] <= number ? 1 : 0;
    return result + more;
}

/// Calls visit(begin, end) with runs of pixels that have changed and are on top.
template <class Visit>
void for_each_seen_run(const SpanPixels& pixels, std::int32_t number, const Visit& visit) {
    with_pixel_bytes(static_cast<int>(pixels.pixel_bytes), [&](auto bytes) {
        const auto is_seen = [&](std::size_t i) {
            return pixels.hiders[i] <= number && std::memcmp(pixels.before + i * pixels.stride,
                                                             pixels.after + i * pixels.stride, bytes) != 0;
        };
        const std::size_t count = pixels.count();
        for (std::size_t i = 0; i < count; ++i) {
            const std::size_t begin = i;
            while (i < count && is_seen(i)) ++i;
            if (i > begin) visit(begin, i);
        }
    });
}

} // namespace

std::int32_t ItemCounts::count(const Drawing& drawing) {
    if (const auto known = counts_.find(&drawing); known != counts_.end()) return known->second;
    constexpr std::int64_t most = std::numeric_limits<std::int32_t>::max() - 1;
    auto result = static_cast<std::int64_t>(drawing.items().size());
    for (const Drawing::Item& item : drawing.items())
        if (const auto* const group = std::get_if<Drawing::Group>(&item))
            result = std::min(result + count(*group->drawing), most + 1);
    if (result > most)
        throw ArgumentError("a drawing of more than 2147483646 items cannot be looked at item by item");
    counts_.emplace(&drawing, static_cast<std::int32_t>(result));
    return static_cast<std::int32_t>(result);
}

Survey::Survey(const ImageView& view, const ItemCounts& counts, const SurveyResults& results)
    : counts_(counts), results_(results), covers_(view), hiders_(view.clip()) {
    if (results.wants_owners) owners_.emplace(view.clip());
}

/// Calls visit(item, number, first), where `first` is the number of the first one in a group.
template <class Visit>
void Survey::for_each(const Drawing& drawing, std::int32_t first, const Visit& visit) {
    for (const Drawing::Item& item : drawing.items()) {
        std::int32_t number = first;
        if (const auto* const group = std::get_if<Drawing::Group>(&item))
            number += counts_.of(*group->drawing);
        std::visit([&](const auto& one) { visit(one, number, first); }, item);
        first = number + 1;
    }
}

void Survey::hide(const ImageView& part, const Drawing& drawing, std::int32_t first) {
    for_each(drawing, first, [&](const auto& item, std::int32_t number, std::int32_t first_in_it) {
        hide_item(part, item, number, first_in_it);
    });
}

template <class Item>
void Survey::hide_item(const ImageView& part, const Item& item, std::int32_t number, std::int32_t first) {
    if constexpr (!std::is_same_v<Item, Drawing::Group>) {
        note_hidden(covers_.hidden(part, item), number);
    } else if (!item.style.layer) {
        draw_in_clip(part, item.style, [&](const ImageView& own) { hide(own, *item.drawing, first); });
    } else {
        const ImageView shown = shown_by(part, item.style);
        if (shown.clip().empty()) return;
        const LayerPicture layer(shown);
        drawing::paint(layer.view(), *item.drawing);
        note_hidden(covers_.hidden(shown, item, layer), number);
    }
}

void Survey::note_hidden(std::span<const Span> spans, std::int32_t number) {
    for (const Span& span : spans)
        std::fill_n(hiders_.at(span), static_cast<std::size_t>(span.x_end - span.x_begin), number);
}

void Survey::paint(const ImageView& part, const Drawing& drawing, std::int32_t first) {
    for_each(drawing, first, [&](const auto& item, std::int32_t number, std::int32_t first_in_it) {
        paint_item(part, item, number, first_in_it);
    });
}

template <class Item>
void Survey::paint_item(const ImageView& part, const Item& item, std::int32_t number, std::int32_t first) {
    if constexpr (!std::is_same_v<Item, Drawing::Group>) {
        const std::vector<Span>& spans = covers_.covered(part, item);
        const auto own = [&](const Span& run) { set_owner(run, number); };
        paint_and_compare(
            part, spans, number, [&] { covers_.paint_covered(part, item); }, own);
        if (owners_)
            for (const Span& span : covers_.hidden(part, item)) own(span);
    } else if (!item.style.layer) {
        draw_in_clip(part, item.style, [&](const ImageView& own) { paint(own, *item.drawing, first); });
    } else {
        paint_layer(part, item, number, first);
    }
}

void Survey::set_owner(const Span& run, std::int32_t number) {
    if (owners_) std::fill_n(owners_->at(run), static_cast<std::size_t>(run.x_end - run.x_begin), number);
}

/// Keeps the pixels of those spans of an item of which anything stays on top.
void Survey::keep_before(const ImageView& part, const std::vector<Span>& spans, std::int32_t number) {
    const auto stride = static_cast<std::size_t>(part.pixel_stride_bytes());
    const auto pixel_bytes = static_cast<std::size_t>(layout(part.format()).bytes);
    Visibility& item = results_.item(number);
    std::size_t bytes = 0;
    open_.clear();
    for (const Span& span : spans) {
        const std::byte* const first =
            part.bytes() + span.y * part.row_stride_bytes() + span.x_begin * part.pixel_stride_bytes();
        SpanPixels pixels{span, first, stride, pixel_bytes, hiders_.at(span)};
        pixels.on_top = count_on_top(pixels, number);
        item.covered += span.x_end - span.x_begin;
        item.on_top += pixels.on_top;
        if (pixels.on_top == 0) continue;
        open_.push_back(pixels);
        bytes += pixels.count() * stride;
    }
    if (before_.size() < bytes) before_.resize(bytes + bytes / 2);
    std::byte* to = before_.data();
    for (SpanPixels& pixels : open_) {
        std::memcpy(to, pixels.after, pixels.bytes());
        pixels.before = to;
        to += pixels.count() * stride;
    }
}

/// Paints an item that covers some spans, and tells on_seen(run) where its pixels have changed and stay on
/// top.
template <class Paint, class OnSeen>
void Survey::paint_and_compare(const ImageView& part, const std::vector<Span>& spans, std::int32_t number,
                               const Paint& paint_it, const OnSeen& on_seen) {
    if (spans.empty()) return;
    keep_before(part, spans, number);
    paint_it();
    Visibility& item = results_.item(number);
    if (open_.empty() && results_.hiders != nullptr) results_.hiders->add(spans, hiders_, item);
    const ChangeMeter meter(part);
    const auto colour = results_.least_contrast > 0 ? contrast_colour(*item.item) : std::nullopt;
    for (const SpanPixels& pixels : open_) {
        if (colour)
            item.faint += count_faint(pixels, number, *colour, results_.least_contrast, meter.codec());
        if (!pixels.changed()) continue;
        const auto note = [&](std::size_t begin, std::size_t end, std::size_t measured_end) {
            item.seen += static_cast<std::int64_t>(end - begin);
            item.largest_change = meter.largest(pixels, begin, measured_end, item.largest_change);
            on_seen(pixels.part(begin, end));
        };
        if (pixels.on_top == static_cast<std::int64_t>(pixels.count()) && pixels.alike())
            note(0, pixels.count(), 1);
        else
            for_each_seen_run(pixels, number,
                              [&](std::size_t begin, std::size_t end) { note(begin, end, end); });
    }
}

void Survey::paint_layer(const ImageView& part, const Drawing::Group& group, std::int32_t number,
                         std::int32_t first) {
    const ImageView shown = shown_by(part, group.style);
    if (shown.clip().empty()) return;
    const LayerPicture finished(shown);
    drawing::paint(finished.view(), *group.drawing);
    std::vector<Span> covered;
    draw_in_clip(shown, group.style, [&](const ImageView& own) { add_rows(own.clip(), covered); });
    std::vector<Span> owned;
    if (owners_) owned = covers_.hidden(shown, group, finished);
    const LayerPicture layer(shown);
    Survey inner(layer.view(), counts_, results_);
    const auto in_clip = [&](const auto& use) { draw_in_clip(layer.view(), group.style, use); };
    if (!owners_) in_clip([&](const ImageView& own) { inner.hide(own, *group.drawing, first); });

    // Until they are known to show, the layer's pixels have their hiders' numbers below 0.
    const auto exchange_sign = [](std::int32_t& hider, std::int32_t) { hider = -1 - hider; };
    const auto for_each_hider = [&](const Span& span, const auto& use) {
        if (owners_) return;
        std::int32_t* const numbers = inner.hiders_.at(span);
        const std::int32_t* const below = hiders_.at(span);
        for (std::int64_t i = 0; i < span.x_end - span.x_begin; ++i) use(numbers[i], below[i]);
    };
    for (const Span& span : covered) for_each_hider(span, exchange_sign);
    paint_and_compare(
        shown, covered, number, [&] { lay(shown, group, finished); },
        [&](const Span& run) {
            for_each_hider(run, exchange_sign);
            if (owners_) owned.push_back(run);
        });
    for (const Span& span : covered)
        for_each_hider(span, [&](std::int32_t& hider, std::int32_t below) {
            if (hider < 0) hider = below > number ? below : HiderCounts::nobody;
        });
    in_clip([&](const ImageView& own) { inner.paint(own, *group.drawing, first); });
    for (const Span& run : owned) take_owners(inner, run, number);
}

/// What shows of a layer belongs to the items in it, or to the layer itself where none has changed it.
void Survey::take_owners(Survey& inner, const Span& run, std::int32_t number) {
    const std::int32_t* const in_layer = inner.owners_->at(run);
    std::int32_t* const own = owners_->at(run);
    for (std::int64_t i = 0; i < run.x_end - run.x_begin; ++i)
        own[i] = in_layer[i] == 0 ? number : in_layer[i];
}

} // namespace coldbrick::drawing
