#include "sheet/running/loaded_files.hpp"

#include "sheet/language/included_files.hpp"
#include "sheet/running/data_rows.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/face.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/resize.hpp>

#include <fmt/core.h>

#include <algorithm>

namespace coldbrick::sheet {

namespace {

/// Returns load(). What it throws becomes a fault at the place: the loader is somebody else's.
template <class Load>
auto at_file(const Location& place, const Load& load) {
    try {
        return load();
    } catch (const SheetError&) {
        throw;
    } catch (const Error& error) {
        fail(place, error.what());
    }
}

} // namespace

std::size_t bytes_of(const Image& image) {
    return static_cast<std::size_t>(image.view().row_stride_bytes()) *
           static_cast<std::size_t>(image.height());
}

Shared<Image> FileLoader::image(const FileName& file) {
    const auto kept = kept_.images.find(file.text);
    if (kept != kept_.images.end() && bytes_of(*kept->second) <= image_bytes_left_) return kept->second;
    if (!reading_.load_image) fail(file.location, "images cannot be opened here");
    Shared<Image> result = at_file(
        file.location, [&] { return Shared<Image>(reading_.load_image(file.text, image_bytes_left_)); });
    kept_.images.insert_or_assign(file.text, result);
    return result;
}

Paint FileLoader::texture(const FileName& file) {
    if (const auto kept = kept_.textures.find(file.text); kept != kept_.textures.end()) return kept->second;
    const Shared<Image> found = image(file);
    const std::size_t bytes = sizeof(Colour16) * static_cast<std::size_t>(found->width()) *
                              static_cast<std::size_t>(found->height());
    if (bytes > image_bytes_left_)
        fail(file.location,
             fmt::format("a texture of {} bytes is more than the {} that images may still take", bytes,
                         image_bytes_left_));
    take_image_bytes(bytes);
    return kept_.textures.emplace(file.text, Paint(Pattern(coldbrick::texture(*found)))).first->second;
}

Bitmap FileLoader::mask(const FileName& file, Size size) {
    const Shared<Image> found = image(file);
    const Image fitting = found->size() == size ? *found : at_file(file.location, [&] {
        return resized(*found, size, {.most_bytes = image_bytes_left_});
    });
    Bitmap result(size);
    constexpr int half = 128;
    for (std::int32_t y = 0; y < size.height; ++y)
        for (std::int32_t x = 0; x < size.width; ++x) {
            const Colour pixel = fitting.pixel({x, y});
            const int brightness = (pixel.red + pixel.green + pixel.blue) / 3;
            result.set({x, y}, pixel.alpha >= half && brightness >= half);
        }
    return result;
}

Face FileLoader::face(const FaceWords& words, const FaceWords::Name& name, const WantedFace& wanted) {
    const auto built_in = Face::built_in_names();
    const bool is_built_in = std::ranges::find(built_in, wanted.name) != built_in.end();
    return at_file(name.location, [&] {
        if (!reading_.load_face || is_built_in) {
            Face result = Face::built_in(wanted.name);
            const bool plain = !words.weight && !words.slanted && words.axes.empty();
            if (!plain && words.names.size() == 1)
                fail(name.location, "the built-in faces have one weight, and are upright");
            return result;
        }
        const auto kept = std::ranges::find(kept_.faces, wanted, &std::pair<WantedFace, Face>::first);
        if (kept != kept_.faces.end()) return kept->second;
        return kept_.faces.emplace_back(wanted, reading_.load_face(wanted)).second;
    });
}

List FileLoader::data(const FileName& file) {
    const std::string& name = file.text;
    if (const auto kept = kept_.data.find(name); kept != kept_.data.end()) return kept->second;
    if (!reading_.load_text) fail(file.location, "other files cannot be opened here");
    if (++files_ > reading_.limits.files)
        fail(file.location,
             fmt::format("the sheet takes data from more than {} files", reading_.limits.files));
    List rows = at_file(file.location, [&] {
        return rows_of(name, reading_.load_text(name, reading_.limits.text_bytes),
                       reading_.limits.data_bytes);
    });
    kept_.data.insert_or_assign(name, rows);
    return rows;
}

} // namespace coldbrick::sheet
