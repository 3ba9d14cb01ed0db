#include "drawing/survey.hpp"

#include "paint/pixel_codec.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/error.hpp>

#include <algorithm>
#include <cstdlib>
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

int largest_gap(const Colour& a, const Colour& b) {
    return std::max({std::abs(a.red - b.red), std::abs(a.green - b.green), std::abs(a.blue - b.blue),
                     std::abs(a.alpha - b.alpha)});
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

/// What is told of runs of pixels that were alike and still are.
class RunNotes {
  public:
    RunNotes(const ImageView& view, Visibility& item, double least_contrast)
        : codec_{&layout(view.format()), view.palette()}, item_(item), least_contrast_(least_contrast),
          colour_(least_contrast > 0 ? contrast_colour(*item.item) : std::nullopt) {}

    [[nodiscard]] bool wants_unchanged() const { return colour_.has_value(); }

    void add(const std::byte* before, const std::byte* after, std::int64_t pixels, bool changed) {
        if (changed) {
            item_.seen += pixels;
            if (item_.largest_change < 255)
                item_.largest_change =
                    std::max(item_.largest_change,
                             largest_gap(codec_.decode<Colour>(before), codec_.decode<Colour>(after)));
        }
        if (!colour_) return;
        const Colour below = codec_.decode<Colour>(before);
        if (contrast(laid_on(*colour_, below), below) < least_contrast_) item_.faint += pixels;
    }

  private:
    paint::Codec codec_;
    Visibility& item_;
    double least_contrast_;
    std::optional<Colour> colour_;
};

/// The pixels of a span in a view and as they were before.
struct SpanPixels {
    Span span;
    const std::byte* before;
    const std::byte* after;
    std::size_t stride;
    std::size_t pixel_bytes;
    const std::int32_t* hiders;

    [[nodiscard]] std::size_t count() const { return static_cast<std::size_t>(span.x_end - span.x_begin); }
    [[nodiscard]] std::size_t bytes() const { return (count() - 1) * stride + pixel_bytes; }
    [[nodiscard]] bool changed() const { return std::memcmp(before, after, bytes()) != 0; }
    [[nodiscard]] static bool alike(const std::byte* pixels, std::size_t bytes, std::size_t stride) {
        return bytes <= stride || std::memcmp(pixels, pixels + stride, bytes - stride) == 0;
    }
    [[nodiscard]] bool alike() const {
        return alike(before, bytes(), stride) && alike(after, bytes(), stride);
    }
};

std::int64_t count_on_top(const SpanPixels& pixels, std::int32_t number) {
    std::int32_t result = 0; // of 32 bits, so that several are counted at once
    constexpr std::size_t portion = std::size_t{1} << 30;
    for (std::size_t i = 0, end = std::min(pixels.count(), portion); i < end; ++i)
        result += pixels.hiders[i] <= number ? 1 : 0;
    std::int64_t more = 0;
    for (std::size_t i = portion; i < pixels.count(); ++i) more += pixels.hiders[i] <= number ? 1 : 0;
    return result + more;
}

/// Calls visit(run, before, after, changed) with runs of pixels that are on top of an item, alike before and
/// alike after.
template <class Visit>
void for_each_run(const SpanPixels& pixels, std::int32_t number, const Visit& visit) {
    with_pixel_bytes(static_cast<int>(pixels.pixel_bytes), [&](auto bytes) {
        const auto same = [bytes](const std::byte* a, const std::byte* b) {
            return std::memcmp(a, b, bytes) == 0;
        };
        const std::size_t count = pixels.count();
        for (std::size_t i = 0; i < count;) {
            if (pixels.hiders[i] > number) {
                ++i;
                continue;
            }
            const std::byte* const before = pixels.before + i * pixels.stride;
            const std::byte* const after = pixels.after + i * pixels.stride;
            std::size_t end = i + 1;
            while (end < count && pixels.hiders[end] <= number &&
                   same(before, pixels.before + end * pixels.stride) &&
                   same(after, pixels.after + end * pixels.stride))
                ++end;
            const auto begin_x =
                static_cast<std::int32_t>(pixels.span.x_begin + static_cast<std::int64_t>(i));
            visit(Span{pixels.span.y, begin_x, pixels.span.x_begin + static_cast<std::int64_t>(end)}, before,
                  after, !same(before, after));
            i = end;
        }
    });
}

void merge(std::vector<Visibility::Hider>& hiders, std::uint32_t tag, std::int64_t pixels) {
    const auto found = std::ranges::find(hiders, tag, &Visibility::Hider::tag);
    if (found == hiders.end())
        hiders.push_back({tag, pixels});
    else
        found->pixels += pixels;
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
            part, spans, number, [&] { drawing::paint(part, item); }, own);
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

/// Paints an item that covers some spans, and tells on_seen(run) where its pixels have changed and stay on
/// top.
template <class Paint, class OnSeen>
void Survey::paint_and_compare(const ImageView& part, const std::vector<Span>& spans, std::int32_t number,
                               const Paint& paint_it, const OnSeen& on_seen) {
    if (spans.empty()) return;
    const auto stride = static_cast<std::size_t>(part.pixel_stride_bytes());
    const auto pixel_bytes = static_cast<std::size_t>(layout(part.format()).bytes);
    const auto first_byte = [&](const Span& span) {
        return part.bytes() + span.y * part.row_stride_bytes() + span.x_begin * part.pixel_stride_bytes();
    };
    std::size_t bytes = 0;
    for (const Span& span : spans) bytes += static_cast<std::size_t>(span.x_end - span.x_begin) * stride;
    if (before_.size() < bytes) before_.resize(bytes + bytes / 2);
    std::size_t kept = 0;
    const auto pixels_of = [&](const Span& span) {
        const SpanPixels result{span,   before_.data() + kept, first_byte(span),
                                stride, pixel_bytes,           hiders_.at(span)};
        kept += result.count() * stride;
        return result;
    };
    for (const Span& span : spans) {
        std::byte* const to = before_.data() + kept;
        const SpanPixels pixels = pixels_of(span);
        std::memcpy(to, pixels.after, pixels.bytes());
    }
    paint_it();
    kept = 0;
    Visibility& item = (*results_.items)[static_cast<std::size_t>(number - 1)];
    RunNotes notes(part, item, results_.least_contrast);
    const std::int64_t on_top_before = item.on_top;
    for (const Span& span : spans) {
        const SpanPixels pixels = pixels_of(span);
        item.covered += span.x_end - span.x_begin;
        const std::int64_t on_top = count_on_top(pixels, number);
        item.on_top += on_top;
        if (on_top == 0) continue;
        const bool changed = pixels.changed();
        if (!changed && !notes.wants_unchanged()) continue;
        const auto note_run = [&](const Span& run, const std::byte* before, const std::byte* after,
                                  bool run_changed) {
            notes.add(before, after, run.x_end - run.x_begin, run_changed);
            if (run_changed) on_seen(run);
        };
        if (on_top == span.x_end - span.x_begin && pixels.alike())
            note_run(span, pixels.before, pixels.after, changed);
        else
            for_each_run(pixels, number, note_run);
    }
    if (item.on_top == on_top_before) tell_hiders(spans, item);
}

/// Adds who hides an item of which none of the spans is on top.
void Survey::tell_hiders(const std::vector<Span>& spans, Visibility& item) {
    for (const Span& span : spans) {
        const std::int32_t* const hiders = hiders_.at(span);
        const std::int64_t count = span.x_end - span.x_begin;
        for (std::int64_t i = 0; i < count;) {
            std::int64_t end = i + 1;
            while (end < count && hiders[end] == hiders[i]) ++end;
            if (hiders[i] != unseen)
                merge(item.hidden_by, (*results_.items)[static_cast<std::size_t>(hiders[i] - 1)].tag,
                      end - i);
            i = end;
        }
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
            if (hider < 0) hider = below > number ? below : unseen;
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
