#include "drawing/survey.hpp"

#include "image/reading/colour_gap.hpp"
#include "paint/formats/pixel_codec.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/overlay.hpp>

#include <algorithm>
#include <concepts>
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

bool mixes(const Blending& blending) {
    return blending.mode != BlendMode::source_over;
}

/// True if some item is not simply laid over what is there.
bool mixes(const Drawing& drawing) {
    const auto item_mixes = []<class Item>(const Item& item) {
        if constexpr (std::same_as<Item, Drawing::StyledShape>)
            return (item.fill && mixes(item.fill->blending)) || (item.stroke && mixes(item.stroke->blending));
        else if constexpr (std::same_as<Item, Drawing::Picture>)
            return mixes(item.options.blending);
        else if constexpr (std::same_as<Item, Drawing::Print>)
            return mixes(item.blending);
        else
            return (item.style.layer && mixes(*item.style.layer)) || mixes(*item.drawing);
    };
    return std::ranges::any_of(drawing.items(),
                               [&](const Drawing::Item& item) { return std::visit(item_mixes, item); });
}

/// True if a group of the drawing, or in one, is a layer.
bool has_layers(const Drawing& drawing) {
    return std::ranges::any_of(drawing.items(), [](const Drawing::Item& item) {
        const auto* const group = std::get_if<Drawing::Group>(&item);
        return group != nullptr && (group->style.layer || has_layers(*group->drawing));
    });
}

} // namespace

const Backdrop& Backdrop::lowest() const {
    const Backdrop* result = this;
    while (result->further != nullptr) result = result->further;
    return *result;
}

std::optional<Colour> Backdrop::laid(Colour colour) const {
    for (const Backdrop* layer = this; layer != nullptr; layer = layer->further) {
        if (mixes(layer->blending)) return std::nullopt;
        colour.alpha = static_cast<std::uint8_t>(colour.alpha * layer->blending.opacity / 255);
    }
    return colour;
}

std::int32_t ItemCounts::count(const Drawing& drawing) {
    if (const auto known = counts_.find(&drawing); known != counts_.end()) return known->second;
    auto result = static_cast<std::int32_t>(drawing.items().size());
    for (const Drawing::Item& item : drawing.items())
        if (const auto* const group = std::get_if<Drawing::Group>(&item)) result += count(*group->drawing);
    counts_.emplace(&drawing, result);
    return result;
}

void LaidRun::take(const ImageView& view, const Span& span) {
    pixel_bytes_ = static_cast<std::size_t>(layout(view.format()).bytes);
    const std::byte* from =
        view.bytes() + span.y * view.row_stride_bytes() + span.x_begin * view.pixel_stride_bytes();
    bytes_.resize(static_cast<std::size_t>(span.x_end - span.x_begin) * pixel_bytes_);
    for (std::size_t to = 0; to < bytes_.size(); to += pixel_bytes_, from += view.pixel_stride_bytes())
        std::memcpy(bytes_.data() + to, from, pixel_bytes_);
}

void LaidRun::show_backdrop(const Backdrop& backdrop, const Span& span) {
    if (backdrop.further == nullptr) return take(backdrop.below, span);
    const ImageView& layer = backdrop.below;
    const std::byte* const first =
        layer.bytes() + span.y * layer.row_stride_bytes() + span.x_begin * layer.pixel_stride_bytes();
    lay(*backdrop.further, layer, span, first);
}

void LaidRun::lay(const Backdrop& backdrop, const ImageView& layer, const Span& span,
                  const std::byte* first) {
    const Size size{static_cast<std::int32_t>(span.x_end - span.x_begin), 1};
    const ConstImageView run(first, size, layer.format());
    take(backdrop.below, span);
    const auto stride = static_cast<std::ptrdiff_t>(bytes_.size());
    const ImageView below =
        ImageView(bytes_.data(), size, backdrop.below.format(), stride, backdrop.below.palette())
            .masked(backdrop.below.mask());
    overlay(below, run, {0, 0}, {.blending = backdrop.blending});
    if (backdrop.further == nullptr) return;
    LaidRun further;
    further.lay(*backdrop.further, backdrop.below, span, bytes_.data());
    std::swap(*this, further);
}

