#include <coldbrick/visibility.hpp>

#include "base/limits.hpp"
#include "base/range_checks.hpp"
#include "drawing/survey.hpp"

#include <cstddef>
#include <optional>
#include <variant>

namespace coldbrick {

namespace {

/// Adds the items in the order of their numbers.
void add_items(const Drawing& drawing, std::vector<Visibility>& items) {
    auto tag = drawing.tags().begin();
    for (const Drawing::Item& item : drawing.items()) {
        if (const auto* const group = std::get_if<Drawing::Group>(&item)) add_items(*group->drawing, items);
        items.push_back({&item, *tag++});
    }
}

std::vector<Visibility> items_of(const Drawing& drawing, const drawing::ItemCounts& counts) {
    std::vector<Visibility> result;
    result.reserve(static_cast<std::size_t>(counts.of(drawing)));
    add_items(drawing, result);
    return result;
}

void check(const Owners& owners) {
    const Box& box = owners.box;
    base::check_range("width of the owners' box", box.width, 1, base::last_coordinate);
    base::check_range("height of the owners' box", box.height, 1, base::last_coordinate);
    const std::int64_t pixels = box.width * box.height;
    base::check_range("number of owners' pixels", static_cast<std::int64_t>(owners.items.size()), pixels,
                      pixels);
    const auto items = static_cast<std::int64_t>(owners.tags.size());
    for (const std::uint32_t item : owners.items) base::check_range("number of an owner", item, 0, items);
}

} // namespace

std::vector<Visibility> visibility(const ImageView& view, const Drawing& drawing,
                                   const VisibilityOptions& options) {
    drawing::check_modes(view.format(), drawing);
    const drawing::ItemCounts counts(drawing);
    std::vector<Visibility> result = items_of(drawing, counts);
    if (view.clip().empty()) return result;
    drawing::HiderCounts hiders(result);
    const drawing::SurveyResults wanted{&result, &hiders, options.least_contrast, false};
    drawing::Survey survey(view, counts, wanted);
    survey.hide(view, drawing, 1);
    survey.paint(view, drawing, 1);
    for (Visibility& item : result)
        if (!item.hidden_by.empty()) drawing::settle(item);
    return result;
}

Owners owners(const ImageView& view, const Drawing& drawing) {
    drawing::check_modes(view.format(), drawing);
    const drawing::ItemCounts counts(drawing);
    std::vector<Visibility> items = items_of(drawing, counts);
    Owners result{view.clip(), {}, {}};
    result.tags.reserve(items.size());
    for (const Visibility& item : items) result.tags.push_back(item.tag);
    if (view.clip().empty()) return result;
    const drawing::SurveyResults wanted{&items, nullptr, 0, true};
    drawing::Survey survey(view, counts, wanted);
    survey.paint(view, drawing, 1);
    result.items.reserve(static_cast<std::size_t>(view.clip().width) *
                         static_cast<std::size_t>(view.clip().height));
    std::vector<Span> rows;
    drawing::add_rows(view.clip(), rows);
    for (const Span& row : rows) {
        const std::int32_t* const numbers = survey.owners().at(row);
        result.items.insert(result.items.end(), numbers, numbers + view.clip().width);
    }
    return result;
}

Image picture_of(const Owners& owners, FunctionRef<Colour(std::uint32_t tag)> colour_of,
                 const Colour& ground) {
    check(owners);
    const auto length = [](std::int64_t pixels) { return static_cast<std::int32_t>(pixels); };
    Image result({length(owners.box.width), length(owners.box.height)}, PixelFormat::rgb8, ground);
    std::vector<std::optional<Colour>> colours(owners.tags.size()); // of those that own anything
    const auto colour = [&](std::size_t place) {
        if (!colours[place]) colours[place] = colour_of(owners.tags[place]);
        return *colours[place];
    };
    auto item = owners.items.begin();
    for (std::int32_t y = 0; y < result.height(); ++y)
        for (std::int32_t x = 0; x < result.width(); ++x, ++item)
            if (*item != 0) result.set_pixel({x, y}, colour(*item - 1));
    return result;
}

} // namespace coldbrick