Survey::Survey(const ImageView& view, const ItemCounts& counts, const SurveyResults& results,
               const Backdrop* backdrop)
    : counts_(counts), results_(results), backdrop_(backdrop), covers_(view), hiders_(view.clip()) {
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
        const ImageView shown = changed_by(part, item);
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
        item.hidden += span.x_end - span.x_begin - pixels.on_top;
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
/// top, unless they are those of a layer.
template <class Paint, class OnSeen>
void Survey::paint_and_compare(const ImageView& part, const std::vector<Span>& spans, std::int32_t number,
                               const Paint& paint_it, const OnSeen& on_seen) {
    if (spans.empty()) return;
    keep_before(part, spans, number);
    paint_it();
    Visibility& item = results_.item(number);
    if (backdrop_ != nullptr)
        compare_in_layer(part, number);
    else
        compare(part, number, on_seen);
    if (item.on_top == 0 && results_.hiders != nullptr) results_.hiders->add(spans, hiders_, number, item);
}

template <class OnSeen>
void Survey::compare(const ImageView& part, std::int32_t number, const OnSeen& on_seen) {
    Visibility& item = results_.item(number);
    const ChangeMeter meter(part);
    const auto colour = results_.least_contrast > 0 ? contrast_colour(*item.item) : std::nullopt;
    for (const SpanPixels& pixels : open_) {
        item.on_top += pixels.on_top;
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

/// Compares what the picture would be with the layer as it was before an item and as it is after it.
void Survey::compare_in_layer(const ImageView& layer, std::int32_t number) {
    Visibility& item = results_.item(number);
    const Backdrop& lowest = backdrop_->lowest();
    const ChangeMeter meter(lowest.below);
    const ChangeMeter layer_meter(layer);
    auto colour = results_.least_contrast > 0 ? contrast_colour(*item.item) : std::nullopt;
    if (colour) colour = backdrop_->laid(*colour);
    LaidRun backdrop;
    LaidRun before;
    LaidRun after;
    std::vector<std::int32_t> hiders;
    for (const SpanPixels& pixels : open_) {
        backdrop.show_backdrop(*backdrop_, pixels.span);
        before.lay(*backdrop_, layer, pixels.span, pixels.before);
        after.lay(*backdrop_, layer, pixels.span, pixels.after);
        const std::size_t bytes = after.pixel_bytes();
        const auto differ = [bytes](const LaidRun& a, const LaidRun& b, std::size_t i) {
            return std::memcmp(a.bytes() + i * bytes, b.bytes() + i * bytes, bytes) != 0;
        };
        hiders.assign(pixels.hiders, pixels.hiders + pixels.count());
        const SpanPixels laid{pixels.span, after.bytes(), bytes, bytes, hiders.data(), 0, before.bytes()};
        const std::int32_t* const finally = backdrop_->finally.at(pixels.span);
        for (std::size_t i = 0; i < pixels.count(); ++i) {
            if (hiders[i] > number) continue;
            const bool shows = finally[i] != 0 || differ(before, backdrop, i) || differ(after, backdrop, i);
            if (!shows) hiders[i] = SpanPixels::hidden;
            if (!shows || !pixels.changed(i)) continue;
            const bool changes = differ(before, after, i);
            if (!changes && finally[i] == 0 && !backdrop_->mixed) continue;
            ++item.seen;
            item.largest_change = changes ? meter.largest(laid, i, i + 1, item.largest_change)
                                          : layer_meter.largest(pixels, i, i + 1, item.largest_change);
        }
        item.on_top += count_on_top(laid, number);
        if (colour) item.faint += count_faint(laid, number, *colour, results_.least_contrast, meter.codec());
    }
}

/// Notes what in a layer the layer's own items hide, and those that hide the layer.
void Survey::hide_in_layer(Survey& inner, const std::vector<Span>& covered, std::int32_t number) {
    for (const Span& span : covered) {
        std::int32_t* const numbers = inner.hiders_.at(span);
        const std::int32_t* const below = hiders_.at(span);
        for (std::int64_t i = 0; i < span.x_end - span.x_begin; ++i)
            if (below[i] > number) numbers[i] = below[i];
    }
}

/// Notes with 1 where a layer, when it is finished, changes the picture.
void Survey::note_finally(const Backdrop& backdrop, const Drawing::Group& group, PixelNumbers& finally) {
    const ImageView shown = changed_by(backdrop.below, group);
    if (shown.clip().empty()) return;
    const LayerPicture finished(shown);
    drawing::paint(finished.view(), *group.drawing);
    std::vector<Span> spans;
    draw_in_clip(shown, group.style, [&](const ImageView& own) { add_rows(own.clip(), spans); });
    LaidRun before;
    LaidRun after;
    for (const Span& span : spans) {
        before.show_backdrop(backdrop, span);
        const ImageView& view = finished.view();
        after.lay(backdrop, view, span,
                  view.bytes() + span.y * view.row_stride_bytes() + span.x_begin * view.pixel_stride_bytes());
        const std::size_t bytes = after.pixel_bytes();
        std::int32_t* const notes = finally.at(span);
        for (std::size_t i = 0; i < static_cast<std::size_t>(span.x_end - span.x_begin); ++i)
            notes[i] = std::memcmp(before.bytes() + i * bytes, after.bytes() + i * bytes, bytes) != 0 ? 1 : 0;
    }
}

/// Counts the pixels that a layer covers outside of the part that it can change, and takes them from its
/// spans.
void Survey::take_unchanged(const Box& changed, std::int32_t number, std::vector<Span>& covered) {
    std::vector<Span> unchanged;
    std::vector<Span> rest;
    const auto add = [](std::vector<Span>& spans, std::int32_t y, std::int64_t begin, std::int64_t end) {
        if (begin < end) spans.push_back({y, static_cast<std::int32_t>(begin), end});
    };
    for (const Span& span : covered) {
        const bool meets = span.y >= changed.y && span.y < changed.end_y();
        const std::int64_t begin =
            meets ? std::clamp(changed.x, std::int64_t{span.x_begin}, span.x_end) : span.x_end;
        const std::int64_t end = meets ? std::clamp(changed.end_x(), begin, span.x_end) : span.x_end;
        add(unchanged, span.y, span.x_begin, begin);
        add(rest, span.y, begin, end);
        add(unchanged, span.y, end, span.x_end);
    }
    Visibility& item = results_.item(number);
    for (const Span& span : unchanged) {
        const SpanPixels pixels{span, nullptr, 0, 0, hiders_.at(span)};
        const std::int64_t on_top = count_on_top(pixels, number);
        item.covered += static_cast<std::int64_t>(pixels.count());
        item.on_top += on_top;
        item.hidden += static_cast<std::int64_t>(pixels.count()) - on_top;
    }
    if (item.on_top == 0 && results_.hiders != nullptr)
        results_.hiders->add(unchanged, hiders_, number, item);
    covered = std::move(rest);
}

void Survey::paint_layer(const ImageView& part, const Drawing::Group& group, std::int32_t number,
                         std::int32_t first) {
    const ImageView whole = shown_by(part, group.style);
    if (whole.clip().empty()) return;
    const auto spans_of = [&group](const ImageView& view) {
        std::vector<Span> spans;
        draw_in_clip(view, group.style, [&](const ImageView& own) { add_rows(own.clip(), spans); });
        return spans;
    };
    std::vector<Span> covered = spans_of(whole);
    if (backdrop_ == nullptr) take_unchanged(changed_by(whole, group).clip(), number, covered);
    // Layers within the layer cover all of their clips, too.
    const bool all = backdrop_ != nullptr || has_layers(*group.drawing);
    const ImageView shown = all ? whole : changed_by(whole, group);
    if (shown.clip().empty()) return;
    PixelNumbers finally(owners_ ? Box() : shown.clip());
    const Backdrop backdrop{shown, *group.style.layer, backdrop_, finally, mixes(*group.drawing)};
    if (!owners_) note_finally(backdrop, group, finally);
    const LayerPicture layer(shown);
    Survey inner(layer.view(), counts_, results_, owners_ ? nullptr : &backdrop);
    const auto in_clip = [&](const auto& use) { draw_in_clip(layer.view(), group.style, use); };
    if (!owners_) {
        in_clip([&](const ImageView& own) { inner.hide(own, *group.drawing, first); });
        hide_in_layer(inner, spans_of(shown), number);
    }
    in_clip([&](const ImageView& own) { inner.paint(own, *group.drawing, first); });
    std::vector<Span> owned;
    if (owners_) owned = covers_.hidden(shown, group, layer);
    paint_and_compare(
        shown, covered, number, [&] { lay(shown, group, layer); },
        [&](const Span& run) {
            if (owners_) owned.push_back(run);
        });
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
